<script setup lang="ts">
// The film from the front or from behind with what was measured drawn over it: plumb line between the
// feet, the bar from plate to plate, shins, and where the knees were computed to be.
import { computed, useTemplateRef } from 'vue'
import type { Reading } from './words'

const props = defineProps<{ reading: Reading; url?: string; still?: boolean; at: number; ghost: boolean }>()
const video = useTemplateRef<HTMLVideoElement>('video')
defineExpose({ video })

type Place = [number, number]
type Places = (Place | null)[]
const SIDES = ['left', 'right'] as const
const frames = computed(() => props.reading.frames)
const place = (from: Record<string, unknown>, name: string, at: number): Place | null =>
  (from[name] as Places | undefined)?.[at] ?? null
const seen = (places: (Place | null)[]): Place[] => places.filter((p): p is Place => p !== null)
const line = (places: Place[]) => places.map((p) => p.join(',')).join(' ')
const joined = (from: Record<string, unknown>, names: string[]) =>
  line(seen(names.map((name) => place(from, name, props.at))))
const bar = computed(() => joined(frames.value.pixels, ['left plate', 'right plate']))
const shins = computed(() =>
  SIDES.map((side) => joined(frames.value.pixels, [`${side} ankle`, `${side} knee`])),
)
const fits = computed(() =>
  SIDES.map((side) => joined(frames.value.expected, [`${side} ankle`, `${side} knee`])),
)
const dots = computed(() =>
  seen(
    ['left plate', 'right plate', 'left knee', 'right knee', 'belt'].map((name) =>
      place(frames.value.pixels, name, props.at),
    ),
  ),
)
const ways = computed(() =>
  ['left plate', 'right plate', 'belt'].map((name) =>
    line(seen((frames.value.pixels[name] ?? []) as Places)),
  ),
)
const view = computed(() => {
  const { width, height, pixels } = frames.value
  if (props.url) return { x: 0, y: 0, width, height }
  const all = Object.values(pixels).flatMap((places) => seen(places as Places))
  const room = 0.04 * width
  const [left, right] = [Math.min(...all.map((p) => p[0])) - room, Math.max(...all.map((p) => p[0])) + room]
  const [top, low] = [Math.min(...all.map((p) => p[1])) - room, Math.max(...all.map((p) => p[1])) + room]
  return { x: left, y: top, width: right - left, height: low - top }
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
      :aria-label="`What was measured from ${reading.view === 'front' ? 'the front' : 'behind'}`"
    >
      <line :x1="foot[0]" :x2="foot[0]" :y1="view.y" :y2="foot[1]" class="plumb" />
      <line :x1="view.x" :x2="view.x + view.width" :y1="foot[1]" :y2="foot[1]" class="floor" />
      <polyline v-for="(way, i) in ways" :key="`w${i}`" :points="way" class="whole" />
      <template v-if="ghost">
        <polyline v-for="(fit, i) in fits" :key="`f${i}`" :points="fit" class="fit" />
      </template>
      <polyline v-for="(shin, i) in shins" :key="`s${i}`" :points="shin" class="limbs" />
      <polyline :points="bar" class="bar" />
      <circle v-for="(p, i) in dots" :key="i" :cx="p[0]" :cy="p[1]" :r="view.width / 180" class="joint" />
    </svg>
  </div>
</template>

<style scoped src="./figure.css"></style>
<style scoped>
.bar {
  fill: none;
  stroke: #ff6a3d;
  stroke-width: 2.5;
}
</style>
