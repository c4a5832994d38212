<script setup lang="ts">
// How deep the body goes with a still lower back, stance by stance, and what a centimetre costs.
import { computed } from 'vue'
import type { Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { percent } from '@/shared/words'

const props = defineProps<{ answer: Schemas['DepthAnswer']; stanceM: number }>()
defineEmits<{ stance: [m: number] }>()
const { cm, kg } = useUnits()
const W = 360
const X = (m: number) => 34 + ((m - 0.26) / 0.52) * (W - 44)
const Y = (below: number) => 60 + below * 100 * 6
const dots = computed(() => props.answer.stance_m.map((s, i) => ({ s, d: props.answer.below_parallel_m[i] ?? null })))
const mobility = computed(() => {
  const here = dots.value.reduce((a, b) => (Math.abs(b.s - props.stanceM) < Math.abs(a.s - props.stanceM) ? b : a))
  return here.d !== null && here.d < props.answer.competition_m ? props.answer.competition_m - here.d : 0
})
</script>

<template>
  <section>
    <h2>Depth <small>natural bottom by stance</small></h2>
    <svg :viewBox="`0 0 ${W} 176`" role="img" :aria-label="dots.map((p) => `${cm(p.s, 0)}: ${p.d === null ? 'closed' : cm(p.d, 0) + ' below parallel'}`).join('; ')">
      <line x1="30" :x2="W - 6" :y1="Y(0)" :y2="Y(0)" class="level" /><text x="2" :y="Y(0) + 3">level</text>
      <line x1="30" :x2="W - 6" :y1="Y(answer.competition_m)" :y2="Y(answer.competition_m)" class="needed" /><text :x="W - 6" :y="Y(answer.competition_m) + 10" text-anchor="end">competition depth</text>
      <line :x1="X(stanceM)" :x2="X(stanceM)" y1="4" y2="164" class="here" />
      <g v-for="p in dots" :key="p.s" @click="$emit('stance', p.s)">
        <template v-if="p.d !== null"><line :x1="X(p.s)" :x2="X(p.s)" :y1="Y(0)" :y2="Y(p.d)" class="stem" /><circle :cx="X(p.s)" :cy="Y(p.d)" r="4" :class="p.d >= answer.competition_m ? 'deep' : 'high'" /></template>
        <text v-else :x="X(p.s)" :y="Y(0) - 5" text-anchor="middle" class="closed">×</text>
        <text :x="X(p.s)" y="174" text-anchor="middle">{{ cm(p.s, 0).split(' ')[0] }}</text>
      </g>
    </svg>
    <p v-if="answer.widest_deep_enough_m" class="mt-1">
      <b>{{ cm(answer.widest_deep_enough_m, 0) }}</b> is the widest stance whose natural bottom is still below parallel: deeper costs load, wider costs red lights.
      <button class="linkish small" @click="$emit('stance', answer.widest_deep_enough_m!)">stand there</button>
    </p>
    <p v-else class="signal mt-1">At no stance does this set-up reach competition depth with a still lower back.</p>
    <p v-if="mobility" class="note decide small mt-2">Training stops above competition depth here; the missing {{ cm(mobility, 0) }} are a mobility task.</p>
    <p v-if="answer.per_cm_kg != null" class="mt-2">A centimetre deeper costs <b>{{ kg(answer.per_cm_kg) }}</b> <span class="soft">({{ percent(answer.per_cm_share ?? 0, 1) }})</span>. The target is {{ cm(answer.target_below_parallel_m) }} below parallel.</p>
    <p class="small soft mt-1">Dots reach as deep as the neutral-depth, hip and ankle screens and the width school allow, to 16 cm; × is closed at every depth. Points are the hip crease against the top of the knee; both offsets can be measured.</p>
  </section>
</template>

<style scoped>
svg { width: 100%; display: block; margin-top: 4px; }
.level { stroke: var(--ink); stroke-width: 1; }
.needed { stroke: var(--signal); stroke-dasharray: 3 2; }
.here { stroke: var(--signal); stroke-width: 0.8; }
.stem { stroke: var(--body-line); }
.deep { fill: var(--holds); }
.high { fill: var(--sheet); stroke: var(--signal); stroke-width: 1.6; }
.closed { fill: var(--signal); font-size: 12px; }
text { font-size: 9.5px; fill: var(--soft); }
g { cursor: pointer; }
</style>
