<script setup lang="ts">
// What was logged, day by day; a set can be amended or taken back, the old fact stays on record.
import { say } from '@/words'
import { computed, ref } from 'vue'
import PutBack from '@/shared/PutBack.vue'
import { answered, client, uuid7, type Schemas } from '@/shared/api'
import { useOutbox } from '@/shared/outbox'
import { useSession } from '@/shared/session'
import { useUnits } from '@/shared/units'
import { useProblem } from '@/shared/useProblem'
import { dayOf } from '@/shared/words'
import { amending, bodyOf } from './draft'
import type { ShownSet } from './usePlatform'

const props = defineProps<{ lifterId: string; sets: ShownSet[]; faultName: (id: string) => string }>()
const emit = defineEmits<{ amend: [set: ShownSet] }>()
const { kg } = useUnits()
const { mayWrite } = useSession()
const { enqueue } = useOutbox()
const { message, run } = useProblem()

const days = computed(() => {
  const grouped = new Map<string, ShownSet[]>()
  for (const s of props.sets) {
    const day = `${dayOf(s.performed_at)} · ${s.variation === 'competition' ? s.lift : s.variation}`
    grouped.set(day, [...(grouped.get(day) ?? []), s])
  }
  return [...grouped]
})
function faultsOf(s: Schemas['SetAnswer']): string {
  const counts = new Map<string, number>()
  for (const f of s.faults) counts.set(f.fault_id, (counts.get(f.fault_id) ?? 0) + 1)
  return [...counts].map(([id, n]) => `${props.faultName(id)}${n > 1 ? ` ×${n}` : ''}`).join(', ')
}
const gone = ref<ShownSet | null>(null)
async function takeBack(set: ShownSet) {
  gone.value = set
  await enqueue({ kind: 'withdrawal', key: uuid7(), set_id: set.set_id, new_id: uuid7() })
}
/** A set taken back by mistake is logged anew, as it was. */
async function putBack(set: ShownSet) {
  gone.value = null
  const again = { ...amending(set), replaces: null }
  await enqueue({ kind: 'set', key: again.key, lifter_id: props.lifterId, set: bodyOf(again) })
}
const versions = ref<Schemas['SetAnswer'][] | null>(null)
async function history(set_id: string) {
  versions.value =
    (await run(() =>
      answered(client.GET('/api/sets/{set_id}/versions', { params: { path: { set_id } } })),
    )) ?? null
}
const asText = (s: Schemas['SetAnswer']) =>
  `${s.reps}${s.missed_reps ? say('log.missed_reps_missed', { missed_reps: s.missed_reps }) : ''} × ${kg(s.load_kg, 2)}`
</script>

<template>
  <section>
    <h2>{{ say('log.logged') }}</h2>
    <p v-if="!sets.length" class="soft mt-2">{{ say('log.nothing_yet_the_first_clean_set') }}</p>
    <p v-if="message" class="signal" role="alert">{{ message }}</p>
    <PutBack v-if="gone" :told="say('log.taken_back', { gone: asText(gone) })" @back="putBack(gone)" />
    <div v-for="[day, logged] in days" :key="day" class="day">
      <p class="small soft">{{ day }}</p>
      <ul>
        <li v-for="s in logged" :key="s.set_id">
          <span
            ><b>{{ asText(s) }}</b
            ><template v-if="s.rpe"> @ {{ s.rpe }}</template></span
          >
          <span class="small"
            ><span class="signal">{{ faultsOf(s) }}</span>
            <span v-if="s.trial_arm" class="soft">{{
              say('log.trial_trial_arm', { trial_arm: s.trial_arm.toUpperCase() })
            }}</span>
            <span v-if="s.waiting" class="soft">{{ say('log.waiting_2') }}</span></span
          >
          <span v-if="mayWrite" class="acts small soft">
            <button
              class="linkish"
              :aria-label="say('log.amend_s', { s: asText(s) })"
              @click="emit('amend', s)"
            >
              {{ say('log.amend') }}
            </button>
            <button
              v-if="s.replaces"
              class="linkish"
              :aria-label="say('log.history_of', { s: asText(s) })"
              @click="history(s.set_id)"
            >
              {{ say('log.history') }}
            </button>
            <button class="linkish" :aria-label="say('log.take_back', { s: asText(s) })" @click="takeBack(s)">
              {{ say('log.take_back_2') }}
            </button>
          </span>
        </li>
      </ul>
    </div>
    <v-dialog
      :model-value="versions !== null"
      aria-labelledby="versions-title"
      @update:model-value="versions = null"
    >
      <v-card v-if="versions" class="pa-6">
        <h1 id="versions-title">{{ say('log.this_set_as_it_was_said') }}</h1>
        <ol class="mt-3">
          <li v-for="(v, i) in versions" :key="v.set_id" class="version">
            <b>{{ asText(v) }}</b><template v-if="v.rpe"> @ {{ v.rpe }}</template>
            <span class="signal">{{ faultsOf(v) }}</span>
            <span class="soft">{{
              v.withdrawn
                ? ' ' + say('log.taken_back_2')
                : i === 0
                  ? ' ' + say('log.stands_now')
                  : ' ' + say('log.replaced')
            }}</span>
          </li>
        </ol>
        <div class="mt-4">
          <v-btn @click="versions = null">{{ say('log.close') }}</v-btn>
        </div>
      </v-card>
    </v-dialog>
  </section>
</template>

<style scoped>
.day {
  margin-top: 10px;
  border-top: 1px solid var(--line);
  padding-top: 4px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
.day li {
  display: grid;
  grid-template-columns: 132px minmax(0, 1fr) auto;
  gap: 10px;
  padding: 2px 0;
  align-items: baseline;
}
.acts {
  display: flex;
  gap: 10px;
}
.acts button {
  min-height: 26px;
}
.version {
  padding: 4px 0;
}
@media (max-width: 560px) {
  .day li {
    grid-template-columns: 1fr auto;
  }
  .day li > span:nth-child(2) {
    grid-row: 2;
    grid-column: 1 / -1;
  }
}
</style>
