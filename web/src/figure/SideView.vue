<script setup lang="ts">
// The bottom of the lift from the side: plumb line through mid-foot, moment arms dimensioned,
// ghosts behind. Bar and heel can be dragged or nudged with the keys.
import { computed } from 'vue'
import { useUnits } from '@/shared/units'
import Lifter from './Lifter.vue'
import type { Pose } from './pose'
import { spot, type BodySizes } from './shapes'
import { useHandle } from './useHandle'

const props = defineProps<{
  pose: Pose
  sizes: BodySizes
  toeOutDeg: number
  heelLiftM: number
  barName: string
  ghosts?: { pose: Pose; toeOutDeg: number; name: string }[]
  barPath?: { x: number; z: number }[]
  infeasible?: boolean
  fixed?: boolean
}>()
const emit = defineEmits<{ bar: [step: number]; heel: [stepCm: number]; begin: [] }>()
const { lengthOf, lengthUnit, cm } = useUnits()

const BOX = { x: -78, y: -132, w: 156, h: 152 }
const BAR_STEP_CM = 6

const at = computed(() => ({
  hip: spot(props.pose.points.hip),
  knee: spot(props.pose.points.knee),
  bar: spot(props.pose.points.bar),
  shoulder: spot(props.pose.points.shoulder),
  ankle: spot(props.pose.points.ankle),
}))
const dims = computed(() => {
  const { hip, knee, bar } = at.value
  return [
    { id: 'hip', from: hip.x, to: bar.x, top: hip.y, text: `hip ${lengthOf(props.pose.arms.hip)}`, anchor: 'end' },
    { id: 'knee', from: bar.x, to: knee.x, top: knee.y, text: `knee ${lengthOf(props.pose.arms.knee)}`, anchor: 'start' },
  ]
})
const path = computed(() => (props.barPath ?? []).map((p) => `${p.x * 100},${-p.z * 100}`).join(' '))
const words = computed(
  () =>
    `${props.barName} squat from the side. Trunk leans ${props.pose.angles.trunk_lean?.toFixed(0)} degrees, ` +
    `shin ${props.pose.angles.shank?.toFixed(0)} degrees. Moment arm of the hip ${cm(props.pose.arms.hip)}, ` +
    `of the knee ${cm(props.pose.arms.knee)}.`,
)
const bar = useHandle({
  stepUnits: BAR_STEP_CM,
  axis: 'y',
  begin: () => emit('begin'),
  move: (steps) => emit('bar', -steps),
})
const heel = useHandle({ stepUnits: 1, axis: 'y', begin: () => emit('begin'), move: (steps) => emit('heel', -steps) })
</script>

<template>
  <svg class="side" :viewBox="`${BOX.x} ${BOX.y} ${BOX.w} ${BOX.h}`" role="group" :aria-label="words">
    <line v-for="i in 5" :key="i" :x1="BOX.x" :x2="BOX.x + BOX.w" :y1="-i * 25" :y2="-i * 25" class="grid" />
    <line :x1="BOX.x" :x2="BOX.x + BOX.w" y1="0" y2="0" class="floor" />
    <path v-if="heelLiftM > 0" :d="`M${-sizes.foot * 50} 0 v${-heelLiftM * 100} L${sizes.foot * 22} 0 Z`" class="wedge" />

    <Lifter v-for="ghost in ghosts" :key="ghost.name" :pose="ghost.pose" :sizes="sizes" :toe-out-deg="ghost.toeOutDeg" ghost />
    <Lifter :pose="pose" :sizes="sizes" :toe-out-deg="toeOutDeg" />
    <polyline v-if="path" :points="path" class="path" />
    <line x1="0" :y1="BOX.y + 2" x2="0" y2="9" class="plumb" />
    <path d="M-1.8 8 h3.6 L0 13 Z" class="bob" />

    <g v-for="d in dims" :key="d.id" class="arm">
      <line :x1="d.id === 'hip' ? d.from : d.to" :x2="d.id === 'hip' ? d.from : d.to" :y1="d.top" y2="5.5" class="drop" />
      <circle :cx="d.id === 'hip' ? d.from : d.to" :cy="d.top" r="1.1" class="joint" />
      <line :x1="d.from" :x2="d.to" y1="4" y2="4" class="measure" />
      <line v-for="x in [d.from, d.to]" :key="x" :x1="x" :x2="x" y1="2.4" y2="5.6" class="measure" />
      <text :x="d.id === 'hip' ? (d.from + d.to) / 2 : d.to + 1.5" :y="d.id === 'hip' ? 9 : 5" :text-anchor="d.id === 'hip' ? 'middle' : 'start'">{{ d.text }}</text>
    </g>
    <text :x="at.hip.x - 6" :y="(at.hip.y + at.shoulder.y) / 2 - 9" text-anchor="end" class="angle">lean {{ pose.angles.trunk_lean?.toFixed(0) }}°</text>
    <text :x="at.knee.x + 7" :y="at.knee.y * 0.62" class="angle">shin {{ pose.angles.shank?.toFixed(0) }}°</text>
    <text :x="BOX.x + BOX.w - 2" y="-2" text-anchor="end" class="unit">{{ lengthUnit }}, to scale</text>
    <text v-if="infeasible" x="0" :y="BOX.y + 8" text-anchor="middle" class="not">not feasible</text>

    <template v-if="!fixed">
      <g
        class="handle" role="slider" tabindex="0" aria-label="Bar on the back" :aria-valuetext="barName"
        aria-orientation="vertical" aria-valuemin="0" aria-valuemax="3" :aria-valuenow="0" v-on="bar"
      >
        <circle :cx="at.bar.x" :cy="at.bar.y" r="6.5" class="grip" />
      </g>
      <g
        class="handle" role="slider" tabindex="0" aria-label="Heel" :aria-valuetext="`raised ${cm(heelLiftM)}`"
        aria-orientation="vertical" aria-valuemin="0" aria-valuemax="3" :aria-valuenow="heelLiftM * 100" v-on="heel"
      >
        <circle :cx="-sizes.foot * 46" :cy="-heelLiftM * 100 - 2.5" r="4.5" class="grip" />
      </g>
    </template>
  </svg>
</template>

<style scoped>
.side { width: 100%; height: 100%; display: block; touch-action: none; user-select: none; }
.grid { stroke: var(--hair); stroke-width: 0.3; }
.floor { stroke: var(--ink); stroke-width: 0.6; }
.wedge { fill: var(--ink); opacity: 0.8; }
.plumb { stroke: var(--ink); stroke-width: 0.45; stroke-dasharray: 3 1.2 0.8 1.2; }
.bob { fill: var(--ink); }
.path { fill: none; stroke: var(--ink); stroke-width: 0.5; opacity: 0.55; }
.arm .drop { stroke: var(--signal); stroke-width: 0.28; }
.arm .measure { stroke: var(--signal); stroke-width: 0.55; }
.arm .joint { fill: var(--sheet); stroke: var(--signal); stroke-width: 0.6; }
.arm text { fill: var(--signal); font-weight: 700; font-size: 3.3px; }
.angle { font-size: 3.2px; font-weight: 650; fill: var(--ink); }
.unit { font-size: 2.6px; fill: var(--soft); }
.not { font-size: 4px; font-weight: 700; fill: var(--signal); }
.handle { cursor: grab; outline: none; }
.handle .grip { fill: transparent; stroke: var(--ink); stroke-width: 0.35; stroke-dasharray: 1 1; opacity: 0.45; }
.handle:hover .grip, .handle:focus-visible .grip { opacity: 1; stroke: var(--signal); stroke-width: 0.8; stroke-dasharray: none; }
</style>
