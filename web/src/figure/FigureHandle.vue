<script setup lang="ts">
// A round handle on the figure: dragged, or nudged with the arrow keys.
import { useHandle } from './useHandle'

const props = defineProps<{
  name: string
  text: string
  x: number
  y: number
  r: number
  axis: 'x' | 'y'
  stepUnits: number
  low: number
  high: number
  now: number
}>()
const emit = defineEmits<{ begin: []; move: [steps: number] }>()
const handle = useHandle({
  stepUnits: props.stepUnits,
  axis: props.axis,
  begin: () => emit('begin'),
  move: (steps) => emit('move', steps),
})
</script>

<template>
  <g
    class="handle"
    role="slider"
    tabindex="0"
    :aria-label="name"
    :aria-valuetext="text"
    :aria-orientation="axis === 'y' ? 'vertical' : 'horizontal'"
    :aria-valuemin="low"
    :aria-valuemax="high"
    :aria-valuenow="now"
    v-on="handle"
  >
    <circle :cx="x" :cy="y" :r="r" class="grip" />
  </g>
</template>

<style scoped>
.handle {
  cursor: grab;
  outline: none;
}
.grip {
  fill: transparent;
  stroke: var(--ink);
  stroke-width: 0.35;
  stroke-dasharray: 1 1;
  opacity: 0.45;
}
.handle:hover .grip,
.handle:focus-visible .grip {
  opacity: 1;
  stroke: var(--signal);
  stroke-width: 0.8;
  stroke-dasharray: none;
}
</style>
