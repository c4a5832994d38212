<script setup lang="ts">
// From the film into the rest: into the log, to the lifter, on paper, or taken back.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import OneOf from '@/shared/OneOf.vue'
import { answered, client, once, uuid7 } from '@/shared/api'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import { useSession } from '@/shared/session'
import { useUnits } from '@/shared/units'
import type { Reading } from './words'

const props = defineProps<{ reading: Reading; lifterId: string }>()
const emit = defineEmits<{ said: []; gone: [] }>()
const forget = useForget()
const { kg } = useUnits()
const { mayWrite } = useSession()
const { message, busy, run } = useProblem()
const path = computed(() => ({ lifter_id: props.lifterId, clip_id: props.reading.clip_id }))
const confirmed = computed(() => props.reading.findings.filter((f) => f.word === 'confirmed'))

const sets = useQuery({
  queryKey: ['sets-of-day', props.lifterId, props.reading.lift],
  queryFn: () =>
    answered(
      client.GET('/api/lifters/{lifter_id}/sets', {
        params: { path: { lifter_id: props.lifterId }, query: { lift: props.reading.lift, most: 60 } },
      }),
    ),
})
const ofDay = computed(() =>
  (sets.data.value ?? []).filter(
    (s) =>
      s.performed_at.startsWith(props.reading.filmed_on) &&
      Math.abs(s.load_kg - props.reading.load_kg) <= 0.5,
  ),
)
const into = ref('new')
const rpe = ref<number | null>(null)
const RPES = [6, 6.5, 7, 7.5, 8, 8.5, 9, 9.5, 10].map((r) => [r, String(r)] as const)
const what = computed(() => {
  const set = props.reading.logged ? say('watch.amend_the_set') : say('watch.log_the_set')
  return confirmed.value.length
    ? say('watch.with_what_you_see', { set, confirmed: confirmed.value.length })
    : say('watch.without_a_fault', { set })
})

async function log() {
  const id = uuid7()
  const kept = await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/clips/{clip_id}/log', {
        params: { path: path.value, ...once(id) },
        body: { set_id: id, replaces: into.value === 'new' ? null : into.value, rpe: rpe.value },
      }),
    ),
  )
  if (!kept) return
  await forget(props.lifterId)
  emit('said')
}
async function sayWord(word: 'shown' | 'hidden' | 'withdrawn') {
  const id = uuid7()
  const said = await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/clips/{clip_id}/words', {
        params: { path: path.value, ...once(id) },
        body: { word_id: id, subject: 'clip', word, words: '' },
      }),
    ),
  )
  if (!said) return
  await forget(props.lifterId)
  if (word === 'withdrawn') emit('gone')
  else emit('said')
}
const print = () => window.print()
</script>

<template>
  <div v-if="mayWrite" class="acts no-print">
    <h2>{{ say('watch.into_the_rest') }}</h2>
    <template v-if="reading.reps.length">
      <label v-if="ofDay.length" class="labelled small soft mt-1"
        >{{ say('watch.set') }}
        <select v-model="into">
          <option value="new">
            {{ reading.logged ? say('watch.the_set_from_this_film') : say('watch.a_new_set_from_this_film') }}
          </option>
          <option v-for="s in ofDay" :key="s.set_id" :value="s.set_id">
            {{ s.reps }} × {{ kg(s.load_kg) }}{{ s.rpe ? ` @ ${s.rpe}` : '' }}
          </option>
        </select></label
      >
      <div class="mt-1">
        <span class="small soft">{{ say('watch.rpe_where_he_said_one') }}</span>
        <OneOf v-model="rpe" label="RPE" :options="RPES" clearable loose />
      </div>
      <v-btn :disabled="busy" block class="mt-2" @click="log">{{ what }}</v-btn>
      <p v-if="reading.logged" class="small holds mt-1">{{ say('watch.it_is_in_the_log_once') }}</p>
    </template>
    <p class="links">
      <button
        type="button"
        class="linkish"
        :disabled="busy"
        @click="sayWord(reading.shown ? 'hidden' : 'shown')"
      >
        {{ reading.shown ? say('watch.hide_it_from_the_lifter') : say('watch.show_it_on_the_lifters_link') }}
      </button>
      <button type="button" class="linkish" @click="print">{{ say('watch.print_the_review') }}</button>
      <a class="linkish" :href="`/api/lifters/${lifterId}/clips/${reading.clip_id}/review.pdf`" download>{{
        say('watch.the_review_as_pdf')
      }}</a>
      <a
        v-if="reading.view === 'side'"
        class="linkish"
        :href="`/api/lifters/${lifterId}/clips/${reading.clip_id}/track.csv`"
        download
        >{{ say('watch.points_csv') }}</a
      >
      <button type="button" class="linkish" :disabled="busy" @click="sayWord('withdrawn')">
        {{ say('watch.take_the_clip_back') }}
      </button>
    </p>
    <p v-if="message" class="signal small" role="alert">{{ message }}</p>
  </div>
</template>

<style scoped>
.acts {
  margin-top: 18px;
}
.links {
  display: grid;
  gap: 8px;
  justify-items: start;
  margin-top: 12px;
}
select {
  padding: 6px;
  max-width: 200px;
}
</style>
