<script setup lang="ts">
// Why this fault: causes by evidence, the test that separates them, what helps.
import { say } from '@/words'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answered, client, once, uuid7, type Schemas } from '@/shared/api'
import { now } from '@/shared/clock'
import { useSession } from '@/shared/session'
import { useProblem } from '@/shared/useProblem'
import { useTryCue } from '@/shared/useTryCue'
import FloorWalk from './FloorWalk.vue'

const props = defineProps<{ lifterId: string; lift: 'squat' | 'deadlift'; faultId: string }>()
const { mayWrite } = useSession()
const queries = useQueryClient()
const path = computed(() => ({
  path: { lifter_id: props.lifterId, lift: props.lift, fault_id: props.faultId },
}))
const diagnosis = useQuery({
  queryKey: ['diagnosis', props.lifterId, () => props.lift, () => props.faultId],
  queryFn: () =>
    answered(client.GET('/api/lifters/{lifter_id}/diagnosis/{lift}/{fault_id}', { params: path.value })),
})
const { message, run } = useProblem()
const { tryCue, problem: cueProblem } = useTryCue()
async function tested(cause_id: string, result: 'for' | 'against' | 'unclear') {
  const test_id = uuid7()
  await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/tests', {
        params: { path: { lifter_id: props.lifterId }, ...once(test_id) },
        body: {
          test_id,
          fault_id: props.faultId,
          cause_id,
          result,
          note: '',
          tested_at: now().toISOString(),
        },
      }),
    ),
  )
  await queries.invalidateQueries({ queryKey: ['diagnosis'] })
}
const trying = ref('')
async function take(cue: string) {
  if (await tryCue(props.lifterId, props.lift, cue)) trying.value = cue
}
const inDrawing = (remedy: Schemas['RemedyToDo']) => ({
  name: props.lift,
  params: { lifterId: props.lifterId },
  query: { repair: remedy.id },
})
const KINDS: Record<string, string> = {
  'set-up': say('review.set_up'),
  ritual: say('review.check'),
  question: say('review.question'),
  cue: say('review.cue'),
  drill: say('review.drill'),
  variation: say('review.variation'),
  load: say('review.load'),
  work: say('review.extra_work'),
}
</script>

<template>
  <section>
    <p v-if="diagnosis.error.value" class="signal">{{ diagnosis.error.value.message }}</p>
    <template v-if="diagnosis.data.value">
      <h2>{{ say('review.why_name', { name: diagnosis.data.value.name.toLowerCase() }) }}</h2>
      <p v-if="diagnosis.data.value.stop" class="note decide">
        <b>{{ diagnosis.data.value.stop }}</b>
      </p>
      <p v-if="diagnosis.data.value.caution" class="note small mt-2">{{ diagnosis.data.value.caution }}</p>
      <p v-for="l in diagnosis.data.value.leads" :key="l" class="note decide small mt-2">{{ l }}.</p>
      <p v-if="message || cueProblem.message.value" class="signal" role="alert">
        {{ message || cueProblem.message.value }}
      </p>
      <FloorWalk v-if="diagnosis.data.value.is_floor_stall" :lifter-id="lifterId" />
      <ol v-else class="causes">
        <li v-for="c in diagnosis.data.value.causes" :key="c.cause_id">
          <p>
            <span :class="['standing', c.standing.replace(' ', '-')]">{{ c.standing }}</span>
            <b>{{ c.text }}</b>
          </p>
          <p v-for="e in c.for_it" :key="e" class="small">+ {{ e }}</p>
          <p v-for="e in c.against_it" :key="e" class="small soft">− {{ e }}</p>
          <p class="small">
            {{ say('review.test', { test: c.test }) }}
            <span v-if="mayWrite" class="answers">
              <button class="linkish" @click="tested(c.cause_id, 'for')">
                {{ say('review.it_was_this') }}
              </button>
              <button class="linkish" @click="tested(c.cause_id, 'against')">
                {{ say('review.it_was_not') }}
              </button>
              <button class="linkish" @click="tested(c.cause_id, 'unclear')">
                {{ say('review.unclear') }}
              </button>
            </span>
          </p>
          <ul class="remedies small">
            <li v-for="r in c.remedies" :key="r.id">
              <span class="soft">{{ KINDS[r.kind] ?? r.kind }}</span> {{ r.text }}
              <RouterLink v-if="r.changes_setup" :to="inDrawing(r)">{{
                say('review.in_the_drawing_beside_todays')
              }}</RouterLink>
              <button v-else-if="r.kind === 'cue' && mayWrite" class="linkish" @click="take(r.id)">
                {{ trying === r.id ? say('review.on_trial_now') : say('review.try_this_cue') }}
              </button>
            </li>
          </ul>
        </li>
      </ol>
      <p class="small soft">{{ say('review.likely_weighs_what_fit_screens_and') }}</p>
    </template>
  </section>
</template>

<style scoped>
.causes {
  list-style: none;
  padding: 0;
  margin: 8px 0;
}
.causes > li {
  border-top: 1px solid var(--line);
  padding: 8px 0;
  display: grid;
  gap: 2px;
}
.standing {
  font-size: 12px;
  border: 1px solid var(--line);
  border-radius: 2px;
  padding: 1px 6px;
  color: var(--soft);
}
.standing.likely {
  border-color: var(--signal);
  color: var(--signal);
}
.standing.confirmed {
  background: var(--ink);
  border-color: var(--ink);
  color: var(--paper);
}
.standing.ruled-out {
  text-decoration: line-through;
}
.answers {
  display: inline-flex;
  gap: 12px;
  margin-left: 8px;
}
.answers button,
.remedies button,
.remedies a {
  min-height: 24px;
}
.remedies {
  list-style: none;
  padding: 0;
  margin: 4px 0 0;
  display: grid;
  gap: 3px;
}
.remedies .soft {
  display: inline-block;
  min-width: 74px;
}
</style>
