<script setup lang="ts">
// What should be the same in every set: one press opens it, one press notes it.
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
  ...(props.lift === 'squat' ? [{ name: 'walkout_steps' as const, label: 'Steps out', options: STEPS }] : []),
  {
    name: 'foot_offset_m' as const,
    label: `Bar from mid-foot, ${lengthUnit.value}`,
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
    ? `“${text}” is no length from ${lengthOf(least, 0)} to ${lengthOf(most, 0)} ${lengthUnit.value}.`
    : ''
  if (!bad) set({ [name]: text ? metres : null })
}
function typedSpeed(event: Event) {
  const text = (event.target as HTMLInputElement).value.trim()
  const speed = Number(text.replace(',', '.'))
  const bad = text !== '' && !(speed >= SPEEDS[0] && speed <= SPEEDS[1])
  wrong.value = bad ? `“${text}” is no speed from ${SPEEDS[0]} to ${SPEEDS[1]} m/s.` : ''
  if (!bad) measures.value = { ...measures.value, rep_speed_m_s: text ? speed : null }
}
const words = computed(() => {
  const m = measures.value
  const told = [
    m.walkout_steps != null && props.lift === 'squat' && `${m.walkout_steps} steps`,
    m.foot_offset_m != null && `bar ${lengthOf(m.foot_offset_m)} ${lengthUnit.value} from mid-foot`,
    m.stance_m != null && `stance ${lengthOf(m.stance_m, 0)} ${lengthUnit.value}`,
    m.start_hip_m != null && `hips ${lengthOf(m.start_hip_m, 0)} ${lengthUnit.value} up`,
    m.rep_speed_m_s != null && `${m.rep_speed_m_s.toFixed(2)} m/s`,
  ].filter(Boolean)
  return told.join(', ') || 'not noted'
})
</script>

<template>
  <details class="repeat">
    <summary class="small">
      The same every time: <b>{{ words }}</b>
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
        ><span class="small soft">Ankle to ankle, {{ lengthUnit }}</span>
        <input
          class="plain"
          inputmode="decimal"
          :value="measures.stance_m == null ? '' : lengthOf(measures.stance_m, 1)"
          @change="typed('stance_m', $event)"
      /></label>
      <label v-if="lift === 'deadlift'"
        ><span class="small soft">Hips above the floor at the start, {{ lengthUnit }}</span>
        <input
          class="plain"
          inputmode="decimal"
          :value="measures.start_hip_m == null ? '' : lengthOf(measures.start_hip_m, 1)"
          @change="typed('start_hip_m', $event)"
      /></label>
    </div>
    <label
      ><span class="small soft">Fastest rep’s mean speed on the way up, m/s</span>
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
