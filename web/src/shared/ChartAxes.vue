<script lang="ts">
/** What a chart needs of a scale. */
export interface Scale {
  (value: number): number
  range: () => number[]
  ticks: (count?: number) => (number | Date)[]
}
</script>

<script setup lang="ts">
// Axes of a chart of data: few ticks, thin lines, what is measured at their ends.
import { computed } from 'vue'

const props = withDefaults(
  defineProps<{
    x: Scale
    y: Scale
    xName?: string
    xText?: (value: number) => string
    yText?: (value: number) => string
    xTicks?: number
    yTicks?: number
  }>(),
  { xName: '', xText: String, yText: String, xTicks: 6, yTicks: 4 },
)
const endsOf = (scale: Scale) => [Math.min(...scale.range()), Math.max(...scale.range())] as const
const ticksOf = (scale: Scale, count: number, text: (value: number) => string) =>
  scale.ticks(count).map((tick) => ({ at: scale(Number(tick)), text: text(Number(tick)) }))
const across = computed(() => endsOf(props.x))
const bottom = computed(() => endsOf(props.y)[1])
</script>

<template>
  <g class="axes">
    <g v-for="t in ticksOf(y, yTicks, yText)" :key="`y${t.at}`">
      <line :x1="across[0]" :x2="across[1]" :y1="t.at" :y2="t.at" class="grid" />
      <text :x="across[0] - 5" :y="t.at + 3.4" text-anchor="end">{{ t.text }}</text>
    </g>
    <line :x1="across[0]" :x2="across[1]" :y1="bottom" :y2="bottom" class="base" />
    <g v-for="t in ticksOf(x, xTicks, xText)" :key="`x${t.at}`">
      <line :x1="t.at" :x2="t.at" :y1="bottom" :y2="bottom + 3" class="base" />
      <text :x="t.at" :y="bottom + 13" text-anchor="middle">{{ t.text }}</text>
    </g>
    <text v-if="xName" :x="across[1]" :y="bottom + 25" text-anchor="end">{{ xName }}</text>
  </g>
</template>

<style scoped>
.grid {
  stroke: var(--hair);
  stroke-width: 1;
}
.base {
  stroke: var(--body-line);
  stroke-width: 1;
}
text {
  font-size: 10.5px;
  fill: var(--soft);
}
</style>
