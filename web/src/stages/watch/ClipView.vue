<script setup lang="ts">
// One clip: the picture with what was measured, its reps, its findings, the review phase by phase.
import { say } from '@/words'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { onKeyStroke, useEventListener, useRafFn } from '@vueuse/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import Waiting from '@/shared/Waiting.vue'
import { isTyping } from '@/shared/keys'
import { clipQuery } from '@/shared/queries'
import { useSession } from '@/shared/session'
import { useUnits } from '@/shared/units'
import { useSent } from '@/shared/useSent'
import { dayOf } from '@/shared/words'
import Beside from './Beside.vue'
import ClipActs from './ClipActs.vue'
import DepthTaps from './DepthTaps.vue'
import FilmFigure from './FilmFigure.vue'
import FindingRow from './FindingRow.vue'
import HeadOnFigure from './HeadOnFigure.vue'
import HeadOnSheet from './HeadOnSheet.vue'
import OwnWords from './OwnWords.vue'
import PictureKeys from './PictureKeys.vue'
import ReviewSheet from './ReviewSheet.vue'
import TimeLine from './TimeLine.vue'
import { filmOf } from './films'
import { centimetres, headOnWords, nearest, seconds, still, VIEW, WAY, type Reading } from './words'

const props = defineProps<{ lifterId: string; clipId: string }>()
defineEmits<{ gone: [] }>()
const queries = useQueryClient()
const { kg } = useUnits()
const { mayWrite } = useSession()
const { sayWord, message, busy } = useSent(() => props.lifterId, 'film')
const clip = useQuery(clipQuery(props.lifterId, props.clipId))
const reading = computed(() => (clip.data.value as Reading | undefined) ?? null)
const kept = computed(() => reading.value?.film_id ?? null)
const heldHere = computed(() => filmOf(props.clipId))
const url = computed(
  () =>
    heldHere.value?.url ?? (kept.value ? `/api/lifters/${props.lifterId}/films/${kept.value}` : undefined),
)
const figure = useTemplateRef<{ video: HTMLVideoElement | null }>('figure')
const film = computed(() => figure.value?.video ?? null)
const ghost = ref(true)
const frame = ref(0)
const playing = ref(false)
/** The rep whose depth is being tapped; 0 for none. */
const depthOf = ref(0)
function tapDepth(number: number) {
  goTo(reading.value?.reps[number - 1]?.turn_s ?? 0)
  depthOf.value = number
}
const times = computed(() => reading.value?.frames.times_s ?? [])

const frameAt = (time: number) => nearest(times.value, time)
function go(to: number) {
  const next = Math.min(times.value.length - 1, Math.max(0, to))
  frame.value = next
  const gap = (times.value[next + 1] ?? (times.value[next] ?? 0) + 0.03) - (times.value[next] ?? 0)
  if (film.value) film.value.currentTime = (times.value[next] ?? 0) + gap / 2
}
function goTo(time: number) {
  playing.value = false
  film.value?.pause()
  go(frameAt(time))
}
function step(by: number) {
  goTo(times.value[Math.min(times.value.length - 1, Math.max(0, frame.value + by))] ?? 0)
}
let began = 0
const clock = useRafFn(
  ({ timestamp }) => {
    if (film.value) frame.value = frameAt(film.value.currentTime)
    else {
      began ||= timestamp - (times.value[frame.value] ?? 0) * 1000
      frame.value = frameAt((timestamp - began) / 1000)
    }
    if (frame.value >= times.value.length - 1) playing.value = false
  },
  { immediate: false },
)
watch(playing, (on) => {
  began = 0
  if (on && frame.value >= times.value.length - 1) go(0)
  if (on) clock.resume()
  else clock.pause()
  if (film.value) void (on ? film.value.play() : film.value.pause())
})
useEventListener(film, 'ended', () => (playing.value = false))
onKeyStroke([',', '.', ' '], (event) => {
  if (isTyping(event) || (event.key === ' ' && event.target instanceof HTMLButtonElement)) return
  event.preventDefault()
  if (event.key === ' ') playing.value = !playing.value
  else step(event.key === '.' ? 1 : -1)
})
async function forgetFilm() {
  if (await sayWord(kept.value ?? '', 'deleted')) await again()
}
async function again() {
  await queries.invalidateQueries({ queryKey: ['clips', props.lifterId] })
}
const now = computed(() => {
  const at = frame.value
  const f = reading.value?.frames
  if (!f) return ''
  const lean = f.lean_deg[at]
  const speed = f.speed_m_s[at]
  const z = f.bar_z_m[at]
  const parts = [seconds(f.times_s[at] ?? 0)]
  if (typeof z === 'number') parts.push(say('watch.bar_at', { z: centimetres(z) }))
  const { angles_told: angles, speeds_told: speeds } = reading.value?.camera ?? {}
  if (angles && typeof lean === 'number') parts.push(say('watch.trunk_leans_2', { lean: lean.toFixed(0) }))
  if (angles && f.head_on) parts.push(...headOnWords(f.head_on, at))
  if (speeds && typeof speed === 'number') parts.push(`${still(speed)} m/s`)
  return parts.join(' · ')
})
</script>

<template>
  <Waiting v-if="!reading" :what="say('watch.the_clip')" :error="clip.error.value" @again="clip.refetch()" />
  <div v-else class="view">
    <section class="left">
      <div class="over">
        <component
          :is="reading.view === 'side' ? FilmFigure : HeadOnFigure"
          ref="figure"
          :reading="reading"
          :url="url"
          :still="heldHere?.still ?? false"
          :at="frame"
          :ghost="ghost"
        />
        <DepthTaps
          v-if="depthOf && film"
          :key="depthOf"
          :lifter-id="lifterId"
          :clip-id="clipId"
          :rep="depthOf"
          :film="film"
          :size="[reading.frames.width, reading.frames.height]"
          @done="depthOf = 0"
        />
      </div>
      <PictureKeys :playing="playing" @step="step" @toggle="playing = !playing">
        <span class="num small now">{{ now }}</span>
        <label v-if="reading.view !== 'rear'" class="small"
          ><input v-model="ghost" type="checkbox" /> {{ say('watch.own_computed_posture') }}</label
        >
      </PictureKeys>
      <TimeLine v-if="times.length > 1" :reading="reading" :at="frame" @go="goTo(times[$event] ?? 0)" />
      <p v-if="kept && reading.film_until" class="small soft">
        {{ say('watch.the_film_is_kept_until', { film_until: dayOf(reading.film_until) }) }}
        <button v-if="mayWrite" type="button" class="linkish" :disabled="busy" @click="forgetFilm">
          {{ say('watch.delete_the_film_now') }}
        </button>
        <span v-if="message" class="signal" role="alert">{{ message }}</span>
      </p>
      <p v-else-if="!url" class="small soft">
        {{ say('watch.the_film_is_not_kept_what') }} <kbd>,</kbd> <kbd>.</kbd>
        {{ say('watch.one_picture_back_and_on') }} <kbd>{{ say('watch.space') }}</kbd>
        {{ say('watch.plays') }}
      </p>
    </section>
    <aside class="right">
      <p>
        <span class="big">{{ reading.verdict.overall }}</span>
        <span class="soft">
          {{ reading.lift }} {{ kg(reading.load_kg) }}, {{ dayOf(reading.filmed_on) }}, {{ WAY[reading.way]
          }}{{ VIEW[reading.view] }}</span
        >
      </p>
      <div v-if="reading.verdict.cue || reading.verdict.said_cue" class="note decide mt-2">
        {{ say('watch.next') }}
        <OwnWords
          :lifter-id="lifterId"
          :clip-id="clipId"
          :subject="say('watch.the_cue')"
          name="the next cue"
          :said="reading.verdict.said_cue ?? ''"
        >
          “{{ reading.verdict.cue }}”<br /><span class="small soft">{{
            say('watch.for_the_earliest_in_the_rep', { fails: reading.verdict.fails[0]?.toLowerCase() })
          }}</span>
        </OwnWords>
      </div>
      <p class="mt-2">
        <OwnWords
          :lifter-id="lifterId"
          :clip-id="clipId"
          :subject="say('watch.the_set')"
          name="the whole set"
          :said="reading.verdict.said ?? ''"
        >
          <span class="small soft">{{ say('watch.your_words_to_the_set') }}</span>
        </OwnWords>
      </p>
      <h2 class="mt-4">
        {{ say('watch.what_it_shows') }} <small>{{ say('watch.each_with_its_error') }}</small>
      </h2>
      <ul class="findings">
        <FindingRow
          v-for="finding in reading.findings"
          :key="finding.detector"
          :finding="finding"
          :lifter-id="lifterId"
          :clip-id="clipId"
          @go="goTo(reading.reps[$event - 1]?.turn_s ?? 0)"
          @said="again"
        />
      </ul>
      <p v-if="!reading.findings.length" class="soft">{{ say('watch.no_whole_rep_the_moments_you') }}</p>
      <h2 class="mt-4">{{ say('watch.what_it_cannot_show') }}</h2>
      <ul class="untold">
        <li v-for="line in [...reading.camera.words, ...reading.cannot_tell]" :key="line">{{ line }}</li>
      </ul>
      <ClipActs :reading="reading" :lifter-id="lifterId" @said="again" @gone="$emit('gone')" />
    </aside>
    <section class="sheets">
      <component
        :is="reading.view === 'side' ? ReviewSheet : HeadOnSheet"
        :reading="reading"
        :film="film !== null"
        @go="goTo"
        @depth="tapDepth"
      />
      <Beside v-if="reading.view === 'side'" :reading="reading" :lifter-id="lifterId" class="no-print" />
    </section>
  </div>
</template>

<style scoped>
.view {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 318px;
  grid-template-areas: 'left right' 'sheets right';
  grid-template-rows: auto 1fr;
  gap: 8px 24px;
  padding: 14px 26px 40px;
}
.right {
  grid-area: right;
}
.sheets {
  grid-area: sheets;
  min-width: 0;
}
.left {
  grid-area: left;
  display: grid;
  gap: 8px;
  align-content: start;
  min-width: 0;
}
.over {
  position: relative;
}
.now {
  flex: 1;
  min-width: 210px;
}
.findings,
.untold {
  list-style: none;
  padding: 0;
  margin: 4px 0 0;
}
.untold li {
  border-top: 1px solid var(--hair);
  padding: 5px 0;
  color: var(--soft);
  font-size: 12px;
}
@media (max-width: 900px) {
  .view {
    grid-template-columns: minmax(0, 1fr);
    grid-template-areas: 'left' 'right' 'sheets';
    grid-template-rows: auto;
    padding: 12px 14px 40px;
  }
}
.right .big {
  display: inline-block;
}
.right .big::first-letter {
  text-transform: uppercase;
}
</style>
