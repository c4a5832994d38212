<script setup lang="ts">
// The lifter from the side, to scale; as a ghost only outlines are drawn.
import { computed } from 'vue'
import type { Pose } from './pose'
import { elbow, footOutline, limb, spot, type BodySizes } from './shapes'

const props = defineProps<{
  pose: Pose
  sizes: BodySizes
  toeOutDeg: number
  ghost?: boolean
  hanging?: boolean
}>()
const PLATE_CM = 22.5

const at = computed(() => {
  const p = props.pose.points
  return {
    ankle: spot(p.ankle),
    knee: spot(p.knee),
    hip: spot(p.hip),
    shoulder: spot(p.shoulder),
    head: spot(p.head),
    bar: spot(p.bar),
  }
})
const joint = computed(() => {
  if (!props.hanging) return elbow(props.pose, props.sizes)
  const [a, b] = [at.value.shoulder, at.value.bar]
  return { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }
})
const paths = computed(() => {
  const a = at.value
  return {
    foot: footOutline(props.sizes, props.toeOutDeg, props.pose.pitch),
    shank: limb(a.ankle, 3.9, a.knee, 5.6),
    thigh: limb(a.knee, 6.4, a.hip, 9.6),
    trunk: limb(a.hip, 10.2, a.shoulder, 9.2),
    upperArm: limb(a.shoulder, 4.4, joint.value, 3.4),
    forearm: limb(joint.value, 3.2, a.bar, 2.4),
  }
})
</script>

<template>
  <g :class="ghost ? 'ghost' : 'solid'">
    <circle v-if="!ghost" :cx="at.bar.x" :cy="at.bar.y" :r="PLATE_CM" class="plate" />
    <path :d="paths.foot" />
    <path :d="paths.shank" />
    <path :d="paths.trunk" />
    <ellipse
      :cx="at.head.x"
      :cy="at.head.y"
      rx="8.4"
      ry="10.2"
      :transform="`rotate(${(pose.angles.trunk_lean ?? 0) * 0.45} ${at.head.x} ${at.head.y})`"
    />
    <path :d="paths.thigh" />
    <template v-if="!ghost || hanging">
      <path :d="paths.upperArm" />
      <path :d="paths.forearm" />
    </template>
    <circle v-if="ghost" :cx="at.bar.x" :cy="at.bar.y" r="2.6" />
    <circle v-else :cx="at.bar.x" :cy="at.bar.y" r="2.8" class="bar" />
  </g>
</template>

<style scoped>
.solid path,
.solid ellipse {
  fill: var(--body);
  fill-opacity: 0.92;
  stroke: var(--body-line);
  stroke-width: 0.45;
}
.plate {
  fill: color-mix(in srgb, var(--body) 32%, transparent);
  stroke: var(--ink);
  stroke-width: 0.5;
}
.bar {
  fill: var(--ink);
}
.ghost path,
.ghost ellipse,
.ghost circle {
  fill: none;
  stroke: var(--body-line);
  stroke-width: 0.4;
  stroke-dasharray: 1.6 1.2;
}
</style>
