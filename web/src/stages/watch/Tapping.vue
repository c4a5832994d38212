<script setup lang="ts">
// One picture of the film, tapped under a magnifier; arrow keys move the cross, Enter sets it.
import { say, sayMany } from '@/words'
import { computed, onUnmounted, ref, useTemplateRef, watch } from 'vue'
import type { Lift } from '@/shared/lifts'
import FrameKeys from './FrameKeys.vue'
import TapStage from './TapStage.vue'
import {
  CHAINS,
  isComplete,
  stepsOf,
  WHEN,
  type Pixel,
  type Step,
  type Tapped,
  type TappedPicture,
  type View,
} from './taps'

const props = defineProps<{
  url: string
  lift: Lift
  view: View
  start?: Tapped
  busy: boolean
  /** One picture, not a film. */
  still?: boolean
  /** A film that this browser cannot play: fetches the picture at a time, with its own time. */
  pictureAt?: (seconds: number) => Promise<{ url: string; at: number } | null>
}>()
const emit = defineEmits<{
  track: [tapped: Tapped, atSeconds: number]
  points: [instants: TappedPicture[], size: [number, number]]
  drop: []
  /** The film is to be shown as single pictures. */
  stills: []
}>()

const stage = useTemplateRef('stage')
const video = computed(() => stage.value?.video ?? null)
const size = ref<[number, number] | null>(null)
const unreadable = ref(false)
const shown = ref(0)
const asStill = computed(() => props.still || props.pictureAt !== undefined)
const single = ref<string | null>(null)
const source = computed(() => single.value ?? props.url)
watch(
  () => props.pictureAt,
  () => void show(0),
)
const STEPS_S = [-1, -0.1, 0.1, 1]
const LONGEST_S = 60
async function show(seconds: number) {
  const picture = await props.pictureAt?.(Math.min(Math.max(0, seconds), LONGEST_S))
  if (!picture) return
  if (single.value) URL.revokeObjectURL(single.value)
  single.value = picture.url
  shown.value = picture.at
  unreadable.value = false
}
onUnmounted(() => single.value && URL.revokeObjectURL(single.value))
/** When the points were set: the film may be moved on afterwards. Given ones are of its first picture. */
const tappedAt = ref(0)
const tapped = ref<Tapped>({ ...props.start })
const instants = ref<TappedPicture[]>([])
const steps = computed(() => stepsOf(props.lift, props.view))
const skipped = ref<Set<string>>(new Set())
const step = computed<Step | null>(
  () => steps.value.find((s) => !tapped.value[s.id] && !skipped.value.has(s.id)) ?? null,
)
const complete = computed(() => isComplete(props.lift, tapped.value, props.view))

function put(at: Pixel) {
  if (!step.value) return
  tapped.value = { ...tapped.value, [step.value.id]: at }
  tappedAt.value = shown.value
}
function again(id: Step['id']) {
  const kept = { ...tapped.value }
  delete kept[id]
  skipped.value.delete(id)
  tapped.value = kept
}
function seek(time: number) {
  if (video.value) video.value.currentTime = Math.max(0, time)
}
function keepInstant() {
  instants.value = [
    ...instants.value.filter((i) => i.time_s !== tappedAt.value),
    { time_s: tappedAt.value, tapped: tapped.value },
  ]
  tapped.value = {}
  skipped.value = new Set()
}
function sendPoints() {
  if (complete.value) keepInstant()
  if (!size.value) return
  emit('points', instants.value, size.value)
}
const howMany = computed(() => {
  if (!instants.value.length) return ''
  const many = instants.value.length + (complete.value ? 1 : 0)
  return ' ' + sayMany('watch.pictures', many)
})
const limbs = computed(() =>
  CHAINS.map((chain) => chain.map((id) => tapped.value[id]).filter((p): p is Pixel => Boolean(p))),
)
const rim = computed(() => {
  const { plate, rim: edge } = tapped.value
  return plate && edge ? { c: plate, r: Math.hypot(edge[0] - plate[0], edge[1] - plate[1]) } : null
})
</script>

<template>
  <div class="tapping">
    <p class="ask" role="status">
      <template v-if="unreadable"
        >{{
          say('watch.this_browser_cannot_film_again_with', {
            show: still ? say('watch.show_the_picture') : say('watch.play_the_film'),
          })
        }}
        <button v-if="!asStill" type="button" class="linkish" :disabled="busy" @click="emit('stills')">
          {{ say('watch.send_it_to_be_shown_as') }}
        </button></template
      >
      <template v-else-if="step"
        ><b>{{ step.name }}.</b> {{ step.says }}</template
      >
      <template v-else>{{ say('watch.all_points_are_set_look_once') }}</template>
    </p>
    <TapStage
      ref="stage"
      :url="source"
      :still="asStill"
      :label="say('watch.film_name', { name: step ? step.name : say('watch.all_points_are_set') })"
      :asking="step !== null"
      :marks="Object.values(tapped)"
      :limbs="limbs"
      :rim="rim"
      :shown="shown"
      @put="put"
      @sized="size = $event"
      @unreadable="unreadable = true"
    />
    <div v-if="pictureAt" class="acts" role="group" :aria-label="say('watch.which_picture')">
      <v-btn v-for="by in STEPS_S" :key="by" class="quiet" @click="show(shown + by)"
        >{{ by > 0 ? '+' : '−' }}{{ Math.abs(by) }} s</v-btn
      >
      <span class="small soft">{{ say('watch.the_picture_at_s', { shown: shown.toFixed(1) }) }}</span>
    </div>
    <template v-else-if="!still">
      <FrameKeys :film="video" @shown="shown = $event" @seek="seek" />
      <p class="small soft">{{ WHEN[lift] }}</p>
    </template>
    <ul class="points">
      <li v-for="s in steps" :key="s.id">
        <button
          type="button"
          :class="['key', { set: tapped[s.id], now: step?.id === s.id }]"
          :aria-label="
            tapped[s.id]
              ? say('watch.set_set_it_anew', { name: s.name })
              : say('watch.to_be_set', { name: s.name })
          "
          @click="again(s.id)"
        >
          <span aria-hidden="true">{{ tapped[s.id] ? '●' : '○' }}</span> {{ s.name }}
        </button>
      </li>
      <li v-if="step?.optional">
        <button type="button" class="linkish" @click="skipped = new Set([...skipped, step.id])">
          {{ say('watch.it_cannot_be_seen_go_on') }}
        </button>
      </li>
    </ul>
    <div class="acts">
      <v-btn v-if="still" variant="flat" :disabled="!complete || busy" @click="sendPoints">{{
        say('watch.read_this_picture')
      }}</v-btn>
      <v-btn
        v-else
        variant="flat"
        :disabled="!complete || busy || unreadable"
        @click="emit('track', tapped, tappedAt)"
        >{{ say('watch.track_this_film') }}</v-btn
      >
      <template v-if="!asStill">
        <v-btn class="quiet" :disabled="!complete || busy" @click="keepInstant">{{
          say('watch.add_another_picture')
        }}</v-btn>
        <v-btn class="quiet" :disabled="(!complete && !instants.length) || busy" @click="sendPoints">{{
          say('watch.only_my_taps_2', { howMany })
        }}</v-btn>
      </template>
      <button type="button" class="linkish" :disabled="busy" @click="emit('drop')">
        {{ say('watch.another_film') }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.tapping {
  display: grid;
  gap: 8px;
}
.ask {
  min-height: 22px;
}
.points {
  list-style: none;
  padding: 0;
  margin: 0;
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
}
.key {
  color: var(--soft);
  padding: 4px 10px;
}
.set {
  color: var(--ink);
}
.now {
  border-color: var(--signal);
  color: var(--ink);
}
.acts {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
  align-items: center;
}
</style>
