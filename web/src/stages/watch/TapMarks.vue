<script setup lang="ts">
// Over a picture that is tapped: what was set, the cross, and what lies under it.
import Magnifier from './Magnifier.vue'
import type { Pixel } from './taps'

defineProps<{
  film: HTMLVideoElement | HTMLImageElement | null
  size: [number, number]
  /** Where the cross stands, while a point is asked for. */
  cross: Pixel | null
  marks: Pixel[]
  limbs?: Pixel[][]
  rim?: { c: Pixel; r: number } | null
  /** Changes with the picture, for the magnifier to follow. */
  shown: number
}>()
const drawn = (limb: Pixel[]) => limb.map((at) => at.join(',')).join(' ')
</script>

<template>
  <svg :viewBox="`0 0 ${size[0]} ${size[1]}`" aria-hidden="true">
    <circle v-if="rim" :cx="rim.c[0]" :cy="rim.c[1]" :r="rim.r" class="rim" />
    <polyline v-for="(limb, i) in limbs" :key="i" :points="drawn(limb)" class="limb" />
    <circle v-for="(at, i) in marks" :key="i" :cx="at[0]" :cy="at[1]" :r="size[0] / 220" class="mark" />
    <template v-if="cross">
      <line :x1="cross[0] - 14" :x2="cross[0] + 14" :y1="cross[1]" :y2="cross[1]" />
      <line :x1="cross[0]" :x2="cross[0]" :y1="cross[1] - 14" :y2="cross[1] + 14" />
    </template>
  </svg>
  <Magnifier v-if="film && cross" :film="film" :size="size" :at="cross" :shown="shown" />
</template>

<style scoped>
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
.rim,
.limb {
  fill: none;
  stroke: #ff8a5c;
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
.mark {
  fill: #ff8a5c;
}
line {
  stroke: #fffdf8;
  stroke-width: 1.5;
  vector-effect: non-scaling-stroke;
}
</style>
