<script setup lang="ts">
// Play, stop, one picture on or back, and the time of the picture that is really shown.
import { say } from '@/words'
import { useEventListener } from '@vueuse/core'
import { computed, ref } from 'vue'
import PictureKeys from './PictureKeys.vue'

const props = defineProps<{ film: HTMLVideoElement | null }>()
const emit = defineEmits<{ shown: [time: number]; seek: [time: number] }>()
const USUAL_S = 1 / 30
const now = ref(0)
const playing = ref(false)
const length = ref(0)
const film = computed(() => props.film)

/** The media time of the picture on the screen; where the browser cannot say, the place it plays at. */
function watchPictures(video: HTMLVideoElement) {
  const told = (time: number) => {
    now.value = time
    emit('shown', time)
  }
  if ('requestVideoFrameCallback' in video) {
    const next = () =>
      video.requestVideoFrameCallback((_, picture) => {
        told(picture.mediaTime)
        next()
      })
    next()
  } else useEventListener(film, 'timeupdate', () => told((video as HTMLVideoElement).currentTime))
}
useEventListener(film, 'loadeddata', () => {
  const video = film.value
  if (!video) return
  length.value = Number.isFinite(video.duration) ? video.duration : 0
  watchPictures(video)
})
useEventListener(film, 'durationchange', () => {
  if (film.value && Number.isFinite(film.value.duration)) length.value = film.value.duration
})
useEventListener(film, ['play', 'pause'], () => (playing.value = film.value ? !film.value.paused : false))

function toggle() {
  const video = film.value
  if (!video) return
  if (video.paused) void video.play()
  else video.pause()
}
function step(by: number) {
  film.value?.pause()
  emit('seek', now.value + by * USUAL_S + USUAL_S / 4)
}
</script>

<template>
  <PictureKeys :playing="playing" @step="step" @toggle="toggle">
    <input
      type="range"
      :aria-label="say('watch.place_in_the_film')"
      min="0"
      :max="length || 1"
      step="0.01"
      :value="now"
      @input="emit('seek', Number(($event.target as HTMLInputElement).value))"
    />
    <output class="num small">{{ now.toFixed(2) }} s</output>
  </PictureKeys>
</template>

<style scoped>
input {
  flex: 1;
  min-width: 80px;
  accent-color: var(--ink);
}
output {
  min-width: 56px;
  text-align: right;
}
</style>
