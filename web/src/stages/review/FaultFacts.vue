<script setup lang="ts">
// One fault: where it begins, in which loads, reps and variations it is seen.
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
    level ? [{ x: level.share * scale.value, name: level.chance === 0.5 ? '1 in 2' : '1 in 5' }] : [],
  ),
)
const levels = computed(() => [props.fault.onset.fifth, props.fault.onset.half].filter((l) => l !== null))
</script>

<template>
  <section>
    <h2>{{ fault.name }}</h2>
    <p>{{ fault.words }}.</p>
    <p v-if="band.length" class="small soft mt-2">Chance in a rep against the load, with its 80 % band</p>
    <BandChart
      v-if="band.length"
      :band="band"
      :dots="[]"
      :marks="marks"
      :x-name="maxKg ? `load, ${massUnit}, at today's max` : 'load, % of max'"
      :y-name="`chance in a ${fault.counted.slice(0, -1)}`"
      y-percent
    />
    <p v-for="l in levels" :key="l.chance" class="small">
      <template v-if="l.load_kg !== null"
        >{{ Math.round(l.chance * 100) }} % of {{ fault.counted }} at <b>{{ kg(l.load_kg, 0) }}</b>, 80 % band
        {{ kg(l.low_kg ?? 0, 0) }} {{ l.high_kg !== null ? `to ${kg(l.high_kg, 0)}` : 'or more' }}</template
      >
    </p>
    <details v-if="fault.onset.verdict === 'known'" class="small soft">
      <summary>How this was worked out</summary>
      <p>
        Logistic fit of {{ fault.reps }} {{ fault.counted }} against load, weak prior, widened where reps of
        one set resemble each other; loads count as shares of the max of their day.
      </p>
    </details>
    <div class="tables">
      <RateBars :rates="fault.by_load" title="By load, share of the max" />
      <RateBars :rates="fault.by_rep" title="By rep" />
      <RateBars :rates="fault.by_variation" title="By variation" />
      <RateBars :rates="fault.by_week.slice(-8)" title="By week" />
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
