<script setup lang="ts">
// The film with what was measured drawn over it: plumb line through mid-foot, the bar's way, the
// linkage, and this lifter's computed posture at the same bar height. Without the film the same
// drawing stands on paper.
import { say } from '@/words'
import { computed, useTemplateRef } from 'vue'
import FigureFrame from './FigureFrame.vue'
import { chainOf, line, placeOf, placesOf, seen, type Place } from './figure'
import type { Reading } from './words'

const props = defineProps<{ reading: Reading; url?: string; still?: boolean; at: number; ghost: boolean }>()
const frame = useTemplateRef('frame')
defineExpose({ video: computed(() => frame.value?.video ?? null) })

const LINKAGE = ['ankle', 'knee', 'hip', 'shoulder']
const frames = computed(() => props.reading.frames)
const dots = computed(() => chainOf(frames.value.pixels, LINKAGE, props.at))
const limbs = computed(() => line(dots.value))
const fit = computed(() => line(chainOf(frames.value.expected, LINKAGE, props.at)))
/** On the film the bar is where its plate is seen; on paper it stands in the lifter's own plane. */
const barName = computed(() => (props.url ? 'bar' : 'bar_middle'))
const bar = computed(() => placeOf(frames.value.pixels, barName.value, props.at))
const fitBar = computed(() => placeOf(frames.value.expected, 'bar', props.at))
const rep = computed(() => {
  const now = frames.value.times_s[props.at] ?? 0
  return props.reading.reps.find((r) => now >= r.first_s - 0.4 && now <= r.last_s + 0.4)
})
function way(from: number, to: number) {
  const bars = placesOf(frames.value.pixels, barName.value)
  return line(
    bars.filter((p, i): p is Place => {
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
  const all = [...LINKAGE, 'bar_middle'].flatMap((name) => seen(placesOf(pixels, name)))
  const room = 0.06 * width
  const top = Math.min(...all.map((p) => p[1])) - room
  const tall = Math.max(...all.map((p) => p[1])) + room - top
  const left = Math.min(...all.map((p) => p[0]))
  const middle = (left + Math.max(...all.map((p) => p[0]))) / 2
  const wide = tall * 1.6
  return { x: middle - wide / 2, y: top, width: wide, height: tall }
})
</script>

<template>
  <FigureFrame
    ref="frame"
    :url="url"
    :still="still"
    :view="view"
    :foot="frames.foot as Place"
    :label="say('watch.what_was_measured')"
  >
    <g :class="{ bare: !url }">
      <polyline :points="whole" class="whole" />
      <polyline :points="sofar" class="way" />
      <g v-if="ghost">
        <polyline :points="fit" class="fit" />
        <circle v-if="fitBar" :cx="fitBar[0]" :cy="fitBar[1]" :r="view.width / 200" class="fit" />
      </g>
      <polyline :points="limbs" class="limbs" />
      <circle v-for="(p, i) in dots" :key="i" :cx="p[0]" :cy="p[1]" :r="view.width / 200" class="joint" />
      <circle v-if="bar" :cx="bar[0]" :cy="bar[1]" :r="view.width / 160" class="bar" />
    </g>
  </FigureFrame>
</template>

<style scoped src="./figure.css"></style>
<style scoped>
.bar {
  fill: #ff6a3d;
  stroke: #fffdf8;
  stroke-width: 1.5;
}
</style>
