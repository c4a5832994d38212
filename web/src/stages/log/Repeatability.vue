<script setup lang="ts">
// What should be the same in every set: one press opens it, one press notes it.
import { say } from '@/words'
import { computed, ref } from 'vue'
import OneOf from '@/shared/OneOf.vue'
import type { Schemas } from '@/shared/api'
import type { Lift } from '@/shared/lifts'
import { useUnits } from '@/shared/units'

const measures = defineModel<Schemas['Measures']>({ required: true })
const props = defineProps<{ lift: Lift }>()
const { lengthOf, lengthUnit, readLength } = useUnits()
const RANGE = { stance_m: [0.1, 1.4], start_hip_m: [0.1, 1.2] } as const
const SPEEDS = [0.05, 3] as const
const wrong = ref('')
const STEPS = [1, 2, 3, 4, 5, 6].map((n) => [n, String(n)] as const)
const OFFSETS = [-0.03, -0.02, -0.01, 0, 0.01, 0.02, 0.03]
const offsets = computed(() =>
  OFFSETS.map((m) => [m, m === 0 ? 'mid-foot' : `${m > 0 ? '+' : '−'}${lengthOf(Math.abs(m))}`] as const),
)
const noted = computed(() => [
  ...(props.lift === 'squat'
    ? [{ name: 'walkout_steps' as const, label: say('log.steps_out'), options: STEPS }]
    : []),
  {
    name: 'foot_offset_m' as const,
    label: say('log.bar_from_mid_foot', { lengthUnit: lengthUnit.value }),
    options: offsets.value,
  },
])
const set = (part: Partial<Schemas['Measures']>) => (measures.value = { ...measures.value, ...part })
function typed(name: 'stance_m' | 'start_hip_m', event: Event) {
  const text = (event.target as HTMLInputElement).value.trim()
  const [least, most] = RANGE[name]
  const metres = readLength(text)
  const bad = text !== '' && !(metres >= least && metres <= most)
  wrong.value = bad
    ? say('log.is_no_length_from_to', {
        text,
        least: lengthOf(least, 0),
        most: lengthOf(most, 0),
        lengthUnit: lengthUnit.value,
      })
    : ''
  if (!bad) set({ [name]: text ? metres : null })
}
function typedSpeed(event: Event) {
  const text = (event.target as HTMLInputElement).value.trim()
  const speed = Number(text.replace(',', '.'))
  const bad = text !== '' && !(speed >= SPEEDS[0] && speed <= SPEEDS[1])
  wrong.value = bad ? say('log.is_no_speed_from_to_m', { text, SPEEDS: SPEEDS[0], SPEEDS2: SPEEDS[1] }) : ''
  if (!bad) measures.value = { ...measures.value, rep_speed_m_s: text ? speed : null }
}
const words = computed(() => {
  const m = measures.value
  const told = [
    m.walkout_steps != null &&
      props.lift === 'squat' &&
      say('log.walkout_steps_steps', { walkout_steps: m.walkout_steps }),
    m.foot_offset_m != null &&
      say('log.bar_from_mid_foot_2', {
        foot_offset_m: lengthOf(m.foot_offset_m),
        lengthUnit: lengthUnit.value,
      }),
    m.stance_m != null &&
      say('log.stance_stance_m_length_unit', {
        stance_m: lengthOf(m.stance_m, 0),
        lengthUnit: lengthUnit.value,
      }),
    m.start_hip_m != null &&
      say('log.hips_up', { start_hip_m: lengthOf(m.start_hip_m, 0), lengthUnit: lengthUnit.value }),
    m.rep_speed_m_s != null && `${m.rep_speed_m_s.toFixed(2)} m/s`,
  ].filter(Boolean)
  return told.join(', ') || say('log.not_noted')
})
</script>

<template>
  <details class="repeat">
    <summary class="small">
      {{ say('log.the_same_every_time') }} <b>{{ words }}</b>
    </summary>
    <div v-for="one in noted" :key="one.name" class="row">
      <span class="small soft">{{ one.label }}</span>
      <OneOf
        :model-value="measures[one.name] ?? null"
        :label="one.label"
        :options="one.options"
        clearable
        loose
        @update:model-value="set({ [one.name]: $event })"
      />
    </div>
    <div class="row">
      <label
        ><span class="small soft">{{ say('log.ankle_to_ankle', { lengthUnit }) }}</span>
        <input
          class="plain"
          inputmode="decimal"
          :value="measures.stance_m == null ? '' : lengthOf(measures.stance_m, 1)"
          @change="typed('stance_m', $event)"
      /></label>
      <label v-if="lift === 'deadlift'"
        ><span class="small soft">{{ say('log.hips_above_the_floor_at_the', { lengthUnit }) }}</span>
        <input
          class="plain"
          inputmode="decimal"
          :value="measures.start_hip_m == null ? '' : lengthOf(measures.start_hip_m, 1)"
          @change="typed('start_hip_m', $event)"
      /></label>
    </div>
    <label
      ><span class="small soft">{{ say('log.fastest_reps_mean_speed_on_the') }}</span>
      <input class="plain" inputmode="decimal" :value="measures.rep_speed_m_s ?? ''" @change="typedSpeed"
    /></label>
    <p v-if="wrong" class="signal small" role="alert">{{ wrong }}</p>
  </details>
</template>

<style scoped>
summary {
  min-height: 32px;
  cursor: pointer;
}
.row {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
  margin: 6px 0;
}
input {
  width: 74px;
  padding: 6px;
  margin-left: 6px;
}
</style>
