<script setup lang="ts">
// Weeks and days at a glance: every load on one line of the season, a day opens with all its reasons.
import { say } from '@/words'
import { computed, ref } from 'vue'
import { uuid7, type Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { USE_NAMES } from '@/shared/words'
import AddLine from './AddLine.vue'
import DayPane from './DayPane.vue'
import SeasonLine from './SeasonLine.vue'
import { today } from '@/shared/clock'
import { amountOf, dayWords, titleOf, wayUp, withoutSteps } from './words'
import type { Day, Line, Plan, PlanEdit } from './usePlan'

const props = defineProps<{
  lifterId: string
  plan: Plan
  volume: Schemas['WeekVolume'][]
  soFar?: Schemas['SoFar'][]
  preview?: boolean
  mayWrite?: boolean
  busy?: boolean
}>()
const emit = defineEmits<{ edit: [PlanEdit] }>()
const { massOf } = useUnits()
const todayOn = today()
const days = computed(() => props.plan.weeks.flatMap((w) => w.days))
const chosen = ref<string | null>(null)
const open = computed<Day | null>(
  () =>
    days.value.find((d) => d.day_id === chosen.value) ??
    days.value.find((d) => d.on >= todayOn) ??
    days.value.at(-1) ??
    null,
)
const most = computed(() => Math.max(1, ...props.plan.weeks.map((w) => w.days.length)))
function short(line: Line, day: Day): string {
  const [from, ...on] = wayUp(day.lines, line)
  if (from !== undefined)
    return say('prescribe.fives_from_at', { from: massOf(from, 1), at: massOf(on.at(-1) ?? from, 1) })
  return `${line.sets}×${amountOf(line)}${line.load_kg !== null ? ` · ${massOf(line.load_kg, 1)}` : ''}`
}
const hardest = (v: Schemas['WeekVolume']) =>
  Object.entries(v.capacities)
    .filter(([, n]) => n > 0)
    .sort((a, b) => b[1] - a[1])
    .slice(0, 3)
const worked = computed(() =>
  Object.keys(props.volume[0]?.capacities ?? {}).filter((name) =>
    props.volume.some((v) => v.capacities[name]),
  ),
)
const addingDay = ref(false)
const newDay = ref('')
/** The plan's own day on a date, else a day that only the hand makes. */
const dayOn = (date: string) => days.value.find((d) => d.on === date)?.day_id ?? `on-${date}`
function addOn(what: PlanEdit) {
  emit('edit', what)
  addingDay.value = false
  newDay.value = ''
}
const dragged = ref<string | null>(null)
const over = ref<string | null>(null)
const mayLand = (day: Day) => dragged.value !== null && dragged.value !== day.day_id
/** A day dropped on another changes places with it. */
function land(on: Day) {
  const dayId = dragged.value
  dragged.value = over.value = null
  if (!dayId || dayId === on.day_id) return
  emit('edit', { kind: 'day', edit_id: uuid7(), reason: '', day_id: dayId, to_date: on.on })
}
const shown = (day: Day) => withoutSteps(day.lines.filter((l) => !l.overruled?.dropped))
</script>

<template>
  <div class="whole">
    <div class="weeks">
      <SeasonLine :plan="plan" :so-far="soFar" :open-day="open?.day_id ?? null" @open="chosen = $event" />
      <p v-for="text in plan.refused ?? []" :key="text" class="note decide small">
        <span class="first">{{ text }}.</span>
      </p>
      <table class="sheet-table">
        <colgroup>
          <col style="width: 92px" />
          <col v-for="i in most" :key="i" />
        </colgroup>
        <thead>
          <tr>
            <th class="visually-hidden">{{ say('prescribe.week') }}</th>
            <th v-for="i in most" :key="i" class="visually-hidden">{{ say('prescribe.day_i', { i }) }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(week, w) in plan.weeks" :key="week.number" :class="week.role">
            <th scope="row">
              <b>{{ week.number }}</b> {{ week.role }}
              <span
                v-for="v in volume.slice(w, w + 1)"
                :key="v.week"
                class="small soft"
                :title="
                  hardest(v)
                    .map(([k, n]) => `${USE_NAMES[k] ?? k} ${n}`)
                    .join(', ')
                "
                >{{ say('prescribe.hard_sets', { squat: v.lifts.squat, deadlift: v.lifts.deadlift }) }}</span
              >
            </th>
            <td v-for="day in week.days" :key="day.day_id">
              <button
                :class="[
                  'cell',
                  {
                    open: day.day_id === open?.day_id,
                    over: day.day_id === over,
                    past: day.on < todayOn && !preview,
                    today: day.on === todayOn && !preview,
                  },
                ]"
                :aria-pressed="day.day_id === open?.day_id"
                :draggable="mayWrite && !preview"
                @click="chosen = day.day_id"
                @dragstart="dragged = day.day_id"
                @dragend="dragged = over = null"
                @dragover="mayLand(day) && $event.preventDefault()"
                @dragenter="over = mayLand(day) ? day.day_id : null"
                @drop.prevent="land(day)"
              >
                <span class="small soft"
                  >{{ dayWords(day.on)
                  }}<span v-if="day.moved" class="signal">{{ ' ' }}{{ say('prescribe.moved') }}</span></span
                >
                <span
                  v-for="line in shown(day)"
                  :key="line.line_id"
                  :class="[
                    'line',
                    line.kind,
                    {
                      said: line.overruled,
                      held: line.intent_kg,
                    },
                  ]"
                >
                  <span class="name">{{ titleOf(line) }}</span><span class="num">{{ short(line, day) }}</span>
                </span>
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <div v-if="mayWrite && !preview">
        <button class="linkish small" :aria-expanded="addingDay" @click="addingDay = !addingDay">
          {{ say('prescribe.add_a_day') }}
        </button>
        <template v-if="addingDay">
          <label class="small labelled"
            >{{ say('prescribe.on') }} <input v-model="newDay" type="date" :min="days[0]?.on"
          /></label>
          <AddLine v-if="newDay" :key="newDay" :day-id="dayOn(newDay)" :busy="!!busy" @edit="addOn" />
        </template>
      </div>
      <details class="small">
        <summary>
          {{ say('prescribe.hard_sets_by_muscle_and_week') }}
          <span class="soft">{{ say('prescribe.a_set_counts_for_what_it') }}</span>
        </summary>
        <table class="plain volume">
          <thead>
            <tr>
              <th>{{ say('prescribe.week') }}</th>
              <th v-for="v in volume" :key="v.week">{{ v.week }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="name in worked" :key="name">
              <td>{{ USE_NAMES[name] ?? name }}</td>
              <td v-for="v in volume" :key="v.week" class="num">{{ v.capacities[name] || '·' }}</td>
            </tr>
          </tbody>
        </table>
      </details>
      <section v-if="Object.keys(plan.attempts ?? {}).length" class="attempts">
        <h2>
          {{ say('prescribe.attempts') }} <small>{{ say('prescribe.the_rule_book_in_force_goes') }}</small>
        </h2>
        <p class="small soft">{{ say('prescribe.depth_the_crease_of_the_hip') }}</p>
        <p v-for="(tries, lift) in plan.attempts" :key="lift">
          <span class="first">{{ lift }}</span>
          <span
            v-for="a in tries"
            :key="a.number"
            class="try"
            :title="a.reasons.map((b) => b.text).join('; ')"
            ><b>{{ massOf(a.load_kg, 1) }}</b>
            <span class="small soft"
              >{{ a.reasons[0]?.text
              }}<template v-if="a.if_easy_kg && a.if_hard_kg && a.if_missed_kg">{{
                say('prescribe.after_an_easy_second_a_hard', {
                  if_easy_kg: massOf(a.if_easy_kg, 1),
                  if_hard_kg: massOf(a.if_hard_kg, 1),
                  if_missed_kg: massOf(a.if_missed_kg, 1),
                })
              }}</template></span
            ></span
          >
        </p>
      </section>
    </div>
    <DayPane
      v-if="open"
      :key="open.day_id"
      class="pane"
      :lifter-id="lifterId"
      :day="open"
      :may-write="!!mayWrite && !preview"
      :busy="!!busy"
      :today="open.on === todayOn && !preview"
      :days="days"
      @edit="emit('edit', $event)"
    />
  </div>
</template>

<style scoped>
.whole {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
  gap: 26px;
  align-items: start;
}
.weeks {
  display: grid;
  gap: 12px;
  min-width: 0;
}
.sheet-table {
  border-collapse: collapse;
  width: 100%;
  table-layout: fixed;
}
.sheet-table tbody th {
  width: 92px;
  text-align: left;
  font-weight: 400;
  vertical-align: top;
  padding: 6px 8px 6px 0;
  border-top: 1px solid var(--line);
  font-size: 13px;
}
.sheet-table th .small {
  display: block;
}
.sheet-table td {
  padding: 3px;
  border-top: 1px solid var(--line);
  vertical-align: top;
}
tr.light th b,
tr.light th {
  color: var(--holds);
}
.cell {
  font: inherit;
  color: inherit;
  text-align: left;
  width: 100%;
  background: none;
  border: 1px solid transparent;
  border-radius: 3px;
  padding: 3px 7px 5px;
  cursor: pointer;
  display: grid;
  gap: 1px;
}
.cell:hover {
  border-color: var(--line);
}
.cell.open {
  background: var(--sheet);
  border-color: var(--ink);
}
.cell.over {
  border: 1px dashed var(--signal);
}
.cell.past {
  color: var(--soft);
}
.cell.today {
  box-shadow: inset 3px 0 0 var(--signal);
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0 6px;
  font-size: 12.5px;
  line-height: 1.3;
}
.line .name {
  max-width: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.line .num {
  white-space: nowrap;
  margin-left: auto;
}
.line.main .name {
  font-weight: 700;
}
.line.special .name,
.line.own .name,
.line.drill .name {
  color: var(--soft);
}
.line.said .num {
  color: var(--signal);
  font-weight: 700;
}
.line.held .num::after {
  content: ' ⊣';
  color: var(--signal);
}
.volume {
  max-width: 560px;
}
summary {
  cursor: pointer;
  padding: 4px 0;
}
.attempts p {
  display: flex;
  gap: 18px;
  align-items: baseline;
  flex-wrap: wrap;
  border-top: 1px solid var(--hair);
  padding: 5px 0;
}
.attempts .first {
  width: 80px;
}
.try b {
  font-size: 19px;
}
.pane {
  position: sticky;
  top: 12px;
}
@media (max-width: 1180px) {
  .whole {
    grid-template-columns: minmax(0, 1fr);
  }
  .pane {
    position: static;
    order: -1;
  }
}
@media (max-width: 620px) {
  .sheet-table thead,
  .sheet-table colgroup {
    display: none;
  }
  .sheet-table,
  .sheet-table tbody,
  .sheet-table tr,
  .sheet-table tbody th,
  .sheet-table td {
    display: block;
    width: 100%;
  }
  .sheet-table td {
    border: 0;
  }
}
</style>
