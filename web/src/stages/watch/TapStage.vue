<script setup lang="ts">
// A film or a picture that is tapped under a magnifier; arrow keys move the cross, Enter sets a point.
import { say } from '@/words'
import { computed, ref, useTemplateRef } from 'vue'
import TapMarks from './TapMarks.vue'
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
    :aria-label="say('watch.arrow_keys_move_the_cross_enter', { label })"
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
    <TapMarks
      v-if="size"
      :film="shownIn"
      :size="size"
      :cross="asking ? cross : null"
      :marks="marks"
      :limbs="limbs"
      :rim="rim"
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
img {
  width: 100%;
  height: auto;
  max-height: 62vh;
  object-fit: contain;
}
</style>
