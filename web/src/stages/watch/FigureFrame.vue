<script setup lang="ts">
// A film, a picture, or paper where there is neither, with a plumb line, the floor and what is drawn on it.
import { useTemplateRef } from 'vue'

defineProps<{
  url?: string
  still?: boolean
  view: { x: number; y: number; width: number; height: number }
  foot: readonly [number, number]
  label: string
}>()
const video = useTemplateRef<HTMLVideoElement>('video')
defineExpose({ video })
</script>

<template>
  <div class="picture" :class="{ bare: !url }" :style="{ aspectRatio: `${view.width} / ${view.height}` }">
    <img v-if="url && still" :src="url" alt="" />
    <video v-else-if="url" ref="video" :src="url" muted playsinline preload="auto" />
    <svg :viewBox="`${view.x} ${view.y} ${view.width} ${view.height}`" role="img" :aria-label="label">
      <line :x1="foot[0]" :x2="foot[0]" :y1="view.y" :y2="foot[1]" class="plumb" />
      <line :x1="view.x" :x2="view.x + view.width" :y1="foot[1]" :y2="foot[1]" class="floor" />
      <slot />
    </svg>
  </div>
</template>

<style scoped src="./figure.css"></style>
