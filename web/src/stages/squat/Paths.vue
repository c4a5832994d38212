<script setup lang="ts">
// The bar's way for a ladder of loads on one picture: light bars bow forward, heavy ones run plumb.
import { computed, ref } from 'vue'
import type { Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { percent } from '@/shared/words'

const props = defineProps<{ answer: Schemas['PathAnswer']; loadKg: number }>()
const { kg, cm } = useUnits()
const chosen = ref<number | null>(null)
const ladder = computed(() => props.answer.ladder)
const heights = computed(() => ladder.value.flatMap((p) => p.z_m))
const box = computed(() => ({ low: Math.min(...heights.value), high: Math.max(...heights.value) }))
const X = (m: number) => 60 + m * 100 * 3.4
const Y = (m: number) => 12 + ((box.value.high - m) / (box.value.high - box.value.low)) * 168
const line = (p: Schemas['BarPathOut']) => p.x_m.map((x, i) => `${X(x).toFixed(1)},${Y(p.z_m[i] ?? 0).toFixed(1)}`).join(' ')
const isToday = (p: Schemas['BarPathOut']) => Math.abs(p.load_kg - props.loadKg) < 0.06
const picked = computed(() => ladder.value.find((p) => p.load_kg === chosen.value) ?? ladder.value.find(isToday))
</script>

<template>
  <section>
    <h2>Bar path <small>for today's load and a ladder of loads</small></h2>
    <div class="two">
      <svg viewBox="0 0 150 200" role="img" :aria-label="ladder.map((p) => `${kg(p.load_kg)}: strays ${cm(p.range_m)}`).join('; ')">
        <line x1="60" x2="60" y1="4" y2="188" class="plumb" />
        <polyline v-for="p in ladder" :key="p.load_kg" :points="line(p)" :class="['way', { today: isToday(p), picked: p === picked }]" />
        <line x1="60" :x2="X(0.1)" y1="194" y2="194" class="scale" /><text :x="X(0.1) + 3" y="197">{{ cm(0.1, 0) }} forward</text>
      </svg>
      <table class="plain">
        <thead><tr><th>Load</th><th>Of the whole</th><th>Strays</th></tr></thead>
        <tbody>
          <template v-for="p in ladder" :key="p.load_kg">
            <tr :class="{ picked: p === picked }" @click="chosen = p.load_kg">
              <td><button class="linkish" @click="chosen = p.load_kg"><b v-if="isToday(p)">{{ kg(p.load_kg, 0) }} today</b><template v-else>{{ kg(p.load_kg, 0) }}</template></button></td>
              <td>{{ percent(p.share_of_system) }}</td>
              <td>{{ cm(p.range_m) }}</td>
            </tr>
          </template>
        </tbody>
      </table>
    </div>
    <p class="note small mt-2">From {{ kg(answer.plumb_from_kg, 0) }} (1.5 times body mass) the path should be close to vertical; below it a bow forward is right and not a fault. Sideways is drawn larger than height.</p>
  </section>
</template>

<style scoped>
.two { display: grid; grid-template-columns: 140px 1fr; gap: 10px; margin-top: 6px; }
.two td, .two th { white-space: nowrap; }
.plumb { stroke: var(--ink); stroke-width: 1; stroke-dasharray: 6 2.4 1.6 2.4; }
.way { fill: none; stroke: var(--body-line); stroke-width: 1; }
.way.today { stroke: var(--ink); stroke-width: 2; }
.way.picked { stroke: var(--signal); stroke-width: 2; }
.scale { stroke: var(--soft); }
text { font-size: 9px; fill: var(--soft); }
tr.picked td { font-weight: 700; }
td { cursor: pointer; }
</style>
