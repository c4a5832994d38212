<script setup lang="ts">
// From afar: a set or a film for the coach, and what was sent so far.
import { say } from '@/words'
import { computed, ref, watch } from 'vue'
import OneOf from '@/shared/OneOf.vue'
import { answered, client, uuid7, type Schemas } from '@/shared/api'
import { now, today } from '@/shared/clock'
import type { Lift } from '@/shared/lifts'
import { useUnits } from '@/shared/units'
import { useProblem } from '@/shared/useProblem'
import { dayOf, LIFT_CHOICE } from '@/shared/words'

const props = defineProps<{ token: string; sent: Schemas['SentAnswer'][]; consent: string }>()
const emit = defineEmits<{ sent: [] }>()
const { kg, massUnit, readMass } = useUnits()
const { message, busy, run } = useProblem()

const what = ref<'set' | 'film'>('set')
const lift = ref<Lift>('squat')
const load = ref('')
const reps = ref(5)
const missed = ref(0)
const rpe = ref('')
const note = ref('')
const doneOn = ref(today())
/** Now where it was today, else the middle of that day. */
const performedAt = () => (doneOn.value === today() ? now().toISOString() : `${doneOn.value}T12:00:00Z`)
const view = ref<'side' | 'front' | 'rear'>('side')
const film = ref<File | null>(null)
const agreed = ref(false)
const told = ref('')
const loadKg = computed(() => readMass(load.value))
const ready = computed(
  () =>
    doneOn.value &&
    loadKg.value > 0 &&
    loadKg.value <= 600 &&
    (what.value === 'set' || (film.value && agreed.value)),
)
const TOLD = { set: say('card.sent_it_counts_once_your_coach'), film: say('card.sent_your_coach_sees_it') }
const STATE: Record<Schemas['SentAnswer']['state'], string> = {
  waits: say('card.waits_for_your_coach'),
  counts: 'counts',
  declined: say('card.left_out_by_your_coach'),
  'taken back': say('card.taken_back'),
  'looked at': say('card.looked_at'),
  deleted: 'deleted',
  expired: say('card.deleted_its_time_was_over'),
  kept: 'kept',
}
const mayTakeBack = (one: Schemas['SentAnswer']) =>
  one.state === 'waits' || (one.kind === 'film' && one.state === 'looked at')
/** One id for one thing, however often it is pressed. */
const itemId = ref(uuid7())

watch(what, () => (told.value = ''))
async function send() {
  told.value = ''
  const done = await run(() => (what.value === 'set' ? sendSet() : sendFilm()))
  if (!done) return
  told.value = done.counts ? say('card.sent_it_stands_in_your_log') : TOLD[what.value]
  itemId.value = uuid7()
  note.value = ''
  film.value = null
  agreed.value = false
  emit('sent')
}
const sendSet = () =>
  answered(
    client.POST('/api/shared/{token}/sets', {
      params: { path: { token: props.token } },
      body: {
        item_id: itemId.value,
        lift: lift.value,
        load_kg: loadKg.value,
        reps: reps.value,
        missed_reps: missed.value,
        rpe: rpe.value === '' ? null : Number(rpe.value),
        note: note.value,
        performed_at: performedAt(),
      },
    }),
  )
const sendFilm = () =>
  answered(
    client.PUT('/api/shared/{token}/films/{item_id}', {
      params: {
        path: { token: props.token, item_id: itemId.value },
        query: {
          lift: lift.value,
          load_kg: loadKg.value,
          view: view.value,
          note: note.value,
          performed_at: performedAt(),
          agreed: agreed.value,
        },
      },
      body: film.value as unknown as string,
      bodySerializer: (body) => body,
      headers: { 'Content-Type': 'application/octet-stream' },
    }),
  )
async function takeBack(item: string) {
  const back = await run(() =>
    answered(
      client.DELETE('/api/shared/{token}/sent/{item_id}', {
        params: { path: { token: props.token, item_id: item } },
      }),
    ),
  )
  if (back) emit('sent')
}
const choose = (event: Event) => (film.value = (event.target as HTMLInputElement).files?.[0] ?? null)
const titleOf = (one: Schemas['SentAnswer']) =>
  one.kind === 'set'
    ? `${one.lift} ${one.reps}${one.missed_reps ? say('card.missed_reps_missed', { missed_reps: one.missed_reps }) : ''} × ${kg(one.load_kg, 2)}${one.rpe ? ` @ ${one.rpe}` : ''}`
    : say('card.film_lift_load_kg', { lift: one.lift, load_kg: kg(one.load_kg, 2) })
</script>

<template>
  <section class="send sheet">
    <h2>{{ say('card.trained_without_your_coach') }}</h2>
    <form novalidate @submit.prevent="send">
      <OneOf
        v-model="what"
        :label="say('card.what_to_send')"
        :options="[
          ['set', say('card.a_set')],
          ['film', say('card.a_film')],
        ]"
      />
      <OneOf v-model="lift" :label="say('card.lift')" :options="LIFT_CHOICE" />
      <div class="row">
        <v-text-field
          v-model="load"
          :label="say('card.load_mass_unit', { massUnit })"
          inputmode="decimal"
          density="compact"
          hide-details
        />
        <template v-if="what === 'set'">
          <v-text-field
            v-model.number="reps"
            :label="say('card.reps')"
            type="number"
            min="0"
            max="30"
            density="compact"
            hide-details
          />
          <v-text-field
            v-model.number="missed"
            :label="say('card.missed')"
            type="number"
            min="0"
            max="30"
            density="compact"
            hide-details
          />
          <v-text-field v-model="rpe" label="RPE" inputmode="decimal" density="compact" hide-details />
        </template>
      </div>
      <template v-if="what === 'film'">
        <OneOf
          v-model="view"
          :label="say('card.filmed_from')"
          :options="[
            ['side', say('card.the_side')],
            ['front', say('card.the_front')],
            ['rear', say('card.behind')],
          ]"
        />
        <label class="file small"
          >{{ say('card.film_up_to_a_minute_and') }} <input type="file" accept="video/*" @change="choose"
        /></label>
      </template>
      <label class="labelled small soft"
        >{{ say('card.done_on') }} <input v-model="doneOn" type="date" :max="today()" required
      /></label>
      <v-text-field
        v-model="note"
        :label="say('card.a_note')"
        maxlength="300"
        density="compact"
        hide-details
      />
      <label v-if="what === 'film'" class="small agree"
        ><input v-model="agreed" type="checkbox" /> {{ consent }}</label
      >
      <v-btn type="submit" :disabled="!ready || busy">{{ say('card.send_it') }}</v-btn>
      <p v-if="message" class="signal" role="alert">{{ message }}</p>
      <p v-else-if="told" class="holds" role="status">{{ told }}</p>
    </form>
    <ul v-if="sent.length" class="items">
      <li v-for="one in sent.slice(0, 8)" :key="one.item_id">
        <span
          ><b>{{ titleOf(one) }}</b
          ><br /><span class="small soft">{{ dayOf(one.performed_at) }}, {{ STATE[one.state] }}</span></span
        >
        <button
          v-if="mayTakeBack(one)"
          type="button"
          class="linkish small"
          :disabled="busy"
          @click="takeBack(one.item_id)"
        >
          {{ one.kind === 'set' ? say('card.take_back') : say('card.delete') }}
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.send {
  padding: 16px 22px;
  margin: 10px 14px;
}
form {
  display: grid;
  gap: 10px;
  justify-items: start;
  margin-top: 8px;
}
.row {
  display: flex;
  gap: 8px;
  width: 100%;
}
.row > * {
  flex: 1 1 70px;
  min-width: 0;
}
form > .v-input {
  width: 100%;
}
.agree {
  display: flex;
  gap: 8px;
  align-items: flex-start;
}
.agree input {
  margin-top: 2px;
  min-width: 18px;
  min-height: 18px;
}
.file input {
  display: block;
  margin-top: 4px;
  max-width: 100%;
}
.items {
  list-style: none;
  padding: 0;
  margin: 14px 0 0;
}
.items li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  border-top: 1px solid var(--hair);
  padding: 7px 0;
}
</style>
