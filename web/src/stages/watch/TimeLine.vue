<script setup lang="ts">
// The bar's height over the film, its reps, and where something is told: press to go there.
import { say } from '@/words'
import { computed } from 'vue'
import { isTold, nearest, type Reading } from './words'

const props = defineProps<{ reading: Reading; at: number }>()
const emit = defineEmits<{ go: [frame: number] }>()
const WIDTH = 1000
const HEIGHT = 92
const times = computed(() => props.reading.frames.times_s)
const last = computed(() => times.value.at(-1) || 1)
const heights = computed(() => props.reading.frames.bar_z_m.filter((z): z is number => z !== null))
const low = computed(() => Math.min(...heights.value))
const high = computed(() => Math.max(...heights.value))
const x = (time: number) => (time / last.value) * WIDTH
const y = (z: number) => HEIGHT - 8 - ((z - low.value) / (high.value - low.value || 1)) * (HEIGHT - 28)
const curve = computed(() =>
  props.reading.frames.bar_z_m
    .map((z, i) => (z === null ? '' : `${x(times.value[i] ?? 0)},${y(z)}`))
    .join(' '),
)
const told = computed(() =>
  props.reading.findings.filter(isTold).flatMap((finding) =>
    finding.reps.flatMap((number) => {
      const rep = props.reading.reps[number - 1]
      return rep ? [{ key: finding.detector + number, time: rep.turn_s, name: finding.name }] : []
    }),
  ),
)
function press(event: MouseEvent) {
  if (!(event.currentTarget instanceof SVGElement)) return
  const box = event.currentTarget.getBoundingClientRect()
  const time = ((event.clientX - box.left) / box.width) * last.value
  emit('go', nearest(times.value, time))
}
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    preserveAspectRatio="none"
    class="time"
    role="img"
    :aria-label="
      say('watch.height_of_the_bar_over_seconds', { last: last.toFixed(1), reps: reading.reps.length })
    "
    @click="press"
  >
    <g v-for="rep in reading.reps" :key="rep.number">
      <rect :x="x(rep.first_s)" :width="x(rep.last_s) - x(rep.first_s)" y="0" :height="HEIGHT" class="rep" />
    </g>
    <polyline :points="curve" class="curve" />
    <g v-for="mark in told" :key="mark.key">
      <line :x1="x(mark.time)" :x2="x(mark.time)" y1="4" :y2="HEIGHT" class="told" />
    </g>
    <line :x1="x(times[at] ?? 0)" :x2="x(times[at] ?? 0)" y1="0" :y2="HEIGHT" class="now" />
  </svg>
</template>

<style scoped>
.time {
  width: 100%;
  height: 92px;
  background: var(--sheet);
  border: 1px solid var(--line);
  cursor: pointer;
  display: block;
}
.time * {
  vector-effect: non-scaling-stroke;
}
.rep {
  fill: var(--hair);
}
.curve {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
.told {
  stroke: var(--signal);
  stroke-width: 1.5;
  stroke-dasharray: 3 3;
}
.now {
  stroke: var(--signal);
  stroke-width: 1.5;
}
</style>
