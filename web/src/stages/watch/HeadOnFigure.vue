<script setup lang="ts">
// The film from the front or from behind with what was measured drawn over it: plumb line between the
// feet, the bar from plate to plate, shins, and where the knees were computed to be.
import { say } from '@/words'
import { computed, useTemplateRef } from 'vue'
import FigureFrame from './FigureFrame.vue'
import { chainOf, line, placesOf, seen, type Place } from './figure'
import type { Reading } from './words'

const props = defineProps<{ reading: Reading; url?: string; still?: boolean; at: number; ghost: boolean }>()
const frame = useTemplateRef('frame')
defineExpose({ video: computed(() => frame.value?.video ?? null) })

const SHINS = ['left', 'right'].map((side) => [`${side} ankle`, `${side} knee`])
const SEEN = ['left plate', 'right plate', 'left knee', 'right knee', 'belt']
const frames = computed(() => props.reading.frames)
const drawn = (names: readonly string[]) => line(chainOf(frames.value.pixels, names, props.at))
const bar = computed(() => drawn(['left plate', 'right plate']))
const shins = computed(() => SHINS.map(drawn))
const fits = computed(() => SHINS.map((shin) => line(chainOf(frames.value.expected, shin, props.at))))
const dots = computed(() => chainOf(frames.value.pixels, SEEN, props.at))
const ways = computed(() =>
  ['left plate', 'right plate', 'belt'].map((name) => line(seen(placesOf(frames.value.pixels, name)))),
)
const view = computed(() => {
  const { width, height, pixels } = frames.value
  if (props.url) return { x: 0, y: 0, width, height }
  const all = Object.keys(pixels).flatMap((name) => seen(placesOf(pixels, name)))
  const room = 0.04 * width
  const [left, right] = [Math.min(...all.map((p) => p[0])) - room, Math.max(...all.map((p) => p[0])) + room]
  const [top, low] = [Math.min(...all.map((p) => p[1])) - room, Math.max(...all.map((p) => p[1])) + room]
  return { x: left, y: top, width: right - left, height: low - top }
})
</script>

<template>
  <FigureFrame
    ref="frame"
    :url="url"
    :still="still"
    :view="view"
    :foot="frames.foot as Place"
    :label="
      say('watch.what_was_measured_from', {
        the: reading.view === 'front' ? say('watch.the_front_2') : say('watch.behind_2'),
      })
    "
  >
    <g :class="{ bare: !url }">
      <polyline v-for="(way, i) in ways" :key="`w${i}`" :points="way" class="whole" />
      <template v-if="ghost">
        <polyline v-for="(fit, i) in fits" :key="`f${i}`" :points="fit" class="fit" />
      </template>
      <polyline v-for="(shin, i) in shins" :key="`s${i}`" :points="shin" class="limbs" />
      <polyline :points="bar" class="bar" />
      <circle v-for="(p, i) in dots" :key="i" :cx="p[0]" :cy="p[1]" :r="view.width / 180" class="joint" />
    </g>
  </FigureFrame>
</template>

<style scoped src="./figure.css"></style>
<style scoped>
.bar {
  fill: none;
  stroke: #ff6a3d;
  stroke-width: 2.5;
}
</style>
