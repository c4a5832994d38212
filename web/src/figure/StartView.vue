<script setup lang="ts">
// The start of a pull from the side: plumb line, moment arms, the shoulder against the bar, ghosts.
// Feet to bar, shoulders and hands can be dragged or nudged with the keys.
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
  barOffsetM: number
  shoulderOffsetM: number
  ghosts: { pose: Pose; name: string }[]
  barPath: { x: number; z: number }[]
  infeasible: boolean
  styleName: string
}>()
const emit = defineEmits<{ feet: [stepCm: number]; shoulders: [stepCm: number]; hips: [step: number]; begin: [] }>()
const { lengthOf, lengthUnit, cm } = useUnits()
const BOX = { x: -88, y: -128, w: 168, h: 150 }

const at = computed(() => ({
  hip: spot(props.pose.points.hip), knee: spot(props.pose.points.knee), bar: spot(props.pose.points.bar), shoulder: spot(props.pose.points.shoulder),
}))
const back = computed(() => 90 - (props.pose.angles.trunk_lean ?? 0))
const dims = computed(() => {
  const { hip, knee, bar } = at.value
  return [
    { id: 'hip', x: hip.x, top: hip.y, y: 5, text: `hip ${lengthOf(props.pose.arms.hip)}`, anchor: 'middle', tx: (hip.x + bar.x) / 2 },
    { id: 'knee', x: knee.x, top: knee.y, y: 12, text: `knee ${lengthOf(props.pose.arms.knee)}`, anchor: knee.x > bar.x ? 'start' : 'end', tx: knee.x > bar.x ? knee.x + 1.5 : Math.min(knee.x, bar.x) - 1.5 },
  ]
})
const path = computed(() => props.barPath.map((p) => `${p.x * 100},${-p.z * 100}`).join(' '))
const words = computed(
  () =>
    `${props.styleName} start from the side. Back ${back.value.toFixed(0)} degrees above level, shin ${props.pose.angles.shank?.toFixed(0)} degrees. ` +
    `Moment arm of the hip ${cm(props.pose.arms.hip)}, of the knee ${cm(props.pose.arms.knee)}. Bar ${cm(props.barOffsetM)} in front of mid-foot.`,
)
const feet = useHandle({ stepUnits: 1, axis: 'x', begin: () => emit('begin'), move: (steps) => emit('feet', -steps) })
const hips = useHandle({ stepUnits: 1.6, axis: 'y', begin: () => emit('begin'), move: (steps) => emit('hips', steps) })
const shoulders = useHandle({ stepUnits: 1, axis: 'x', begin: () => emit('begin'), move: (steps) => emit('shoulders', steps) })
</script>

<template>
  <svg class="side" :viewBox="`${BOX.x} ${BOX.y} ${BOX.w} ${BOX.h}`" role="group" :aria-label="words">
    <line v-for="i in 5" :key="i" :x1="BOX.x" :x2="BOX.x + BOX.w" :y1="-i * 25" :y2="-i * 25" class="grid" />
    <line :x1="BOX.x" :x2="BOX.x + BOX.w" y1="0" y2="0" class="floor" />
    <Lifter v-for="ghost in ghosts" :key="ghost.name" :pose="ghost.pose" :sizes="sizes" :toe-out-deg="toeOutDeg" ghost hanging />
    <Lifter :pose="pose" :sizes="sizes" :toe-out-deg="toeOutDeg" hanging />
    <polyline v-if="path" :points="path" class="path" />
    <line x1="0" :y1="BOX.y + 2" x2="0" y2="15" class="plumb" />
    <path d="M-1.8 14.5 h3.6 L0 19 Z" class="bob" />
    <line :x1="at.bar.x" :x2="at.bar.x" :y1="at.shoulder.y - 8" :y2="at.bar.y" class="barline" />
    <g v-for="d in dims" :key="d.id" class="arm">
      <line :x1="d.x" :x2="d.x" :y1="d.top" :y2="d.y + 1.5" class="drop" />
      <circle :cx="d.x" :cy="d.top" r="1.1" class="joint" />
      <line :x1="d.x" :x2="at.bar.x" :y1="d.y" :y2="d.y" class="measure" />
      <line v-for="x in [d.x, at.bar.x]" :key="x" :x1="x" :x2="x" :y1="d.y - 1.4" :y2="d.y + 1.4" class="measure" />
      <text :x="d.tx" :y="d.id === 'hip' ? d.y + 4.6 : d.y + 1.1" :text-anchor="d.anchor">{{ d.text }}</text>
    </g>
    <text :x="at.hip.x - 4" :y="(at.hip.y + at.shoulder.y) / 2 - 10" text-anchor="end" class="angle">back {{ back.toFixed(0) }}°</text>
    <text :x="at.knee.x + 8" :y="at.knee.y * 0.55" class="angle">shin {{ pose.angles.shank?.toFixed(0) }}°</text>
    <text :x="at.bar.x - 3" :y="at.shoulder.y - 12" text-anchor="end" class="angle">shoulder {{ shoulderOffsetM >= 0 ? '+' : '−' }}{{ lengthOf(Math.abs(shoulderOffsetM)) }}</text>
    <text :x="BOX.x + BOX.w - 2" y="-2" text-anchor="end" class="unit">{{ lengthUnit }}, to scale</text>
    <text v-if="infeasible" x="0" :y="BOX.y + 8" text-anchor="middle" class="not">does not hold</text>
    <g
      class="handle" role="slider" tabindex="0" aria-label="Feet to bar" :aria-valuetext="`bar ${cm(barOffsetM)} in front of mid-foot`"
      aria-valuemin="-2" aria-valuemax="8" :aria-valuenow="Math.round(barOffsetM * 100)" v-on="feet"
    >
      <circle :cx="sizes.foot * 10" cy="-3" r="6" class="grip" />
    </g>
    <g
      class="handle" role="slider" tabindex="0" aria-label="Shoulders over the bar" :aria-valuetext="`shoulder ${cm(shoulderOffsetM)} in front of the bar`"
      aria-valuemin="-6" aria-valuemax="10" :aria-valuenow="Math.round(shoulderOffsetM * 100)" v-on="shoulders"
    >
      <circle :cx="at.shoulder.x" :cy="at.shoulder.y" r="6" class="grip" />
    </g>
    <g
      class="handle" role="slider" tabindex="0" aria-label="Hips, up or down" aria-orientation="vertical" :aria-valuetext="`${cm(pose.points.hip.z - pose.points.knee.z)} above the knees`"
      aria-valuemin="-20" aria-valuemax="40" :aria-valuenow="Math.round((pose.points.hip.z - pose.points.knee.z) * 100)" v-on="hips"
    >
      <circle :cx="at.hip.x" :cy="at.hip.y" r="6.5" class="grip" />
    </g>
  </svg>
</template>

<style scoped>
.side { width: 100%; height: 100%; display: block; touch-action: none; user-select: none; }
.grid { stroke: var(--hair); stroke-width: 0.3; }
.floor { stroke: var(--ink); stroke-width: 0.6; }
.plumb { stroke: var(--ink); stroke-width: 0.45; stroke-dasharray: 3 1.2 0.8 1.2; }
.barline { stroke: var(--signal); stroke-width: 0.25; stroke-dasharray: 1.2 1.2; }
.bob { fill: var(--ink); }
.path { fill: none; stroke: var(--ink); stroke-width: 0.5; opacity: 0.5; }
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
