<script setup lang="ts">
// One fault: where it begins, in which loads, reps and variations it is seen.
import { say } from '@/words'
import { computed } from 'vue'
import type { Schemas } from '@/shared/api'
import BandChart from '@/shared/BandChart.vue'
import { useUnits } from '@/shared/units'
import RateBars from './RateBars.vue'

const props = defineProps<{ fault: Schemas['FaultKnowledgeAnswer']; maxKg: number | null }>()
const { kg, massUnit } = useUnits()
const scale = computed(() =>
  props.maxKg ? props.maxKg * (massUnit.value === 'lb' ? 1 / 0.45359237 : 1) : 100,
)
const band = computed(() =>
  props.fault.onset.curve.map((p) => ({ x: p.share * scale.value, mid: p.chance, low: p.low, high: p.high })),
)
const marks = computed(() =>
  [props.fault.onset.fifth, props.fault.onset.half].flatMap((level) =>
    level
      ? [
          {
            x: level.share * scale.value,
            name: level.chance === 0.5 ? say('review.n_1_in_2') : say('review.n_1_in_5'),
          },
        ]
      : [],
  ),
)
const levels = computed(() => [props.fault.onset.fifth, props.fault.onset.half].filter((l) => l !== null))
</script>

<template>
  <section>
    <h2>{{ fault.name }}</h2>
    <p>{{ fault.words }}.</p>
    <p v-if="band.length" class="small soft mt-2">{{ say('review.chance_in_a_rep_against_the') }}</p>
    <BandChart
      v-if="band.length"
      :band="band"
      :dots="[]"
      :marks="marks"
      :x-name="maxKg ? say('review.load_at_todays_max', { massUnit }) : say('review.load_of_max')"
      :y-name="say('review.chance_in_a', { counted: fault.counted.slice(0, -1) })"
      y-percent
    />
    <p v-for="l in levels" :key="l.chance" class="small">
      <template v-if="l.load_kg !== null"
        >{{ say('review.of_at', { chance: Math.round(l.chance * 100), counted: fault.counted }) }}
        <b>{{ kg(l.load_kg, 0) }}</b>{{
          say('review.n_80_band', {
            low_kg: kg(l.low_kg ?? 0, 0),
            words:
              l.high_kg !== null
                ? say('review.to_high_kg', { high_kg: kg(l.high_kg, 0) })
                : say('review.or_more'),
          })
        }}</template
      >
    </p>
    <details v-if="fault.onset.verdict === 'known'" class="small soft">
      <summary>{{ say('review.how_this_was_worked_out') }}</summary>
      <p>
        {{ say('review.logistic_fit_of_against_load_weak', { reps: fault.reps, counted: fault.counted }) }}
      </p>
    </details>
    <div class="tables">
      <RateBars :rates="fault.by_load" :title="say('review.by_load_share_of_the_max')" />
      <RateBars :rates="fault.by_rep" :title="say('review.by_rep')" />
      <RateBars :rates="fault.by_variation" :title="say('review.by_variation')" />
      <RateBars :rates="fault.by_week.slice(-8)" :title="say('review.by_week')" />
    </div>
  </section>
</template>

<style scoped>
.tables {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(330px, 1fr));
  gap: 14px 28px;
  margin-top: 10px;
}
</style>
