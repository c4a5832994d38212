<script setup lang="ts">
// The simulated phone: this lifter's own set from a chosen place, with chosen faults.
import { say } from '@/words'
import { computed, ref, watch } from 'vue'
import { answered, client, uuid7, type Schemas } from '@/shared/api'
import type { Lift } from '@/shared/lifts'
import { useJob } from '@/shared/useJob'
import { useProblem } from '@/shared/useProblem'
import { headOnTappedOf, tappedOf, type HeadOnTaps, type Tapped, type Taps, type View } from './taps'

const props = defineProps<{
  lifterId: string
  lift: Lift
  view: View
  loadKg: number
  styleId: string
  faults: Schemas['FaultChoice'][]
}>()
const emit = defineEmits<{ filmed: [film: Blob, filmId: string, sent: boolean, start: Tapped] }>()

const chosen = ref<string[]>([])
const reps = ref(2)
const stand = ref({ distance_m: 4.5, height_m: 0.55, off_side_deg: 0, tilt_deg: 0, shake_px: 1 })
watch(
  () => [props.lift, props.view],
  () => (chosen.value = []),
)
const filmId = ref(uuid7())
const path = computed(() => ({ lifter_id: props.lifterId }))
const asked = computed(() => ({
  film_id: filmId.value,
  lift: props.lift,
  view: props.view,
  load_kg: props.loadKg,
  style: props.styleId,
  reps: reps.value,
  faults: chosen.value,
  stand: { ...stand.value, from_left: false },
  seed: 1,
}))
const { message, busy, run } = useProblem()
const started = ref<Schemas['JobAnswer'] | null>(null)
const { job, cancel } = useJob(started, () => void fetchFilm())

async function shoot() {
  filmId.value = uuid7()
  started.value =
    (await run(() =>
      answered(
        client.POST('/api/lifters/{lifter_id}/simulated-films', {
          params: { path: path.value },
          body: asked.value,
        }),
      ),
    )) ?? null
}
async function fetchFilm() {
  await run(async () => {
    const tapped = await tappedByHand()
    const film = await fetch(`/api/lifters/${props.lifterId}/films/${filmId.value}`)
    if (!film.ok) throw new Error(say('watch.the_film_is_not_there_any_more_film'))
    emit('filmed', await film.blob(), filmId.value, true, tapped)
  })
}
async function tappedByHand(): Promise<Tapped> {
  const request = { params: { path: path.value }, body: asked.value }
  if (props.view !== 'side')
    return headOnTappedOf(
      (await answered(
        client.POST('/api/lifters/{lifter_id}/simulated-films/head-on-taps', request),
      )) as HeadOnTaps,
    )
  return tappedOf(
    (await answered(client.POST('/api/lifters/{lifter_id}/simulated-films/taps', request))) as Taps,
  )
}
function toggle(id: string) {
  chosen.value = chosen.value.includes(id) ? chosen.value.filter((c) => c !== id) : [...chosen.value, id]
}
const PLACES = [
  ['distance_m', say('watch.distance'), 'm', 2.5, 8, 0.5],
  ['height_m', say('watch.height_of_the_lens'), 'm', 0.2, 1.8, 0.05],
  ['off_side_deg', say('watch.off_to_a_side'), '°', -30, 30, 1],
  ['tilt_deg', say('watch.tilt'), '°', -4, 4, 0.5],
  ['shake_px', say('watch.shake'), 'px', 0, 6, 0.5],
] as const
</script>

<template>
  <div class="simulated">
    <p class="soft">
      {{
        say('watch.no_phone_at_hand_this_one', {
          the: lift === 'squat' ? say('watch.the_squat') : say('watch.the_pull'),
        })
      }}
    </p>
    <div class="faults" role="group" :aria-label="say('watch.faults_to_be_filmed')">
      <button
        v-for="fault in faults"
        :key="fault.id"
        type="button"
        :class="{ on: chosen.includes(fault.id) }"
        :aria-pressed="chosen.includes(fault.id)"
        @click="toggle(fault.id)"
      >
        {{ fault.words }}
      </button>
    </div>
    <div class="places">
      <label>
        <span
          >{{ say('watch.reps') }} <b>{{ reps }}</b></span
        >
        <input v-model.number="reps" type="range" min="1" max="5" />
      </label>
      <label v-for="[id, name, unit, low, high, step] in PLACES" :key="id">
        <span
          >{{ name }} <b>{{ stand[id] }} {{ unit }}</b></span
        >
        <input v-model.number="stand[id]" type="range" :min="low" :max="high" :step="step" />
      </label>
    </div>
    <v-btn class="mt-3" :disabled="!(loadKg > 0) || busy || job?.state === 'running'" @click="shoot">{{
      say('watch.film_a_set')
    }}</v-btn>
    <p v-if="job?.state === 'running'" class="small mt-2" role="status">
      {{ say('watch.filming_progress', { progress: Math.round(job.progress * 100) }) }}
      <button type="button" class="linkish" @click="cancel">{{ say('watch.stop') }}</button>
    </p>
    <p v-if="message || job?.state === 'failed'" class="signal mt-2" role="alert">
      {{ message || job?.told || say('watch.the_simulated_phone_failed_film_again') }}
    </p>
  </div>
</template>

<style scoped>
.simulated {
  margin-top: 14px;
  max-width: 720px;
}
.faults {
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
  margin: 12px 0;
}
.faults button {
  font: inherit;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 6px 12px;
  min-height: 40px;
  cursor: pointer;
}
.faults .on {
  background: var(--ink);
  color: var(--paper);
}
.places {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
  gap: 8px 18px;
}
.places label span {
  display: flex;
  justify-content: space-between;
}
input[type='range'] {
  width: 100%;
  accent-color: var(--ink);
  min-height: 24px;
}
</style>
