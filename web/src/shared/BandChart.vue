<script setup lang="ts">
// A line with its band, and points: for what is estimated and how surely.
import { dateHabit, say } from '@/words'
import { useElementSize } from '@vueuse/core'
import { extent } from 'd3-array'
import { scaleLinear, scaleTime } from 'd3-scale'
import { area, line } from 'd3-shape'
import { computed, ref } from 'vue'
import ChartAxes from './ChartAxes.vue'
import { nearest } from './lifts'

export interface BandPoint {
  x: number
  mid: number
  low: number
  high: number
}
const props = withDefaults(
  defineProps<{
    band: BandPoint[]
    dots?: [number, number][]
    marks?: { x: number; name: string }[]
    xName?: string
    yName: string
    time?: boolean
    yPercent?: boolean
    height?: number
  }>(),
  { dots: () => [], marks: () => [], xName: '', height: 220 },
)
const ROOM = { left: 46, right: 18, top: 22 }
const frame = ref<HTMLElement | null>(null)
const { width } = useElementSize(frame, { width: 560, height: 0 })

const floor = computed(() => props.height - (props.xName ? 30 : 18))
const xs = computed(() => [...props.band.map((p) => p.x), ...props.dots.map(([at]) => at)])
const ys = computed(() => [
  ...props.band.flatMap((p) => [p.low, p.high]),
  ...props.dots.map(([, value]) => value),
])
const spanOf = (values: number[]): [number, number] => {
  const [low, high] = extent(values)
  return [low ?? 0, high ?? 1]
}
const x = computed(() => {
  const range = [ROOM.left, Math.max(width.value, 200) - ROOM.right]
  return props.time ? scaleTime(spanOf(xs.value), range) : scaleLinear(spanOf(xs.value), range)
})
const y = computed(() => {
  const scale = scaleLinear(props.yPercent ? [0, 1] : spanOf(ys.value), [floor.value, ROOM.top])
  return props.yPercent ? scale : scale.nice()
})
const drawn = computed(() => ({
  band:
    area<BandPoint>(
      (p) => x.value(p.x),
      (p) => y.value(p.low),
      (p) => y.value(p.high),
    )(props.band) ?? '',
  line:
    line<BandPoint>(
      (p) => x.value(p.x),
      (p) => y.value(p.mid),
    )(props.band) ?? '',
}))
const yText = (value: number) => (props.yPercent ? `${Math.round(value * 100)} %` : String(Math.round(value)))
const day = (value: number) =>
  new Date(value).toLocaleDateString(dateHabit, { day: 'numeric', month: 'short' })
const xText = (value: number) => (props.time ? day(value) : String(Math.round(value)))

const pointed = ref<number | null>(null)
const read = computed(() => (pointed.value === null ? null : (props.band[pointed.value] ?? null)))
function point(event: PointerEvent) {
  const box = frame.value?.getBoundingClientRect()
  if (box)
    pointed.value = nearest(
      props.band.map((p) => x.value(p.x)),
      event.clientX - box.left,
    )
}
const told = (p: BandPoint) =>
  say('shared.x_mid_low_to_high', {
    x: xText(p.x),
    mid: yText(p.mid),
    low: yText(p.low),
    high: yText(p.high),
  })
const words = computed(() => {
  const [first, last] = [props.band[0], props.band.at(-1)]
  return first && last ? `${props.yName}. ${told(first)}; ${told(last)}` : props.yName
})
</script>

<template>
  <div ref="frame" class="frame">
    <svg
      :width="Math.max(width, 200)"
      :height="height"
      role="img"
      :aria-label="words"
      @pointermove="point"
      @pointerleave="pointed = null"
    >
      <ChartAxes :x="x" :y="y" :x-name="xName" :x-text="xText" :y-text="yText" />
      <path :d="drawn.band" class="band" />
      <path :d="drawn.line" class="line" />
      <circle v-for="([at, value], i) in dots" :key="i" :cx="x(at)" :cy="y(value)" r="3" class="dot" />
      <g v-for="m in marks" :key="m.name" class="mark">
        <line :x1="x(m.x)" :x2="x(m.x)" :y1="ROOM.top" :y2="floor" />
        <text :x="x(m.x)" :y="ROOM.top - 5" text-anchor="middle">{{ m.name }}</text>
      </g>
      <g v-if="read">
        <line :x1="x(read.x)" :x2="x(read.x)" :y1="ROOM.top" :y2="floor" class="hair" />
        <circle :cx="x(read.x)" :cy="y(read.mid)" r="3.5" class="here" />
      </g>
    </svg>
    <p class="small soft read" aria-hidden="true">{{ read ? told(read) : '' }}</p>
  </div>
</template>

<style scoped>
.frame {
  position: relative;
  contain: inline-size;
}
svg {
  display: block;
}
.band {
  fill: var(--body-line);
  opacity: 0.22;
}
.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.dot {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.2;
}
.mark line {
  stroke: var(--signal);
  stroke-dasharray: 4 3;
}
.mark text {
  fill: var(--signal);
  font-size: 11px;
}
.hair {
  stroke: var(--soft);
  stroke-width: 0.8;
}
.here {
  fill: var(--signal);
}
.read {
  position: absolute;
  right: 0;
  top: -2px;
  pointer-events: none;
}
</style>
