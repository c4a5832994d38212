<script setup lang="ts">
// A coach's word on one line: other work, another day, a copy, or none of it. A load left empty
// or untouched follows from reps and RPE; a reason is asked for where a cap is passed.
import { say } from '@/words'
import { computed, reactive, ref } from 'vue'
import { uuid7 } from '@/shared/api'
import { useUnits } from '@/shared/units'
import WorkFields from './WorkFields.vue'
import type { Line, PlanEdit } from './usePlan'
import { dayWords } from './words'
import { typedNumber, typedOrNull, wrongWork } from './work'

const props = defineProps<{
  line: Line
  dayId: string
  days: { day_id: string; on: string }[]
  busy: boolean
}>()
const emit = defineEmits<{ edit: [PlanEdit] }>()
const { kg, massOf, readMass } = useUnits()
const before = {
  sets: String(props.line.sets),
  reps: String(props.line.reps),
  rpe: props.line.rpe !== null ? String(props.line.rpe) : '',
  load: props.line.load_kg !== null ? massOf(props.line.load_kg, 2) : '',
  rest: String(props.line.rest_s),
}
const typed = reactive({ ...before, day: props.dayId, reason: '' })
const wrong = ref('')
const load = computed(() => (typed.load.trim() ? readMass(typed.load) : null))
const passes = computed(() => props.line.cap_kg && load.value && load.value > props.line.cap_kg + 0.05)

function problem(): string {
  const rest = typedOrNull(typed.rest)
  if (rest !== null && !(rest >= 15 && rest <= 1800)) return say('prescribe.rest_is_15_to_1800_seconds')
  const found = wrongWork(typed, load.value)
  if (found) return found
  if (passes.value && typed.reason.trim().length < 3) return say('prescribe.this_passes_the_cap_say_why')
  return ''
}
/** What was typed, else what was said of it before. */
const said = (field: 'sets' | 'reps' | 'rpe') =>
  typed[field] !== before[field] && typed[field].trim()
    ? typedNumber(typed[field])
    : (props.line.overruled?.[field] ?? null)
const touched = (field: 'reps' | 'rpe' | 'load' | 'rest') => typed[field] !== before[field]
const ofLine = () => ({
  kind: 'line' as const,
  line_id: props.line.line_id,
  name: props.line.variation,
  edit_id: uuid7(),
  reason: typed.reason.trim(),
  note: '',
  day_id: '',
  dropped: false,
})

function set() {
  wrong.value = problem()
  if (wrong.value) return
  const earlier = touched('reps') || touched('rpe') ? null : (props.line.overruled?.load_kg ?? null)
  emit('edit', {
    ...ofLine(),
    sets: said('sets'),
    reps: said('reps'),
    rpe: said('rpe'),
    load_kg: touched('load') ? load.value : earlier,
    rest_s: touched('rest') ? typedOrNull(typed.rest) : (props.line.overruled?.rest_s ?? null),
    day_id: typed.day === props.dayId ? (props.line.overruled?.day_id ?? '') : typed.day,
  })
}
const leaveOut = () => emit('edit', { ...ofLine(), dropped: true })
const asComputed = () => emit('edit', ofLine())
function copy() {
  wrong.value = problem()
  if (wrong.value) return
  emit('edit', {
    kind: 'add',
    line_id: `own-${uuid7()}`,
    day_id: typed.day,
    lift: props.line.lift as 'squat',
    name: props.line.variation,
    sets: typedNumber(typed.sets),
    reps: typedNumber(typed.reps),
    rpe: typedOrNull(typed.rpe),
    load_kg: load.value,
    note: props.line.note ?? '',
    weekly: false,
    edit_id: uuid7(),
    reason: typed.reason.trim(),
  })
}
</script>

<template>
  <form class="note decide" novalidate @submit.prevent="set">
    <WorkFields v-model="typed" :unit="line.unit" />
    <p class="small soft">{{ say('prescribe.a_load_that_is_not_named') }}</p>
    <v-text-field v-model="typed.rest" :label="say('prescribe.rest_s')" inputmode="numeric" />
    <label class="labelled"
      ><span class="small soft">{{ say('prescribe.day') }}</span>
      <select v-model="typed.day">
        <option v-for="d in days" :key="d.day_id" :value="d.day_id">{{ dayWords(d.on) }}</option>
      </select></label
    >
    <v-text-field
      v-model="typed.reason"
      :label="passes ? say('prescribe.because') : say('prescribe.because_if_you_like')"
    />
    <p v-if="line.cap_kg" class="small" :class="{ signal: passes }">
      {{ say('prescribe.the_cap_here_is_above_it', { cap_kg: kg(line.cap_kg, 1) }) }}
    </p>
    <p v-if="wrong" class="small signal" role="alert">{{ wrong }}</p>
    <div class="acts">
      <v-btn type="submit" variant="flat" size="small" :disabled="busy">{{
        typed.day === dayId ? say('prescribe.set_this') : say('prescribe.move_it_there')
      }}</v-btn>
      <v-btn v-if="typed.day !== dayId" class="quiet" size="small" :disabled="busy" @click="copy">{{
        say('prescribe.copy_it_there')
      }}</v-btn>
      <v-btn class="quiet" size="small" :disabled="busy" @click="leaveOut">{{
        say('prescribe.leave_it_out')
      }}</v-btn>
      <v-btn v-if="line.overruled" class="quiet" size="small" :disabled="busy" @click="asComputed">{{
        say('prescribe.as_computed')
      }}</v-btn>
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 6px;
}
.acts {
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
}
</style>
