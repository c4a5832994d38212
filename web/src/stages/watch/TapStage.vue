<script setup lang="ts">
// A film or a picture that is tapped under a magnifier; arrow keys move the cross, Enter sets a point.
import { computed, ref, useTemplateRef } from 'vue'
import Magnifier from './Magnifier.vue'
import type { Pixel } from './taps'
import { useCross } from './useCross'

defineProps<{
  url: string
  label: string
  /** A point is asked for: the cross and the magnifier show. */
  asking: boolean
  marks: Pixel[]
  limbs?: Pixel[][]
  rim?: { c: Pixel; r: number } | null
  /** One picture, not a film. */
  still?: boolean
  /** The film's second, for the magnifier to follow. */
  shown?: number
}>()
const emit = defineEmits<{ put: [at: Pixel]; sized: [size: [number, number]]; unreadable: [] }>()

const video = useTemplateRef<HTMLVideoElement>('video')
const picture = useTemplateRef<HTMLImageElement>('picture')
const shownIn = computed(() => video.value ?? picture.value)
const size = ref<[number, number] | null>(null)
const { cross, press, key, move } = useCross(shownIn, size, (at) => emit('put', at))
const drawn = (limb: Pixel[]) => limb.map((at) => at.join(',')).join(' ')

function loaded() {
  if (video.value) size.value = [video.value.videoWidth, video.value.videoHeight]
  if (picture.value) size.value = [picture.value.naturalWidth, picture.value.naturalHeight]
  if (size.value) emit('sized', size.value)
}
defineExpose({ video })
</script>

<template>
  <!-- eslint-disable-next-line vuejs-accessibility/no-noninteractive-tabindex -->
  <div
    class="stage-film"
    role="application"
    tabindex="0"
    :aria-label="`${label} Arrow keys move the cross, Enter sets the point.`"
    @keydown="key"
    @pointermove="move"
    @click="press"
  >
    <img v-if="still" ref="picture" :src="url" alt="" @load="loaded" @error="emit('unreadable')" />
    <video
      v-else
      ref="video"
      :src="url"
      muted
      playsinline
      preload="auto"
      @loadeddata="loaded"
      @error="emit('unreadable')"
    />
    <svg v-if="size" :viewBox="`0 0 ${size[0]} ${size[1]}`" aria-hidden="true">
      <circle v-if="rim" :cx="rim.c[0]" :cy="rim.c[1]" :r="rim.r" class="rim" />
      <polyline v-for="(limb, i) in limbs" :key="i" :points="drawn(limb)" class="limb" />
      <circle v-for="(at, i) in marks" :key="i" :cx="at[0]" :cy="at[1]" :r="size[0] / 220" class="mark" />
      <template v-if="cross && asking">
        <line :x1="cross[0] - 14" :x2="cross[0] + 14" :y1="cross[1]" :y2="cross[1]" class="cross" />
        <line :x1="cross[0]" :x2="cross[0]" :y1="cross[1] - 14" :y2="cross[1] + 14" class="cross" />
      </template>
    </svg>
    <Magnifier
      v-if="shownIn && size && cross && asking"
      :film="shownIn"
      :size="size"
      :at="cross"
      :shown="shown ?? 0"
    />
  </div>
</template>

<style scoped>
.stage-film {
  position: relative;
  background: #15181b;
  cursor: crosshair;
  line-height: 0;
  touch-action: none;
}
video,
img,
svg {
  width: 100%;
  height: auto;
  max-height: 62vh;
  object-fit: contain;
}
svg {
  position: absolute;
  inset: 0;
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
.cross {
  stroke: #fffdf8;
  stroke-width: 1.5;
  vector-effect: non-scaling-stroke;
}
</style>
