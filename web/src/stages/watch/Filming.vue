<script setup lang="ts">
// A film in: from this device, or by the simulated phone; then five taps, then it is tracked.
import { say } from '@/words'
import { computed, ref, watch } from 'vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import OneOf from '@/shared/OneOf.vue'
import { answered, client, once, uuid7, type Schemas } from '@/shared/api'
import { useForget } from '@/shared/useLifter'
import { useJob } from '@/shared/useJob'
import { useProblem } from '@/shared/useProblem'
import { useSession } from '@/shared/session'
import { useUnits } from '@/shared/units'
import { today } from '@/shared/clock'
import { LIFT_CHOICE } from '@/shared/words'
import { useLifts, type Lift } from '@/shared/lifts'
import { settledQuery } from '@/shared/queries'
import { styleOf } from '@/stages/setup/liftPage'
import ChooseFile from './ChooseFile.vue'
import ReadyMade from './ReadyMade.vue'
import SentFilms from './SentFilms.vue'
import Simulated from './Simulated.vue'
import Tapping from './Tapping.vue'
import TrackedFile from './TrackedFile.vue'
import { hold, isPicture, letGo } from './films'
import { headOnTapsOf, tapsOf, type Tapped, type TappedPicture, type View } from './taps'

const props = defineProps<{ lifterId: string; known: Schemas['ClipsAnswer'] }>()
const emit = defineEmits<{ kept: [clipId: string] }>()
const queries = useQueryClient()
const forget = useForget()
const { mayWrite } = useSession()
const { massOf, massUnit, readMass } = useUnits()

const lift = ref<Lift>('squat')
const load = ref(massOf(props.known.clips[0]?.load_kg ?? 100))
const plates = ref(2)
const filmedOn = ref(today())
const view = ref<View>('side')
const source = ref<'device' | 'simulated' | 'tracked'>('device')
const sources = computed<['device' | 'simulated' | 'tracked', string][]>(() => [
  ['device', say('watch.a_film_on_this_device')],
  ['simulated', say('watch.the_simulated_phone')],
  ...(view.value === 'side' ? ([['tracked', say('watch.a_tracked_file')]] as ['tracked', string][]) : []),
])
watch(view, (now) => {
  if (now !== 'side' && source.value === 'tracked') source.value = 'device'
})
const settled = useQuery(computed(() => settledQuery(lift.value, props.lifterId)))
const lifts = useLifts()
const styles = computed(() => lifts[lift.value].names.value)
/** Empty: as settled. */
const style = ref('')
const asSettled = computed(() => {
  const own = settled.data.value?.setup
  return own
    ? say('watch.as_settled', { styles: styles.value[styleOf(own)] ?? '' })
    : say('watch.the_usual_one')
})
watch(lift, () => (style.value = ''))
const loadKg = computed(() => readMass(load.value))
watch(
  loadKg,
  (now) => {
    if (now > 0) plates.value = Math.max(1, Math.round((now - 20) / 50))
  },
  { immediate: true },
)

const VIEWS: [View, string][] = [
  ['side', say('watch.the_side')],
  ['front', say('watch.the_front')],
  ['rear', say('watch.behind')],
]
interface Film {
  filmId: string
  clipId: string
  blob: Blob
  url: string
  sent: boolean
  start?: Tapped
  /** The lifter sent it and said for how long it is kept. */
  fromLifter?: boolean
  /** This browser cannot play it: it lies on the server and is shown picture by picture. */
  pictureAt?: (seconds: number) => Promise<{ url: string; at: number } | null>
}
const film = ref<Film | null>(null)
const KEPT_DAYS = 30
const keeps = ref(false)
const { message, busy, run } = useProblem()

function take(blob: Blob, filmId: string, sent: boolean, start?: Tapped) {
  const clipId = uuid7()
  film.value = { filmId, clipId, blob, url: hold(clipId, blob), sent, start }
}
/** A film that the lifter sent lies on the server already, with what was said of it. */
function takeSent(blob: Blob, about: Schemas['SentAnswer']) {
  lift.value = about.lift
  view.value = about.view ?? 'side'
  load.value = massOf(about.load_kg)
  filmedOn.value = about.performed_at.slice(0, 10)
  take(blob, about.item_id, true)
  if (film.value) film.value.fromLifter = true
}
function takeReadyMade(blob: Blob, filmId: string, about: Schemas['ReadyMadeFilm'], start: Tapped) {
  lift.value = about.lift
  view.value = about.view
  load.value = massOf(about.load_kg)
  take(blob, filmId, true, start)
}
async function drop() {
  const now = film.value
  film.value = null
  if (now?.sent)
    await run(() =>
      answered(
        client.DELETE('/api/lifters/{lifter_id}/films/{film_id}', {
          params: { path: { lifter_id: props.lifterId, film_id: now.filmId } },
        }),
      ),
    )
}

const facts = (clipId: string) => ({
  clip_id: clipId,
  lift: lift.value,
  load_kg: loadKg.value,
  filmed_on: filmedOn.value,
  large_plates: plates.value,
  style: style.value,
  note: '',
})

/** The film goes up as it is; the server deletes it when it was tracked. */
async function send(now: Film) {
  await answered(
    client.PUT('/api/lifters/{lifter_id}/films/{film_id}', {
      params: { path: { lifter_id: props.lifterId, film_id: now.filmId } },
      body: now.blob as unknown as string,
      bodySerializer: (film) => film,
      headers: { 'Content-Type': 'application/octet-stream' },
    }),
  )
}
/** For a film that this browser cannot play: it goes up with a press and is shown picture by picture. */
async function showStills() {
  const now = film.value
  if (!now) return
  const sent = await run(async () => {
    if (!now.sent) await send(now)
    return true
  })
  if (!sent) return
  now.sent = true
  letGo(now.clipId)
  now.pictureAt = async (seconds) =>
    (await run(async () => {
      const path = `/api/lifters/${props.lifterId}/films/${now.filmId}/still?time_s=${seconds.toFixed(3)}`
      const still = await fetch(path)
      if (!still.ok) throw new Error(say('watch.the_film_cannot_be_shown_any'))
      return {
        url: URL.createObjectURL(await still.blob()),
        at: Number(still.headers.get('X-Time-S')),
      }
    })) ?? null
}
const tracking = ref<Schemas['JobAnswer'] | null>(null)
const { job, cancel } = useJob(tracking, () => void finish())
async function track(tapped: Tapped, atSeconds: number) {
  const now = film.value
  if (!now) return
  tracking.value =
    (await run(async () => {
      if (!now.sent) {
        await send(now)
        now.sent = true
      }
      const keep = keeps.value && !now.fromLifter
      const about = {
        ...facts(now.clipId),
        film_id: now.filmId,
        tapped_s: Math.max(0, atSeconds),
        keep_days: keep ? KEPT_DAYS : 0,
        agreed: keep,
      }
      const params = { path: { lifter_id: props.lifterId } }
      if (view.value === 'side')
        return answered(
          client.POST('/api/lifters/{lifter_id}/clips', {
            params,
            body: { ...about, taps: tapsOf(tapped) },
          }),
        )
      return answered(
        client.POST('/api/lifters/{lifter_id}/clips/head-on', {
          params,
          body: { ...about, view: view.value, taps: headOnTapsOf(tapped) },
        }),
      )
    })) ?? null
}
async function finish() {
  const now = film.value
  tracking.value = null
  await forget(props.lifterId)
  if (now) emit('kept', now.clipId)
}
watch(
  () => job.value?.state,
  (state) => {
    // The server deleted the film with the job: it is sent anew with the next try. One that the lifter sent
    // stays there.
    if ((state === 'failed' || state === 'cancelled') && film.value && !film.value.fromLifter)
      film.value.sent = false
  },
)

async function keepPoints(pictures: TappedPicture[], size: [number, number]) {
  const now = film.value
  if (!now) return
  const about = { ...facts(now.clipId), width: size[0], height: size[1] }
  const params = { path: { lifter_id: props.lifterId }, ...once(now.clipId) }
  const kept = await run(() => {
    const from = view.value
    if (from === 'side') {
      const instants = pictures.map(({ time_s, tapped }) => ({ time_s, taps: tapsOf(tapped) }))
      return answered(
        client.POST('/api/lifters/{lifter_id}/clips/points', { params, body: { ...about, instants } }),
      )
    }
    const instants = pictures.map(({ time_s, tapped }) => ({ time_s, taps: headOnTapsOf(tapped) }))
    return answered(
      client.POST('/api/lifters/{lifter_id}/clips/head-on-points', {
        params,
        body: { ...about, view: from, instants },
      }),
    )
  })
  if (!kept) return
  await queries.invalidateQueries({ queryKey: ['clips', props.lifterId] })
  emit('kept', now.clipId)
}
async function keptFile(clipId: string) {
  await forget(props.lifterId)
  emit('kept', clipId)
}
const trouble = computed(() => {
  if (message.value) return message.value
  if (job.value?.state === 'failed') return job.value.told || say('watch.the_film_could_not_be_tracked')
  return job.value?.state === 'cancelled' ? say('watch.stopped_the_film_was_deleted_on') : ''
})
const loadTrouble = computed(() =>
  loadKg.value > 0 && loadKg.value <= 600 ? '' : say('watch.a_load_up_to_600_kg'),
)
</script>

<template>
  <section>
    <p v-if="!mayWrite" class="note">{{ say('watch.your_role_may_look_at_clips') }}</p>
    <template v-else>
      <div class="facts">
        <OneOf v-model="lift" :label="say('watch.lift')" :options="LIFT_CHOICE" />
        <OneOf v-if="!film" v-model="view" :label="say('watch.filmed_from')" :options="VIEWS" />
        <v-text-field
          v-model="load"
          :label="say('watch.load_mass_unit', { massUnit })"
          :error-messages="loadTrouble"
          density="compact"
          hide-details="auto"
          class="short"
        />
        <v-text-field
          v-model.number="plates"
          :label="say('watch.large_plates_a_side')"
          type="number"
          min="1"
          max="10"
          density="compact"
          hide-details
          class="short"
        />
        <label class="labelled small soft"
          >{{ say('watch.done_as') }}
          <select v-model="style" :disabled="film !== null">
            <option value="">{{ asSettled }}</option>
            <option v-for="(name, id) in styles" :key="id" :value="id">{{ name }}</option>
          </select></label
        >
        <label class="labelled small soft"
          >{{ say('watch.filmed_on') }} <input v-model="filmedOn" type="date" :max="today()"
        /></label>
      </div>
      <template v-if="!film">
        <SentFilms :lifter-id="lifterId" @open="takeSent" />
        <OneOf v-model="source" :label="say('watch.where_the_film_comes_from')" :options="sources" />
        <div v-if="source === 'device'" class="choose">
          <ChooseFile
            name="Choose a film or a picture"
            :says="say('watch.mp4_mov_or_webm_up_to')"
            accept="video/*,image/*"
            @chosen="(film) => take(film, uuid7(), false)"
          />
          <h2 class="mt-4">{{ say('watch.how_to_film') }}</h2>
          <ol>
            <li v-for="line in known.filming" :key="line">{{ line }}</li>
          </ol>
        </div>
        <TrackedFile
          v-else-if="source === 'tracked'"
          :lifter-id="lifterId"
          :lift="lift"
          :load-kg="loadKg"
          :filmed-on="filmedOn"
          :style-id="style"
          @kept="keptFile"
        />
        <template v-else>
          <ReadyMade :lifter-id="lifterId" @opened="takeReadyMade" />
          <Simulated
            :lifter-id="lifterId"
            :lift="lift"
            :view="view"
            :load-kg="loadKg"
            :style-id="style"
            :faults="(known.faults[lift] ?? []).filter((f) => f.views?.includes(view))"
            @filmed="take"
          />
        </template>
      </template>
      <Tapping
        v-else
        :key="film.clipId"
        :url="film.url"
        :lift="lift"
        :view="view"
        :start="film.start"
        :still="isPicture(film.blob)"
        :picture-at="film.pictureAt"
        :busy="busy || job?.state === 'running'"
        @track="track"
        @points="keepPoints"
        @drop="drop"
        @stills="showStills"
      />
      <label v-if="film && !film.fromLifter && !isPicture(film.blob)" class="small keep"
        ><input v-model="keeps" type="checkbox" />
        {{ say('watch.keep_the_film_for_days_the', { KEPT_DAYS }) }}</label
      >
      <div v-if="job?.state === 'running'" class="under-way" role="status">
        <v-progress-linear :model-value="job.progress * 100" color="var(--ink)" height="4" />
        <p class="small mt-1">
          {{ say('watch.following_bar_and_joints', { progress: Math.round(job.progress * 100) }) }}
          <button type="button" class="linkish" @click="cancel">{{ say('watch.stop') }}</button>
        </p>
      </div>
      <p v-if="trouble" class="signal mt-3" role="alert">{{ trouble }}</p>
      <p class="small soft mt-4 privacy">
        <b>{{ say('watch.whose_film') }}</b> {{ say('watch.with') }} <i>{{ say('watch.only_my_taps') }}</i>
        {{ say('watch.the_film_never_leaves_this_device') }} <i>{{ say('watch.track_this_film') }}</i>
        {{ say('watch.it_is_sent_once_followed_and') }}
      </p>
    </template>
  </section>
</template>

<style scoped>
.facts {
  display: flex;
  gap: 12px;
  flex-wrap: wrap;
  align-items: center;
  margin-bottom: 16px;
}
.short {
  flex: 0 0 160px;
}
.choose {
  margin-top: 14px;
}
ol {
  padding-left: 18px;
  margin: 6px 0 0;
  max-width: 62ch;
}
li {
  margin: 2px 0;
}
select {
  padding: 6px;
  min-height: 40px;
}
.privacy {
  max-width: 72ch;
}
.keep {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-top: 10px;
}
.under-way {
  margin-top: 12px;
}
</style>
