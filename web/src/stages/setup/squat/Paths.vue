<script setup lang="ts">
// The bar's way for a ladder of loads on one picture: light bars bow forward, heavy ones run plumb.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { extent } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { computed, ref, toRef } from 'vue'
import type { Schemas } from '@/shared/api'
import { pathsQuery } from '@/shared/queries'
import { useUnits } from '@/shared/units'
import { percent } from '@/shared/words'
import type { SquatSetup } from '../liftPage'
import { REST_MS } from '../useAnalysis'

type BarPath = Schemas['BarPathOut']
const props = defineProps<{ lifterId: string; live: SquatSetup; loadKg: number }>()
const { kg, cm } = useUnits()
const setup = refDebounced(toRef(props, 'live'), REST_MS)
const load = refDebounced(toRef(props, 'loadKg'), REST_MS)
const { data: answer, error } = useQuery(pathsQuery(props.lifterId, setup, load))
const chosen = ref<number | null>(null)
const ladder = computed(() => answer.value?.ladder ?? [])

const MID_FOOT = 60
const x = scaleLinear([0, 0.1], [MID_FOOT, MID_FOOT + 34])
const y = computed(() => {
  const [low = 0, high = 1] = extent(ladder.value.flatMap((p) => p.z_m))
  return scaleLinear([low, high], [180, 12])
})
const drawn = (p: BarPath) =>
  line<number>(
    (_, i) => x(p.x_m[i] ?? 0),
    (z) => y.value(z),
  )(p.z_m) ?? ''
const isToday = (p: BarPath) => Math.abs(p.load_kg - load.value) < 0.06
const picked = computed(
  () => ladder.value.find((p) => p.load_kg === chosen.value) ?? ladder.value.find(isToday),
)
</script>

<template>
  <p v-if="error" class="signal">{{ error.message }}</p>
  <p v-else-if="!answer" class="soft">{{ say('setup.computing') }}</p>
  <section v-else>
    <h2>
      {{ say('setup.bar_path') }} <small>{{ say('setup.for_todays_load_and_a_ladder') }}</small>
    </h2>
    <div class="two">
      <svg
        viewBox="20 0 110 210"
        role="img"
        :aria-label="
          ladder
            .map((p) =>
              say('setup.load_kg_strays_range_m', { load_kg: kg(p.load_kg), range_m: cm(p.range_m) }),
            )
            .join('; ')
        "
      >
        <line :x1="MID_FOOT" :x2="MID_FOOT" y1="4" y2="188" class="plumb" />
        <path
          v-for="p in ladder"
          :key="p.load_kg"
          :d="drawn(p)"
          :class="['way', { today: isToday(p), picked: p === picked }]"
        />
        <line :x1="x(0)" :x2="x(0.1)" y1="194" y2="194" class="scale" />
        <text :x="x(0.05)" y="206" text-anchor="middle">
          {{ say('setup.cm_forward', { cm: cm(0.1, 0) }) }}
        </text>
      </svg>
      <table class="plain">
        <thead>
          <tr>
            <th>{{ say('setup.load') }}</th>
            <th>{{ say('setup.bars_share') }}</th>
            <th>{{ say('setup.strays') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="p in ladder"
            :key="p.load_kg"
            :class="{ picked: p === picked }"
            @click="chosen = p.load_kg"
          >
            <td>
              <button class="linkish" @click="chosen = p.load_kg">
                <b v-if="isToday(p)">{{
                  say('setup.load_kg_today', { load_kg: kg(p.load_kg, 0) })
                }}</b><template v-else>{{ kg(p.load_kg, 0) }}</template>
              </button>
            </td>
            <td>{{ percent(p.share_of_system) }}</td>
            <td>{{ cm(p.range_m) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="note small mt-2">
      {{ say('setup.from_1_5_times_body_mass', { plumb_from_kg: kg(answer.plumb_from_kg, 0) }) }}
    </p>
  </section>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(80px, 118px) minmax(0, 1fr);
  gap: 10px;
  margin-top: 6px;
}
.two td,
.two th {
  white-space: nowrap;
}
.plumb {
  stroke: var(--ink);
  stroke-width: 1;
  stroke-dasharray: 6 2.4 1.6 2.4;
}
.way {
  fill: none;
  stroke: var(--body-line);
  stroke-width: 1;
}
.way.today {
  stroke: var(--ink);
  stroke-width: 2;
}
.way.picked {
  stroke: var(--signal);
  stroke-width: 2;
}
.scale {
  stroke: var(--soft);
}
text {
  font-size: 9px;
  fill: var(--soft);
}
tr.picked td {
  font-weight: 700;
}
td {
  cursor: pointer;
}
</style>
