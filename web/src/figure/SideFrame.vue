<script setup lang="ts">
// A lift from the side: floor, plumb line through mid-foot, ghosts behind, moment arms dimensioned,
// the bar's way. What a lift adds stands in the slots.
import { say } from '@/words'
import { computed } from 'vue'
import { useUnits } from '@/shared/units'
import Lifter from './Lifter.vue'
import type { Pose } from './pose'
import type { BodySizes } from './shapes'

export interface Dimension {
  id: string
  /** The joint, in centimetres on paper. */
  x: number
  top: number
  /** Height of the dimension line. */
  y: number
  text: string
}
export interface Mark {
  x: number
  y: number
  text: string
  end?: boolean
}
const props = defineProps<{
  box: { x: number; y: number; w: number; h: number }
  pose: Pose
  sizes: BodySizes
  toeOutDeg: number
  ghosts: { pose: Pose; name: string }[]
  barPath: { x: number; z: number }[]
  dimensions: Dimension[]
  marks: Mark[]
  words: string
  verdict: string
  hanging?: boolean
}>()
const { lengthUnit } = useUnits()
const barX = computed(() => props.pose.points.bar.x * 100)
const way = computed(() => props.barPath.map((p) => `${p.x * 100},${-p.z * 100}`).join(' '))
const right = computed(() => props.box.x + props.box.w)
const plumbEnd = computed(() => Math.max(...props.dimensions.map(({ y }) => y)) + 4)
const label = ({ x }: Dimension) =>
  x < barX.value
    ? { x: (x + barX.value) / 2, anchor: 'middle', down: 4.6 }
    : { x: x + 1.5, anchor: 'start', down: 1.1 }
</script>

<template>
  <svg class="side" :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`" role="group" :aria-label="words">
    <line v-for="i in 5" :key="i" :x1="box.x" :x2="right" :y1="-i * 25" :y2="-i * 25" class="grid" />
    <line :x1="box.x" :x2="right" y1="0" y2="0" class="floor" />
    <slot name="under" />
    <Lifter
      v-for="ghost in ghosts"
      :key="ghost.name"
      :pose="ghost.pose"
      :sizes="sizes"
      :toe-out-deg="toeOutDeg"
      ghost
      :hanging="hanging"
    />
    <Lifter :pose="pose" :sizes="sizes" :toe-out-deg="toeOutDeg" :hanging="hanging" />
    <polyline v-if="way" :points="way" class="way" />
    <line x1="0" :y1="box.y + 2" x2="0" :y2="plumbEnd" class="plumb" />
    <path :d="`M-1.8 ${plumbEnd - 0.5} h3.6 L0 ${plumbEnd + 4} Z`" class="bob" />
    <g v-for="d in dimensions" :key="d.id" class="arm">
      <line :x1="d.x" :x2="d.x" :y1="d.top" :y2="d.y + 1.5" class="drop" />
      <circle :cx="d.x" :cy="d.top" r="1.1" class="joint" />
      <line :x1="d.x" :x2="barX" :y1="d.y" :y2="d.y" class="measure" />
      <line
        v-for="x in [d.x, barX]"
        :key="x"
        :x1="x"
        :x2="x"
        :y1="d.y - 1.4"
        :y2="d.y + 1.4"
        class="measure"
      />
      <text :x="label(d).x" :y="d.y + label(d).down" :text-anchor="label(d).anchor">{{ d.text }}</text>
    </g>
    <text
      v-for="m in marks"
      :key="m.text"
      :x="m.x"
      :y="m.y"
      :text-anchor="m.end ? 'end' : 'start'"
      class="angle"
    >
      {{ m.text }}
    </text>
    <text :x="right - 2" y="-2" text-anchor="end" class="unit">
      {{ say('figure.to_scale', { lengthUnit }) }}
    </text>
    <text v-if="verdict" x="0" :y="box.y + 8" text-anchor="middle" class="not">{{ verdict }}</text>
    <slot name="handles" />
  </svg>
</template>

<style scoped>
.side {
  width: 100%;
  height: 100%;
  display: block;
  touch-action: none;
  user-select: none;
}
.grid {
  stroke: var(--hair);
  stroke-width: 0.3;
}
.floor {
  stroke: var(--ink);
  stroke-width: 0.6;
}
.plumb {
  stroke: var(--ink);
  stroke-width: 0.45;
  stroke-dasharray: 3 1.2 0.8 1.2;
}
.bob {
  fill: var(--ink);
}
.way {
  fill: none;
  stroke: var(--ink);
  stroke-width: 0.5;
  opacity: 0.55;
}
.arm .drop {
  stroke: var(--signal);
  stroke-width: 0.28;
}
.arm .measure {
  stroke: var(--signal);
  stroke-width: 0.55;
}
.arm .joint {
  fill: var(--sheet);
  stroke: var(--signal);
  stroke-width: 0.6;
}
.arm text {
  fill: var(--signal);
  font-weight: 700;
  font-size: 3.3px;
}
.angle {
  font-size: 3.2px;
  font-weight: 650;
  fill: var(--ink);
}
.unit {
  font-size: 2.6px;
  fill: var(--soft);
}
.not {
  font-size: 4px;
  font-weight: 700;
  fill: var(--signal);
}
</style>
