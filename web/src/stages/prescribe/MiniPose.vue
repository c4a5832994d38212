<script setup lang="ts">
// A small picture of a variation at its hardest phase, to the lifter's own proportions.
import { computed } from 'vue'
import type { Schemas } from '@/shared/api'
import Lifter from '@/figure/Lifter.vue'
import { poseAt } from '@/figure/pose'

const props = defineProps<{
  drawn: Schemas['DrawnColumns']
  segments: Record<string, number>
  hanging?: boolean
}>()
const pose = computed(() => poseAt(props.drawn, 0))
const sizes = computed(() => ({
  foot: props.segments.foot_m ?? 0.266,
  ankleHeight: props.segments.ankle_height_m ?? 0.068,
  upperArm: props.segments.upper_arm_m ?? 0.32,
  forearm: props.segments.forearm_m ?? 0.25,
}))
</script>

<template>
  <svg viewBox="-62 -132 124 136" width="56" height="58" aria-hidden="true">
    <line x1="0" y1="-126" x2="0" y2="2" class="plumb" />
    <line x1="-60" x2="60" y1="0" y2="0" class="floor" />
    <Lifter :pose="pose" :sizes="sizes" :toe-out-deg="15" :hanging="hanging" />
  </svg>
</template>

<style scoped>
svg {
  --body: #b9b5a9;
  --body-line: #5f6469;
  display: block;
}
.plumb {
  stroke: var(--body-line);
  stroke-width: 1;
  stroke-dasharray: 5 4;
}
.floor {
  stroke: var(--ink);
  stroke-width: 1;
}
</style>
