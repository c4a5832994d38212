<script setup lang="ts">
// Bests and isolated tests that were told, not logged: one line each, a newer fact takes its place.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answered, client, once, type Schemas } from '@/shared/api'
import { today } from '@/shared/clock'
import { exercisesQuery } from '@/shared/queries'
import { useSession } from '@/shared/session'
import { useUnits } from '@/shared/units'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import { dayOf } from '@/shared/words'

const props = defineProps<{ lifterId: string; known: Schemas['KnownLiftAnswer'][] }>()
const { kg, massUnit, readMass } = useUnits()
const { mayWrite } = useSession()
const forget = useForget()
const { message, busy, run, of } = useProblem()
const exercises = useQuery(exercisesQuery)
const latest = today()
const telling = ref(false)
const exercise = ref('squat:low')
const load = ref('')
const reps = ref('1')
const rpe = ref('')
const doneOn = ref(latest)
const wrong = ref('')
const how = computed(() => exercises.data.value?.find((e) => e.exercise === exercise.value)?.how ?? '')

async function send(body: Schemas['KnownLiftRequest']) {
  const params = { path: { lifter_id: props.lifterId }, ...once() }
  const done = await run(() =>
    answered(client.POST('/api/lifters/{lifter_id}/known-lifts', { params, body })),
  )
  if (done) await forget(props.lifterId)
  return done
}
async function tell() {
  const load_kg = readMass(load.value)
  wrong.value =
    Number.isFinite(load_kg) && load_kg > 0
      ? ''
      : say('lifter.a_load_such_as_140', { massUnit: massUnit.value })
  if (wrong.value) return
  const rated = rpe.value.trim() ? Number(rpe.value.replace(',', '.')) : null
  const body = {
    exercise: exercise.value,
    load_kg,
    reps: Number(reps.value) || 1,
    rpe: rated,
    done_on: doneOn.value,
  }
  if (!(await send(body))) return
  load.value = ''
  telling.value = false
}
</script>

<template>
  <section>
    <h2>
      {{ say('lifter.known_bests') }} <small>{{ say('lifter.told_not_logged_they_count_from') }}</small>
    </h2>
    <table v-if="known.length" class="plain mt-1">
      <tbody>
        <tr v-for="k in known" :key="k.known_id">
          <td>{{ k.name }}</td>
          <td>
            <b>{{ kg(k.load_kg) }}</b> × {{ k.reps }}<template v-if="k.rpe"> @ {{ k.rpe }}</template>
          </td>
          <td class="soft">{{ dayOf(k.done_on) }}</td>
          <td>
            <button
              v-if="mayWrite"
              class="linkish small"
              :disabled="busy"
              :aria-label="say('lifter.take_back', { name: k.name })"
              @click="send({ exercise: k.exercise, load_kg: null, reps: 1, rpe: null, done_on: latest })"
            >
              {{ say('lifter.take_back_2') }}
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <form v-if="telling" class="tell mt-2" novalidate @submit.prevent="tell">
      <label
        >{{ say('lifter.what') }}
        <select v-model="exercise">
          <option v-for="e in exercises.data.value ?? []" :key="e.exercise" :value="e.exercise">
            {{ e.name }}
          </option>
        </select></label
      >
      <label
        >{{ massUnit }}
        <input v-model="load" inputmode="decimal" :aria-label="say('lifter.load_in', { massUnit })" />
      </label>
      <label
        >{{ say('lifter.reps') }}
        <input v-model="reps" inputmode="numeric" :aria-label="say('lifter.reps_2')"
      /></label>
      <label
        >RPE <input v-model="rpe" inputmode="decimal" :aria-label="say('lifter.rpe_empty_for_all_out')"
      /></label>
      <label
        >{{ say('lifter.on') }}
        <input v-model="doneOn" type="date" :max="latest" :aria-label="say('lifter.day')"
      /></label>
      <p class="small soft how">{{ say('lifter.without_an_rpe_it_was_all', { how }) }}</p>
      <v-btn type="submit" variant="flat" :disabled="busy">{{ say('lifter.keep') }}</v-btn>
      <v-btn @click="telling = false">{{ say('lifter.not_now') }}</v-btn>
    </form>
    <button v-else-if="mayWrite" class="linkish small mt-2" @click="telling = true">
      {{ say('lifter.tell_a_best_or_a_test') }}
    </button>
    <p v-if="wrong" class="signal small" role="alert">{{ wrong }}</p>
    <p v-else-if="message" class="signal small" role="alert">
      {{ of('load_kg')[0] ?? of('done_on')[0] ?? message }}
    </p>
  </section>
</template>

<style scoped>
.tell {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 14px;
  align-items: end;
}
.tell label {
  display: grid;
  gap: 2px;
  font-size: 13px;
  color: var(--soft);
}
.tell input,
.tell select {
  font: inherit;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 5px 7px;
}
.tell input:not([type='date']) {
  width: 76px;
}
.how {
  flex-basis: 100%;
}
</style>
