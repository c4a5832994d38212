<script setup lang="ts">
// One day: each piece of work with plates, rest and reasons; a coach changes, adds and moves by hand.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { uuid7 } from '@/shared/api'
import PlateStack from '@/shared/PlateStack.vue'
import { useUnits } from '@/shared/units'
import AddLine from './AddLine.vue'
import DrillResult from './DrillResult.vue'
import LineForm from './LineForm.vue'
import Reasons from './Reasons.vue'
import { isoDay, now } from '@/shared/clock'
import { amountOf, dayWords, effortWords, minutes, titleOf, wayUp, withoutSteps } from './words'
import type { Day, Line, PlanEdit } from './usePlan'
import { cardQuery, equipmentQuery } from '@/shared/queries'

const props = defineProps<{
  lifterId: string
  day: Day
  days: Pick<Day, 'day_id' | 'on'>[]
  mayWrite: boolean
  busy: boolean
  today: boolean
}>()
const emit = defineEmits<{ edit: [PlanEdit] }>()
const { kg, massOf, massUnit } = useUnits()
const card = useQuery(cardQuery(props.lifterId))
const squats = computed(() => props.day.lines.some((line) => line.lift === 'squat' && line.load_kg !== null))
const racks = computed(() =>
  (card.data.value?.squat?.racks ?? [])
    .filter((r) => r.hook_hole !== null)
    .map((r) =>
      say('prescribe.hooks_safeties', {
        rack: r.rack,
        hook_hole: r.hook_hole,
        safety_hole: r.safety_hole ?? say('prescribe.by_hand_3'),
      }),
    ),
)
const saying = ref<string | null>(null)
const adding = ref(false)
const moving = ref(false)
function passOn(what: PlanEdit) {
  emit('edit', what)
  saying.value = null
  adding.value = moving.value = false
}
function moveTo(event: Event) {
  const to = (event.target as HTMLInputElement).value
  if (to && to !== props.day.on)
    passOn({ kind: 'day', edit_id: uuid7(), reason: '', day_id: props.day.day_id, to_date: to })
}
const equipment = useQuery(equipmentQuery)
const bare = (line: Line) => (line.load_kg ?? 0) - 2 * line.per_side.reduce((sum, p) => sum + p, 0)
/** Collars of the gym's bar, where it is the one that the line is loaded on. */
function collars(line: Line): number {
  const bar = equipment.data.value?.bars?.[0]
  return bar && Math.abs(bar.mass_kg + bar.collars_kg - bare(line)) < 0.01 ? bar.collars_kg : 0
}
</script>

<template>
  <section class="day" :aria-label="dayWords(day.on)">
    <header>
      <h2>{{ dayWords(day.on) }}</h2>
      <button v-if="mayWrite" class="linkish small soft" :aria-expanded="moving" @click="moving = !moving">
        {{ say('prescribe.move_the_day') }}
      </button>
      <v-btn v-if="today" variant="flat" :to="{ name: 'log', params: { lifterId } }">{{
        say('prescribe.start_on_the_platform')
      }}</v-btn>
    </header>
    <label v-if="moving" class="small labelled"
      >{{ say('prescribe.to') }} <input type="date" :value="day.on" @change="moveTo" />
      <span class="soft">{{ say('prescribe.a_day_that_stands_there_changes') }}</span></label
    >
    <p v-if="day.moved" class="signal small">{{ day.moved }}</p>
    <article
      v-for="line in withoutSteps(day.lines)"
      :key="line.line_id"
      :class="['work', line.kind, { gone: line.overruled?.dropped }]"
    >
      <div class="title">
        <b>{{ titleOf(line) }}</b>
        <span v-if="line.note && line.kind !== 'drill'" class="small soft">{{ line.note }}</span>
        <button
          v-if="mayWrite"
          class="linkish small soft"
          :aria-expanded="saying === line.line_id"
          :aria-label="say('prescribe.change_line', { line: titleOf(line) })"
          @click="saying = saying === line.line_id ? null : line.line_id"
        >
          {{ say('prescribe.change') }}
        </button>
      </div>
      <p v-if="line.overruled?.dropped" class="signal small">{{ say('prescribe.left_out') }}</p>
      <p v-else-if="line.until_rpe" class="what">
        <span>{{ say('prescribe.fives_with') }}</span>
        <b class="num">{{
          wayUp(day.lines, line)
            .map((load) => massOf(load, 2))
            .join(', ')
        }}</b>
        <span class="small soft">{{
          say('prescribe.up_to_rpe_6_to_7', { massUnit, rest_s: minutes(line.rest_s) })
        }}</span>
      </p>
      <p v-else class="what">
        <span class="num">{{ line.sets }} × {{ amountOf(line) }}</span>
        <b v-if="line.load_kg !== null" class="num">{{ kg(line.load_kg, 2) }}</b>
        <span v-if="line.rpe !== null" class="soft">{{ effortWords(line.rpe) }}</span>
        <span v-if="line.intent_kg" class="small signal">{{
          say('prescribe.of_asked', { intent_kg: kg(line.intent_kg, 2) })
        }}</span>
        <span class="small soft">{{ say('prescribe.rest', { rest_s: minutes(line.rest_s) }) }}</span>
      </p>
      <template v-if="line.kind === 'drill'">
        <p class="small">{{ line.note }}</p>
        <DrillResult v-if="mayWrite && day.on <= isoDay(now())" :lifter-id="lifterId" :line="line" />
      </template>
      <PlateStack
        v-if="line.kind === 'main' && line.load_kg !== null && !line.overruled?.dropped && !line.until_rpe"
        :per-side="line.per_side"
        :bar-kg="bare(line) - collars(line)"
        :collars-kg="collars(line)"
      />
      <p v-else-if="line.per_side.length && !line.overruled?.dropped && !line.until_rpe" class="small soft">
        {{ say('prescribe.each_side', { per_side: line.per_side.map((p) => massOf(p, 2)).join(' + ') }) }}
      </p>
      <LineForm
        v-if="saying === line.line_id"
        :line="line"
        :day-id="day.day_id"
        :days="days"
        :busy="busy"
        @edit="passOn"
      />
      <Reasons :reasons="line.reasons" :lifter-id="lifterId" :lift="line.lift" />
    </article>
    <div v-if="mayWrite">
      <button class="linkish small" :aria-expanded="adding" @click="adding = !adding">
        {{ say('prescribe.add_a_line') }}
      </button>
      <AddLine v-if="adding" :day-id="day.day_id" :busy="busy" @edit="passOn" />
    </div>
    <p v-if="day.checks?.length" class="small">
      <b>{{ say('prescribe.before_the_set') }}</b> {{ day.checks.join(' / ') }}
    </p>
    <p v-if="day.cues?.length" class="small">
      <b>{{ say('prescribe.cues') }}</b> {{ day.cues.join(' / ') }}
    </p>
    <p v-if="racks.length && squats" class="small">
      <b>{{ say('prescribe.racks') }}</b> {{ racks.join('; ') }}
    </p>
    <p class="note small">
      {{
        say('prescribe.stop_at_sharp_radiating_or_new', {
          spotters:
            squats && !racks.length
              ? say('prescribe.spotters_or_safeties_just_below_the') + ' '
              : say('prescribe.spotters_or_safeties_at_these_heights') + ' ',
        })
      }}
    </p>
  </section>
</template>

<style scoped>
.day {
  display: grid;
  gap: 12px;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 36px;
}
.work {
  border-top: 1px solid var(--ink);
  padding-top: 6px;
  display: grid;
  gap: 4px;
}
.work.special,
.work.own,
.work.drill {
  border-top-color: var(--line);
}
.work.gone b {
  text-decoration: line-through;
}
.title {
  display: flex;
  gap: 10px;
  align-items: baseline;
}
.title .linkish {
  margin-left: auto;
}
.what {
  display: flex;
  gap: 8px;
  align-items: baseline;
  flex-wrap: wrap;
}
.what b {
  font-size: 19px;
}
</style>
