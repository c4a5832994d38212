<script setup lang="ts">
// What lies under the cross, four times as large, in the corner away from it.
import { computed, nextTick, useTemplateRef, watch } from 'vue'
import type { Pixel } from './taps'
import { scaleIn } from './useCross'

const props = defineProps<{
  film: HTMLVideoElement | HTMLImageElement
  size: [number, number]
  at: Pixel
  shown: number
}>()
const SIDE = 150
const TIMES = 4
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const right = computed(() => props.at[0] < props.size[0] / 2)
const scale = computed(
  () => scaleIn({ width: props.film.clientWidth, height: props.film.clientHeight }, props.size) || 1,
)

function draw() {
  const pen = canvas.value?.getContext('2d')
  if (!pen) return
  const piece = SIDE / (TIMES * scale.value)
  pen.clearRect(0, 0, SIDE, SIDE)
  const [u, v] = props.at
  pen.drawImage(props.film, u - piece / 2, v - piece / 2, piece, piece, 0, 0, SIDE, SIDE)
  pen.strokeStyle = '#ff8a5c'
  pen.beginPath()
  pen.moveTo(SIDE / 2, SIDE / 2 - 16)
  pen.lineTo(SIDE / 2, SIDE / 2 + 16)
  pen.moveTo(SIDE / 2 - 16, SIDE / 2)
  pen.lineTo(SIDE / 2 + 16, SIDE / 2)
  pen.stroke()
}
watch(
  () => [props.at, props.shown],
  () => void nextTick(draw),
  { immediate: true },
)
</script>

<template>
  <canvas ref="canvas" :width="SIDE" :height="SIDE" :class="{ right }" aria-hidden="true" />
</template>

<style scoped>
canvas {
  position: absolute;
  top: 8px;
  left: 8px;
  border: 2px solid #fffdf8;
  border-radius: 50%;
  pointer-events: none;
  background: #15181b;
}
.right {
  left: auto;
  right: 8px;
}
</style>
