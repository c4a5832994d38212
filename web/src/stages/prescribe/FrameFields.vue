<script setup lang="ts">
// Start, meet, length, shape, training days of a plan, and dates that are blocked.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { shapesQuery } from '@/shared/queries'
import { dayWords, WEEKDAYS } from './words'
import type { PlanFrame } from './usePlan'

defineProps<{ withMeet?: boolean }>()
const asked = defineModel<PlanFrame>({ required: true })

function toggle(day: number) {
  const days = asked.value.weekdays
  const without = days.filter((d) => d !== day)
  asked.value = {
    ...asked.value,
    weekdays: without.length < days.length ? (without.length ? without : days) : [...days, day].sort(),
  }
}
/** A meet sets the length: the last week is the meet's. */
function dates(change: Partial<PlanFrame>) {
  const next = { ...asked.value, ...change }
  if (next.meet && next.start) {
    const days = Math.round((Date.parse(next.meet) - Date.parse(next.start)) / 86_400_000)
    next.weeks = Math.min(16, Math.max(3, Math.floor(days / 7) + 1))
  }
  asked.value = next
}
const shapes = useQuery(shapesQuery)
const shapeWords = computed(() => shapes.data.value?.find((s) => s.id === asked.value.shape)?.words ?? '')
const offered = computed(() =>
  (shapes.data.value ?? []).filter((s) => !s.hidden || s.id === asked.value.shape),
)
const STRATEGIES = [
  { id: 'safe', name: say('prescribe.safe_three_white_lifts') },
  { id: 'placing', name: say('prescribe.placing') },
  { id: 'record', name: say('prescribe.record') },
] as const
const blocked = computed(() => asked.value.blocked ?? [])
function block(input: HTMLInputElement) {
  if (!input.value) return
  asked.value = { ...asked.value, blocked: [...new Set([...blocked.value, input.value])].sort() }
  input.value = ''
}
function free(day: string) {
  asked.value = { ...asked.value, blocked: blocked.value.filter((d) => d !== day) }
}
const value = (event: Event) => (event.target as HTMLInputElement).value
</script>

<template>
  <label
    ><span class="small soft">{{ say('prescribe.start') }}</span
    ><input :value="asked.start" type="date" @change="dates({ start: value($event) })"
  /></label>
  <label v-if="withMeet"
    ><span class="small soft">{{ say('prescribe.meet_if_there_is_one') }}</span
    ><input :value="asked.meet ?? ''" type="date" @change="dates({ meet: value($event) || null })"
  /></label>
  <label
    ><span class="small soft">{{ say('prescribe.weeks_weeks', { weeks: asked.weeks }) }}</span
    ><input
      :value="asked.weeks"
      type="range"
      min="3"
      max="16"
      :aria-label="say('prescribe.weeks')"
      @input="asked = { ...asked, weeks: Number(value($event)) }"
  /></label>
  <label
    ><span class="small soft">{{ say('prescribe.shape_shape_words', { shapeWords }) }}</span
    ><select v-model="asked.shape" :aria-label="say('prescribe.shape_of_the_season')">
      <option v-for="s in offered" :key="s.id" :value="s.id">{{ s.name }}</option>
    </select>
    <RouterLink class="small soft" :to="{ name: 'shapes', params: { shapeId: asked.shape } }">{{
      say('prescribe.what_it_asks')
    }}</RouterLink></label
  >
  <label v-if="withMeet && asked.meet"
    ><span class="small soft">{{ say('prescribe.attempts') }}</span
    ><select v-model="asked.strategy" :aria-label="say('prescribe.strategy_of_the_attempts')">
      <option v-for="s in STRATEGIES" :key="s.id" :value="s.id">{{ s.name }}</option>
    </select></label
  >
  <fieldset>
    <legend class="small soft">{{ say('prescribe.training_days') }}</legend>
    <button
      v-for="(name, i) in WEEKDAYS"
      :key="name"
      type="button"
      :aria-pressed="asked.weekdays.includes(i)"
      :class="{ on: asked.weekdays.includes(i) }"
      @click="toggle(i)"
    >
      {{ name }}
    </button>
  </fieldset>
  <fieldset class="blocked">
    <legend class="small soft">{{ say('prescribe.blocked_dates_the_work_goes_to') }}</legend>
    <button
      v-for="day in blocked"
      :key="day"
      type="button"
      :aria-label="say('prescribe.free_again', { day: dayWords(day) })"
      @click="free(day)"
    >
      {{ dayWords(day) }} ×
    </button>
    <input
      type="date"
      :aria-label="say('prescribe.block_a_date')"
      :min="asked.start"
      @change="block($event.target as HTMLInputElement)"
    />
  </fieldset>
</template>

<style scoped>
label {
  display: flex;
  flex-direction: column;
}
select,
input[type='date'] {
  height: 40px;
  padding: 4px 10px;
}
input[type='range'] {
  height: 40px;
  accent-color: var(--ink);
  width: 150px;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: flex;
  gap: 4px;
  flex-wrap: wrap;
}
fieldset button {
  font: inherit;
  color: inherit;
  min-width: 46px;
  min-height: 40px;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 3px;
  cursor: pointer;
}
.blocked button {
  padding: 0 10px;
}
fieldset .on {
  background: var(--ink);
  color: var(--paper);
  font-weight: 700;
}
</style>
