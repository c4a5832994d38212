<script setup lang="ts">
// Who needs me: every lifter with what is open, most pressing first.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import StageHead from '@/shared/StageHead.vue'
import Waiting from '@/shared/Waiting.vue'
import type { Schemas } from '@/shared/api'
import { useSession } from '@/shared/session'
import { dayWords } from '@/stages/prescribe/words'
import { useUnits } from '@/shared/units'
import { dayOf } from '@/shared/words'
import AwayLifters from './AwayLifters.vue'
import ClubPlan from './ClubPlan.vue'
import FirstSteps from './FirstSteps.vue'
import { floorQuery } from '@/shared/queries'

const { session, mayWrite } = useSession()
const { kg, cm } = useUnits()
const floor = useQuery(floorQuery)
const planning = ref(false)
const unplanned = computed(() => (floor.data.value ?? []).filter((r) => !r.planned).length)
type Row = Schemas['FloorRow']

const PRESSING = new Set(['pain', 'lift_ending', 'film', 'sent', 'rising', 'stale'])
const STAGE_OF: Record<string, string> = {
  pain: 'lifter',
  lift_ending: 'review',
  film: 'watch',
  sent: 'log',
  rising: 'review',
  cap: 'review',
  overdue: 'log',
  missed: 'prescribe',
}
/** What a coach decides, and by what; the rest is only noted. */
const DECISIONS: Record<string, string> = {
  pain: 'Clear or keep',
  lift_ending: 'Why',
  film: 'Look at it',
  sent: 'Take it up',
  rising: 'Why',
  stale: 'Settle anew',
  missed: 'See the plan',
  open: 'Settle it',
}
const isDecided = (need: Schemas['Need']) => need.kind in DECISIONS
const notes = (row: Row) => row.needs.filter((n) => !isDecided(n))
const doorTo = (row: Row, need: Schemas['Need']) => ({
  name: stageOf(need),
  params: { lifterId: row.lifter_id },
  query: stageOf(need) === 'review' ? { lift: need.lift } : doorOf(need),
})
/** A claim is a door to what does it. */
const doorOf = (need: Schemas['Need']) => (need.kind === 'trial' ? { trial: '1' } : {})
const stageOf = (need: Schemas['Need']) => STAGE_OF[need.kind] ?? need.lift
const pressing = computed(() =>
  (floor.data.value ?? []).filter((r) => r.needs.some((n) => PRESSING.has(n.kind))),
)
const calm = computed(() =>
  (floor.data.value ?? []).filter((r) => !r.needs.some((n) => PRESSING.has(n.kind))),
)
const answer = computed(() => {
  if (!floor.data.value) return 'Who needs you'
  if (!floor.data.value.length) return 'No lifters yet'
  const n = pressing.value.length
  return n ? `${n} of ${floor.data.value.length} lifters need you` : 'Nobody needs you right now'
})
const groups = computed(() => [
  { title: 'Need you', rows: pressing.value },
  { title: 'On their way', rows: calm.value },
])
const nextText = (row: Row) =>
  row.planned
    ? `${dayWords(row.planned.on)}: ${row.planned.title.toLowerCase()}`
    : row.next?.load_kg
      ? `${row.next.lift === 'squat' ? 'Squat' : 'Deadlift'} ${row.next.sets} × ${row.next.reps} @ ${row.next.rpe} · ${kg(row.next.load_kg)}`
      : 'nothing prescribed'
</script>

<template>
  <main>
    <StageHead :over="session?.club ?? ''" :answer="answer">
      <v-btn v-if="mayWrite && unplanned" class="quiet" @click="planning = !planning">Plan for all</v-btn>
      <v-btn :to="{ name: 'platform' }">Log a group</v-btn>
      <v-btn v-if="mayWrite" variant="flat" :to="{ name: 'new-lifter' }">Add a lifter</v-btn>
    </StageHead>
    <ClubPlan v-if="planning" :without="unplanned" @close="planning = false" />
    <FirstSteps
      v-if="mayWrite && floor.data.value"
      :club="session?.club ?? ''"
      :lifters="floor.data.value.length"
    />
    <Waiting v-if="!floor.data.value" :error="floor.error.value" what="The floor" @again="floor.refetch()" />
    <div v-else-if="!floor.data.value.length" class="empty">
      <p class="big">An empty floor.</p>
      <p class="mt-2 soft">
        Add the first lifter: a name, body mass and stature are enough to see what the body allows.
      </p>
      <AwayLifters class="mt-6" />
    </div>
    <div v-else class="board">
      <section v-for="group in groups" v-show="group.rows.length" :key="group.title">
        <h2>
          {{ group.title }} <small>{{ group.rows.length }}</small>
        </h2>
        <ul>
          <li v-for="row in group.rows" :key="row.lifter_id" class="lifter">
            <div class="who">
              <RouterLink :to="{ name: 'lifter', params: { lifterId: row.lifter_id } }"
                ><b>{{ row.name }}</b></RouterLink
              >
              <p class="small soft">{{ kg(row.mass_kg) }} · {{ cm(row.stature_m, 0) }}</p>
            </div>
            <div>
              <ul class="needs">
                <li
                  v-for="need in row.needs.filter(isDecided)"
                  :key="need.text"
                  :class="['need', { press: PRESSING.has(need.kind) }]"
                >
                  <span class="first">{{ need.text }}</span>
                  <RouterLink
                    class="act small"
                    :to="doorTo(row, need)"
                    :aria-label="`${DECISIONS[need.kind]}: ${row.name}, ${need.text}`"
                    >{{ DECISIONS[need.kind] }}</RouterLink
                  >
                </li>
                <li v-if="!row.needs.length" class="holds">all settled</li>
              </ul>
              <details v-if="notes(row).length" class="small soft notes">
                <summary>
                  {{ notes(row).length === 1 ? '1 note' : `${notes(row).length} notes` }}
                  <span class="visually-hidden">on {{ row.name }}</span>
                </summary>
                <ul>
                  <li v-for="need in notes(row)" :key="need.text">
                    <RouterLink :to="doorTo(row, need)">{{ need.text }}</RouterLink>
                  </li>
                </ul>
              </details>
            </div>
            <div class="next">
              <RouterLink :to="{ name: 'prescribe', params: { lifterId: row.lifter_id } }">{{
                nextText(row)
              }}</RouterLink>
              <p class="small soft">
                {{ row.last_set_at ? `last set ${dayOf(row.last_set_at)}` : 'no set logged' }}
              </p>
            </div>
            <RouterLink class="to-log small" :to="{ name: 'log', params: { lifterId: row.lifter_id } }"
              >Log</RouterLink
            >
          </li>
        </ul>
      </section>
      <AwayLifters />
    </div>
  </main>
</template>

<style scoped>
.board {
  padding: 18px 26px 40px;
  display: grid;
  gap: 26px;
  max-width: 1100px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 6px 0 0;
}
.lifter {
  display: grid;
  grid-template-columns: 220px minmax(0, 1fr) 230px 44px;
  gap: 18px;
  padding: 11px 0;
  border-top: 1px solid var(--line);
  align-items: start;
}
.who {
  min-width: 0;
}
.who a,
.next a {
  text-decoration: none;
}
.who a,
.next a,
.need {
  overflow-wrap: anywhere;
}
.who a:hover,
.next a:hover {
  text-decoration: underline;
}
.needs {
  margin: 0;
  display: grid;
  gap: 3px;
}
.need {
  padding-left: 12px;
  border-left: 3px solid var(--line);
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 12px;
}
.need.press {
  border-left-color: var(--signal);
  font-weight: 600;
}
.act {
  flex: none;
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 4px 9px;
  text-decoration: none;
  font-weight: 600;
}
.press .act {
  border-color: var(--ink);
}
.notes {
  margin-top: 3px;
  padding-left: 15px;
}
.notes ul {
  display: grid;
  gap: 2px;
}
summary {
  cursor: pointer;
}
.to-log {
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 6px 9px;
  text-decoration: none;
  font-weight: 600;
  text-align: center;
}
.act:hover,
.to-log:hover {
  border-color: var(--ink);
}
.empty {
  padding: 60px 26px;
  max-width: 460px;
}
@media (max-width: 900px) {
  .board {
    padding: 14px;
  }
  .lifter {
    grid-template-columns: 1fr 44px;
    gap: 6px 12px;
  }
  .lifter > * {
    grid-column: 1 / -1;
  }
  .who {
    grid-column: 1;
  }
  .act {
    min-height: 36px;
    padding-top: 7px;
  }
  .to-log {
    grid-row: 1;
    grid-column: 2;
    min-height: 36px;
  }
}
</style>
