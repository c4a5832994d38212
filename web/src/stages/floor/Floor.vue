<script setup lang="ts">
// Who needs me: every lifter with what is open, most pressing first.
import { say } from '@/words'
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
  pain: say('floor.clear_or_keep'),
  lift_ending: say('floor.why'),
  film: say('floor.look_at_it'),
  sent: say('floor.take_it_up'),
  rising: say('floor.why'),
  stale: say('floor.settle_anew'),
  missed: say('floor.see_the_plan'),
  open: say('floor.settle_it'),
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
  if (!floor.data.value) return say('floor.who_needs_you')
  if (!floor.data.value.length) return say('floor.no_lifters_yet')
  const n = pressing.value.length
  return n
    ? say('floor.of_lifters_need_you', { n, data: floor.data.value.length })
    : say('floor.nobody_needs_you_right_now')
})
const groups = computed(() => [
  { title: say('floor.need_you'), rows: pressing.value },
  { title: say('floor.on_their_way'), rows: calm.value },
])
const nextText = (row: Row) =>
  row.planned
    ? `${dayWords(row.planned.on)}: ${row.planned.title.toLowerCase()}`
    : row.next?.load_kg
      ? `${row.next.lift === 'squat' ? say('floor.squat') : say('floor.deadlift')} ${row.next.sets} × ${row.next.reps} @ ${row.next.rpe} · ${kg(row.next.load_kg)}`
      : say('floor.nothing_prescribed')
</script>

<template>
  <main>
    <StageHead :over="session?.club ?? ''" :answer="answer">
      <v-btn v-if="mayWrite && unplanned" class="quiet" @click="planning = !planning">{{
        say('floor.plan_for_all')
      }}</v-btn>
      <v-btn :to="{ name: 'platform' }">{{ say('floor.log_a_group') }}</v-btn>
      <v-btn v-if="mayWrite" variant="flat" :to="{ name: 'new-lifter' }">{{
        say('floor.add_a_lifter')
      }}</v-btn>
    </StageHead>
    <ClubPlan v-if="planning" :without="unplanned" @close="planning = false" />
    <FirstSteps
      v-if="mayWrite && floor.data.value"
      :club="session?.club ?? ''"
      :lifters="floor.data.value.length"
    />
    <Waiting
      v-if="!floor.data.value"
      :error="floor.error.value"
      :what="say('floor.the_floor')"
      @again="floor.refetch()"
    />
    <div v-else-if="!floor.data.value.length" class="empty">
      <p class="big">{{ say('floor.an_empty_floor') }}</p>
      <p class="mt-2 soft">{{ say('floor.add_the_first_lifter_a_name') }}</p>
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
                <li v-if="!row.needs.length" class="holds">{{ say('floor.all_settled') }}</li>
              </ul>
              <details v-if="notes(row).length" class="small soft notes">
                <summary>
                  {{
                    notes(row).length === 1
                      ? say('floor.n_1_note')
                      : say('floor.row_notes', { row: notes(row).length })
                  }}
                  <span class="visually-hidden">{{ say('floor.on_name', { name: row.name }) }}</span>
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
                {{
                  row.last_set_at
                    ? say('floor.last_set', { last_set_at: dayOf(row.last_set_at) })
                    : say('floor.no_set_logged')
                }}
              </p>
            </div>
            <RouterLink class="to-log small" :to="{ name: 'log', params: { lifterId: row.lifter_id } }">{{
              say('floor.log')
            }}</RouterLink>
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
