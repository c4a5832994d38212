<script setup lang="ts">
// A trial of two set-ups: begun from the verdict, how it stands, ended with a winner.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { answered, client, once, uuid7, type Schemas } from '@/shared/api'
import { useLift } from '@/shared/lifts'
import { trialsQuery } from '@/shared/queries'
import { useSession } from '@/shared/session'
import { useUnits } from '@/shared/units'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import { isDeadlift, styleOf, type LiftPage, type Setup } from './liftPage'

const opening = defineModel<boolean>({ required: true })
const props = defineProps<{
  page: LiftPage
  lifterId: string
  pair: [Setup, Setup] | null
  aboutKg: number
}>()
const { kg, cm, massOf, massUnit, readMass } = useUnits()
const { nameOf } = useLift(props.page.id)
const { mayWrite } = useSession()
const forget = useForget()
const { message, busy, run, of } = useProblem()
const trials = useQuery(trialsQuery(props.lifterId))
const running = computed(
  () => (trials.data.value ?? []).find((t) => t.lift === props.page.id && t.outcome === null) ?? null,
)
const sessions = ref('4')
const sets = ref('3')
const reps = ref('3')
const load = ref('')
let id = uuid7()
watch(
  opening,
  (now) => {
    if (!now) return
    id = uuid7()
    load.value = massOf(Math.round(props.aboutKg / 2.5) * 2.5)
  },
  { immediate: true },
)
const named = (setup: Setup) =>
  `${nameOf(styleOf(setup))}, ${cm(setup.stance_m, 0)}, toes ${Math.round(setup.toe_out_deg)}°`
async function begin() {
  if (!props.pair) return
  const [setup_a, setup_b] = props.pair
  const about = {
    trial_id: id,
    sessions_each: Number(sessions.value),
    sets: Number(sets.value),
    reps: Number(reps.value),
    load_kg: readMass(load.value),
  }
  const params = { path: { lifter_id: props.lifterId }, ...once(id) }
  const send = () =>
    isDeadlift(setup_a) && isDeadlift(setup_b)
      ? client.POST('/api/lifters/{lifter_id}/deadlift/trials', {
          params,
          body: { ...about, setup_a, setup_b },
        })
      : client.POST('/api/lifters/{lifter_id}/squat/trials', {
          params,
          body: { ...about, setup_a, setup_b } as Schemas['TrialRequest_SquatSetupIn_'],
        })
  if (!(await run(() => answered(send())))) return
  opening.value = false
  await forget(props.lifterId)
}
async function end(outcome: Schemas['EndTrialRequest']['outcome'], reason = '') {
  const trial = running.value
  if (!trial) return
  const params = { path: { trial_id: trial.trial_id }, ...once() }
  const done = await run(() =>
    answered(client.POST('/api/trials/{trial_id}/end', { params, body: { outcome, reason } })),
  )
  if (done) await forget(props.lifterId)
}
defineExpose({ running })
</script>

<template>
  <div v-if="running" class="trial" role="status">
    <p>
      <b>Trial:</b> A {{ running.a.words }} against B {{ running.b.words }}, {{ running.sets }} ×
      {{ running.reps }} with {{ kg(running.load_kg) }}.
      <template v-if="running.next_session"
        >Session {{ running.next_session }} of {{ 2 * running.sessions_each }} is
        <b>{{ running.next_arm?.toUpperCase() }}</b>.</template
      >
    </p>
    <p class="small">
      {{ running.sentence }}. Clear faults: A {{ running.a.faulty }} of {{ running.a.reps }} reps, B
      {{ running.b.faulty }} of {{ running.b.reps }}.
    </p>
    <p v-if="mayWrite" class="small acts">
      <template v-if="!running.next_session">
        <button class="linkish" :disabled="busy" @click="end('a')">Settle on A</button>
        <button class="linkish" :disabled="busy" @click="end('b')">Settle on B</button>
        <button class="linkish" :disabled="busy" @click="end('none')">Leave it as it is</button>
      </template>
      <button v-else class="linkish" :disabled="busy" @click="end('stopped', 'stopped before its time')">
        Stop the trial
      </button>
    </p>
    <p v-if="message" class="signal small" role="alert">{{ message }}</p>
  </div>
  <v-dialog v-model="opening" aria-labelledby="trial-title">
    <v-card v-if="pair" class="pa-6">
      <h1 id="trial-title">Try both in turn</h1>
      <p class="mt-2"><b>A</b> {{ named(pair[0]) }}</p>
      <p><b>B</b> {{ named(pair[1]) }}</p>
      <p class="soft mt-2">
        The same work in each, session by session: A, B, B, A. Load and reps stay as they are set here, so
        that only the set-up differs. The plan takes it up; nothing is decided before the last session.
      </p>
      <div class="fields mt-4">
        <v-text-field v-model="sessions" label="Sessions each way, 4 to 8" />
        <v-text-field v-model="sets" label="Sets" />
        <v-text-field v-model="reps" label="Reps" />
        <v-text-field v-model="load" :label="`Load, ${massUnit}`" />
      </div>
      <p v-if="message" class="signal mt-2" role="alert">{{ of('setup_b')[0] ?? message }}</p>
      <div class="mt-4 acts">
        <v-btn variant="flat" :disabled="busy" @click="begin">Begin the trial</v-btn>
        <v-btn @click="opening = false">Not yet</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.trial {
  padding: 6px 26px;
  border-bottom: 1px solid var(--line);
  border-left: 3px solid var(--holds);
  background: var(--sheet);
}
.acts {
  display: flex;
  gap: 16px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 12px;
}
</style>
