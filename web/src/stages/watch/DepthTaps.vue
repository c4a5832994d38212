<script setup lang="ts">
// Depth by two taps at the deepest picture of a rep: the crease of the hip, the top of the knee.
import { say } from '@/words'
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import { answered, client, once, uuid7 } from '@/shared/api'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import TapMarks from './TapMarks.vue'
import type { Pixel } from './taps'
import { useCross } from './useCross'

const props = defineProps<{
  lifterId: string
  clipId: string
  rep: number
  film: HTMLVideoElement
  size: [number, number]
}>()
const emit = defineEmits<{ done: [] }>()
const forget = useForget()
const { message, run } = useProblem()
const STEPS = [say('watch.the_crease_of_the_hip'), say('watch.the_top_of_the_knee')] as const
const taps = ref<Pixel[]>([])
const step = computed(() => STEPS[taps.value.length])
const size = computed<[number, number] | null>(() => props.size)
const film = computed(() => props.film)

async function put(at: Pixel) {
  if (!step.value) return
  taps.value = [...taps.value, at]
  const [crease, knee_top] = taps.value
  if (!crease || !knee_top) return
  const id = uuid7()
  const kept = await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/clips/{clip_id}/depth', {
        params: { path: { lifter_id: props.lifterId, clip_id: props.clipId }, ...once(id) },
        body: { word_id: id, rep: props.rep, crease, knee_top },
      }),
    ),
  )
  if (!kept) {
    taps.value = []
    return
  }
  await forget(props.lifterId)
  emit('done')
}
const root = useTemplateRef<HTMLElement>('root')
onMounted(() => {
  root.value?.scrollIntoView({ block: 'center' })
  root.value?.focus({ preventScroll: true })
})
const { cross, press, key, move } = useCross(film, size, (at) => void put(at))
</script>

<template>
  <!-- eslint-disable-next-line vuejs-accessibility/no-noninteractive-tabindex -->
  <div
    ref="root"
    class="depth"
    role="application"
    tabindex="0"
    :aria-label="say('watch.depth_of_rep_tap_arrow_keys', { rep, step: step ?? say('watch.nothing_more') })"
    @keydown="key"
    @pointermove="move"
    @click="press"
  >
    <p class="ask">
      {{ say('watch.rep_deepest_picture_tap', { rep }) }} <b>{{ step }}</b>
      <button type="button" class="linkish" @click.stop="emit('done')">{{ say('watch.leave_it') }}</button>
      <span v-if="message" role="alert">{{ ' ' }}{{ message }}</span>
    </p>
    <TapMarks :film="film" :size="props.size" :cross="cross" :marks="taps" :shown="taps.length" />
  </div>
</template>

<style scoped>
.depth {
  position: absolute;
  inset: 0;
  cursor: crosshair;
  touch-action: none;
  z-index: 2;
}
.ask {
  position: absolute;
  left: 0;
  right: 0;
  bottom: 0;
  background: #15181b;
  color: #fffdf8;
  padding: 6px 12px;
  line-height: 1.4;
  z-index: 3;
}
</style>
