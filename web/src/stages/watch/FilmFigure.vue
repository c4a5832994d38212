<script setup lang="ts">
// The film with what was measured drawn over it: plumb line through mid-foot, the bar's way, the
// linkage, and this lifter's computed posture at the same bar height. Without the film the same
// drawing stands on paper.
import { computed, useTemplateRef } from 'vue'
import type { Reading } from './words'

const props = defineProps<{ reading: Reading; url?: string; at: number; ghost: boolean }>()
const video = useTemplateRef<HTMLVideoElement>('video')
defineExpose({ video })

type Places = ([number, number] | null)[]
const frames = computed(() => props.reading.frames)
const place = (from: Record<string, unknown>, name: string, at: number) =>
  ((from[name] as Places | undefined)?.[at] ?? null) as [number, number] | null
const joints = (from: Record<string, unknown>) =>
  ['ankle', 'knee', 'hip', 'shoulder']
    .map((name) => place(from, name, props.at))
    .filter((p): p is [number, number] => p !== null)
const line = (places: [number, number][]) => places.map((p) => p.join(',')).join(' ')
const limbs = computed(() => line(joints(frames.value.pixels)))
const fit = computed(() => line(joints(frames.value.expected)))
const dots = computed(() => joints(frames.value.pixels))
const bar = computed(() => place(frames.value.pixels, 'bar', props.at))
const fitBar = computed(() => place(frames.value.expected, 'bar', props.at))
const rep = computed(() => {
  const now = frames.value.times_s[props.at] ?? 0
  return props.reading.reps.find((r) => now >= r.first_s - 0.4 && now <= r.last_s + 0.4)
})
function way(from: number, to: number) {
  const bars = (frames.value.pixels.bar ?? []) as Places
  return line(
    bars.filter((p, i): p is [number, number] => {
      const time = frames.value.times_s[i] ?? 0
      return p !== null && time >= from && time <= to
    }),
  )
}
const whole = computed(() => way(-1, 1e9))
const sofar = computed(() => {
  const now = frames.value.times_s[props.at] ?? 0
  return rep.value ? way(rep.value.first_s - 0.1, now) : ''
})
const foot = computed(() => frames.value.foot)
</script>

<template>
  <div class="picture" :class="{ bare: !url }" :style="{ aspectRatio: `${frames.width} / ${frames.height}` }">
    <video v-if="url" ref="video" :src="url" muted playsinline preload="auto" />
    <svg :viewBox="`0 0 ${frames.width} ${frames.height}`" role="img" aria-label="What was measured">
      <line :x1="foot[0]" :x2="foot[0]" y1="0" :y2="foot[1]" class="plumb" />
      <line x1="0" :x2="frames.width" :y1="foot[1]" :y2="foot[1]" class="floor" />
      <polyline :points="whole" class="whole" />
      <polyline :points="sofar" class="way" />
      <g v-if="ghost">
        <polyline :points="fit" class="fit" />
        <circle v-if="fitBar" :cx="fitBar[0]" :cy="fitBar[1]" r="5" class="fit" />
      </g>
      <polyline :points="limbs" class="limbs" />
      <circle v-for="(p, i) in dots" :key="i" :cx="p[0]" :cy="p[1]" r="5" class="joint" />
      <circle v-if="bar" :cx="bar[0]" :cy="bar[1]" r="6" class="bar" />
    </svg>
  </div>
</template>

<style scoped>
.picture {
  position: relative;
  background: #15181b;
  line-height: 0;
}
.bare {
  background: var(--sheet);
  border: 1px solid var(--line);
}
video,
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
svg * {
  vector-effect: non-scaling-stroke;
}
.plumb {
  stroke: #ff8a5c;
  stroke-dasharray: 6 5;
  stroke-width: 1.5;
}
.floor {
  stroke: #ff8a5c;
  stroke-width: 0.75;
}
.whole {
  fill: none;
  stroke: #fffdf8;
  stroke-opacity: 0.55;
  stroke-width: 1.25;
}
.bare .whole {
  stroke: var(--body-line);
}
.way {
  fill: none;
  stroke: #ff6a3d;
  stroke-width: 2.5;
}
.limbs {
  fill: none;
  stroke: #fffdf8;
  stroke-width: 3;
  stroke-linejoin: round;
}
.bare .limbs {
  stroke: var(--ink);
}
.joint {
  fill: #15181b;
  stroke: #fffdf8;
  stroke-width: 2;
}
.bare .joint {
  fill: var(--sheet);
  stroke: var(--ink);
}
.fit {
  fill: none;
  stroke: #54c0b1;
  stroke-width: 2;
  stroke-dasharray: 5 4;
}
.bare .fit {
  stroke: var(--holds);
}
.bar {
  fill: #ff6a3d;
  stroke: #fffdf8;
  stroke-width: 1.5;
}
</style>
