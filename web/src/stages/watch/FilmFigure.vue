<script setup lang="ts">
// The film with what was measured drawn over it: plumb line through mid-foot, the bar's way, the
// linkage, and this lifter's computed posture at the same bar height. Without the film the same
// drawing stands on paper.
import { computed, useTemplateRef } from 'vue'
import type { Reading } from './words'

const props = defineProps<{ reading: Reading; url?: string; still?: boolean; at: number; ghost: boolean }>()
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
/** On the film the bar is where its plate is seen; on paper it stands in the lifter's own plane. */
const barName = computed(() => (props.url ? 'bar' : 'bar_middle'))
const bar = computed(() => place(frames.value.pixels, barName.value, props.at))
const fitBar = computed(() => place(frames.value.expected, 'bar', props.at))
const rep = computed(() => {
  const now = frames.value.times_s[props.at] ?? 0
  return props.reading.reps.find((r) => now >= r.first_s - 0.4 && now <= r.last_s + 0.4)
})
function way(from: number, to: number) {
  const bars = (frames.value.pixels[barName.value] ?? []) as Places
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
/** On paper only what the lifter needs is shown, on the film all of it. */
const view = computed(() => {
  const { width, height, pixels } = frames.value
  if (props.url) return { x: 0, y: 0, width, height }
  const all = ['ankle', 'knee', 'hip', 'shoulder', 'bar_middle'].flatMap((name) =>
    ((pixels[name] ?? []) as Places).filter((p): p is [number, number] => p !== null),
  )
  const room = 0.06 * width
  const top = Math.min(...all.map((p) => p[1])) - room
  const tall = Math.max(...all.map((p) => p[1])) + room - top
  const left = Math.min(...all.map((p) => p[0]))
  const middle = (left + Math.max(...all.map((p) => p[0]))) / 2
  const wide = tall * 1.6
  return { x: middle - wide / 2, y: top, width: wide, height: tall }
})
const foot = computed(() => frames.value.foot)
</script>

<template>
  <div class="picture" :class="{ bare: !url }" :style="{ aspectRatio: `${view.width} / ${view.height}` }">
    <img v-if="url && still" :src="url" alt="" />
    <video v-else-if="url" ref="video" :src="url" muted playsinline preload="auto" />
    <svg
      :viewBox="`${view.x} ${view.y} ${view.width} ${view.height}`"
      role="img"
      aria-label="What was measured"
    >
      <line :x1="foot[0]" :x2="foot[0]" :y1="view.y" :y2="foot[1]" class="plumb" />
      <line :x1="view.x" :x2="view.x + view.width" :y1="foot[1]" :y2="foot[1]" class="floor" />
      <polyline :points="whole" class="whole" />
      <polyline :points="sofar" class="way" />
      <g v-if="ghost">
        <polyline :points="fit" class="fit" />
        <circle v-if="fitBar" :cx="fitBar[0]" :cy="fitBar[1]" :r="view.width / 200" class="fit" />
      </g>
      <polyline :points="limbs" class="limbs" />
      <circle v-for="(p, i) in dots" :key="i" :cx="p[0]" :cy="p[1]" :r="view.width / 200" class="joint" />
      <circle v-if="bar" :cx="bar[0]" :cy="bar[1]" :r="view.width / 160" class="bar" />
    </svg>
  </div>
</template>

<style scoped src="./figure.css"></style>
<style scoped>
.bar {
  fill: #ff6a3d;
  stroke: #fffdf8;
  stroke-width: 1.5;
}
</style>
