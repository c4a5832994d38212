<script setup lang="ts">
// A trial of two set-ups: begun from the verdict, how it stands, ended with a winner.
import { say } from '@/words'
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
  say('setup.setup_stance_m_toes_toe_out', {
    setup: nameOf(styleOf(setup)),
    stance_m: cm(setup.stance_m, 0),
    toe_out_deg: Math.round(setup.toe_out_deg),
  })
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
      <b>{{ say('setup.trial') }}</b>
      {{
        say('setup.a_against_b_with', {
          words: running.a.words,
          words2: running.b.words,
          sets: running.sets,
          reps: running.reps,
          load_kg: kg(running.load_kg),
        })
      }}
      <template v-if="running.next_session"
        >{{
          say('setup.session_of_is', {
            next_session: running.next_session,
            sessions_each: 2 * running.sessions_each,
          })
        }}
        <b>{{ running.next_arm?.toUpperCase() }}</b>.</template
      >
    </p>
    <p class="small">
      {{
        say('setup.clear_faults_a_of_reps_b', {
          sentence: running.sentence,
          faulty: running.a.faulty,
          reps: running.a.reps,
          faulty2: running.b.faulty,
          reps2: running.b.reps,
        })
      }}
    </p>
    <p v-if="mayWrite" class="small acts">
      <template v-if="!running.next_session">
        <button class="linkish" :disabled="busy" @click="end('a')">{{ say('setup.settle_on_a') }}</button>
        <button class="linkish" :disabled="busy" @click="end('b')">{{ say('setup.settle_on_b') }}</button>
        <button class="linkish" :disabled="busy" @click="end('none')">
          {{ say('setup.leave_it_as_it_is') }}
        </button>
      </template>
      <button
        v-else
        class="linkish"
        :disabled="busy"
        @click="end('stopped', say('setup.stopped_before_its_time'))"
      >
        {{ say('setup.stop_the_trial') }}
      </button>
    </p>
    <p v-if="message" class="signal small" role="alert">{{ message }}</p>
  </div>
  <v-dialog v-model="opening" aria-labelledby="trial-title">
    <v-card v-if="pair" class="pa-6">
      <h1 id="trial-title">{{ say('setup.try_both_in_turn') }}</h1>
      <p class="mt-2"><b>A</b> {{ named(pair[0]) }}</p>
      <p><b>B</b> {{ named(pair[1]) }}</p>
      <p class="soft mt-2">{{ say('setup.the_same_work_in_each_session') }}</p>
      <div class="fields mt-4">
        <v-text-field v-model="sessions" :label="say('setup.sessions_each_way_4_to_8')" />
        <v-text-field v-model="sets" :label="say('setup.sets')" />
        <v-text-field v-model="reps" :label="say('setup.reps')" />
        <v-text-field v-model="load" :label="say('setup.load_mass_unit_2', { massUnit })" />
      </div>
      <p v-if="message" class="signal mt-2" role="alert">{{ of('setup_b')[0] ?? message }}</p>
      <div class="mt-4 acts">
        <v-btn variant="flat" :disabled="busy" @click="begin">{{ say('setup.begin_the_trial') }}</v-btn>
        <v-btn @click="opening = false">{{ say('setup.not_yet') }}</v-btn>
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
