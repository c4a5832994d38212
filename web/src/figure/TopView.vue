<script setup lang="ts">
// Both feet from above: drag a foot for the stance, its toes for the toe-out.
import { say } from '@/words'
import { computed } from 'vue'
import { useUnits } from '@/shared/units'
import { useHandle } from './useHandle'

const props = defineProps<{
  stanceM: number
  toeOutDeg: number
  footM: number
  gripM?: number
  barOffsetM?: number
}>()
const emit = defineEmits<{
  stance: [stepCm: number]
  toes: [stepDeg: number]
  grip: [step: number]
  begin: []
}>()
const { cm } = useUnits()

// On paper toes point up; the ankle is a quarter foot from the heel.
const sole = computed(() => {
  const f = props.footM * 100
  return `M-2.6 ${f * 0.22} C-4 ${f * 0.05} -4.6 ${-f * 0.3} -4.4 ${-f * 0.52} C-4.2 ${-f * 0.7} -1.5 ${-f * 0.78} 1.2 ${-f * 0.74} C3.8 ${-f * 0.7} 4.4 ${-f * 0.55} 4.2 ${-f * 0.42} C3.8 ${-f * 0.15} 3.4 0 3 ${f * 0.2} C2.6 ${f * 0.27} -2 ${f * 0.28} -2.6 ${f * 0.22} Z`
})
const half = computed(() => props.stanceM * 50)
// Toes point up the paper; at an angle the toe end is this far from the ankle.
const toe = computed(() => {
  const t = (props.toeOutDeg * Math.PI) / 180
  const reach = props.footM * 70
  return { x: half.value + reach * Math.sin(t), y: -reach * Math.cos(t) }
})
const foot = useHandle({
  stepUnits: 0.5,
  axis: 'x',
  begin: () => emit('begin'),
  move: (steps) => emit('stance', steps),
})
const toes = useHandle({
  stepUnits: 0.42,
  axis: 'x',
  begin: () => emit('begin'),
  move: (steps) => emit('toes', steps),
})
const hands = useHandle({
  stepUnits: 1,
  axis: 'x',
  begin: () => emit('begin'),
  move: (steps) => emit('grip', steps),
})
// The middle of the foot is a quarter foot in front of the ankle.
const barY = computed(() => -props.footM * 25 - (props.barOffsetM ?? 0) * 100)
</script>

<template>
  <svg
    class="top"
    viewBox="-50 -28 100 48"
    role="group"
    :aria-label="say('figure.feet_from_above_stance_toes_out', { stanceM: cm(stanceM, 0), toeOutDeg })"
  >
    <line x1="0" y1="-26" x2="0" y2="12" class="plumb" />
    <g :transform="`translate(${-half} 0) rotate(${-toeOutDeg}) scale(-1 1)`">
      <path :d="sole" class="sole" />
    </g>
    <g
      class="handle"
      role="slider"
      tabindex="0"
      :aria-label="say('figure.stance_ankle_to_ankle')"
      :aria-valuetext="cm(stanceM, 0)"
      aria-valuemin="24"
      aria-valuemax="80"
      :aria-valuenow="Math.round(stanceM * 100)"
      v-on="foot"
    >
      <g :transform="`translate(${half} 0) rotate(${toeOutDeg})`"><path :d="sole" class="sole live" /></g>
    </g>
    <g
      class="handle"
      role="slider"
      tabindex="0"
      :aria-label="say('figure.toes_out')"
      :aria-valuetext="say('figure.toe_out_deg_degrees', { toeOutDeg })"
      aria-valuemin="0"
      aria-valuemax="45"
      :aria-valuenow="toeOutDeg"
      v-on="toes"
    >
      <circle :cx="toe.x" :cy="toe.y" r="3.2" class="grip" />
    </g>
    <g v-if="gripM">
      <line x1="-49" x2="49" :y1="barY" :y2="barY" class="bar" />
      <line
        v-for="side in [-1, 1]"
        :key="side"
        :x1="side * gripM * 50 - 4"
        :x2="side * gripM * 50 + 4"
        :y1="barY"
        :y2="barY"
        class="hand"
      />
      <g
        class="handle"
        role="slider"
        tabindex="0"
        :aria-label="say('figure.hands_middle_to_middle')"
        :aria-valuetext="cm(gripM, 0)"
        aria-valuemin="30"
        aria-valuemax="100"
        :aria-valuenow="Math.round(gripM * 100)"
        v-on="hands"
      >
        <circle :cx="gripM * 50" :cy="barY" r="3.2" class="grip" />
      </g>
    </g>
    <text :x="Math.min(toe.x + 1, 43)" :y="toe.y - 4.5" text-anchor="middle" class="value">
      {{ toeOutDeg }}°
    </text>
    <g class="dim">
      <line :x1="-half" :x2="half" y1="11" y2="11" />
      <line :x1="-half" :x2="-half" y1="9.4" y2="12.6" />
      <line :x1="half" :x2="half" y1="9.4" y2="12.6" />
      <text x="0" y="16.5" text-anchor="middle">{{ cm(stanceM, 0) }}</text>
    </g>
  </svg>
</template>

<style scoped>
.top {
  width: 100%;
  display: block;
  touch-action: none;
  user-select: none;
}
.plumb {
  stroke: var(--ink);
  stroke-width: 0.35;
  stroke-dasharray: 2.4 1 0.6 1;
}
.sole {
  fill: var(--body);
  stroke: var(--body-line);
  stroke-width: 0.4;
}
.handle {
  cursor: grab;
  outline: none;
}
.handle .grip {
  fill: transparent;
  stroke: var(--ink);
  stroke-width: 0.4;
  stroke-dasharray: 1 0.8;
}
.handle:hover .live,
.handle:focus-visible .live,
.handle:hover .grip,
.handle:focus-visible .grip {
  stroke: var(--signal);
  stroke-width: 0.8;
  stroke-dasharray: none;
}
.bar {
  stroke: var(--ink);
  stroke-width: 0.7;
}
.hand {
  stroke: var(--ink);
  stroke-width: 2.6;
}
.dim line {
  stroke: var(--ink);
  stroke-width: 0.4;
}
text {
  font-size: 5.6px;
  font-weight: 650;
  fill: var(--ink);
}
</style>
