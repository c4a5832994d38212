<script setup lang="ts">
import { say } from '@/words'
import { computed } from 'vue'
import { useUnits } from './units'

const props = defineProps<{ perSide: readonly number[]; barKg: number; collarsKg: number }>()
const { massOf, massUnit } = useUnits()
// Disc heights follow the discs' usual diameters; the heaviest are 450 mm.
const height = (kg: number) => (kg >= 10 ? 90 : kg >= 5 ? 62 : kg >= 2.5 ? 48 : 38)
const width = (kg: number) => Math.max(6, Math.min(22, 5 + kg * 0.7))
const places = computed(() => {
  let x = 42
  return props.perSide.map((kg) => {
    const place = { kg, x, w: width(kg), h: height(kg) }
    x += place.w + 2
    return place
  })
})
const end = computed(() => (places.value.at(-1)?.x ?? 40) + (places.value.at(-1)?.w ?? 0) + 4)
const words = computed(() =>
  props.perSide.length ? props.perSide.map((kg) => massOf(kg, 2)).join(' + ') : say('shared.no_plates'),
)
</script>

<template>
  <figure class="stack">
    <svg
      :viewBox="`0 0 ${Math.max(end + 40, 170)} 100`"
      role="img"
      :aria-label="say('shared.each_side', { words, massUnit })"
    >
      <rect x="0" y="47" width="36" height="6" class="bar" />
      <rect x="34" y="40" width="5" height="20" class="bar" />
      <rect x="39" y="46" :width="Math.max(end, 100) - 10" height="8" class="sleeve" />
      <g v-for="(p, i) in places" :key="i">
        <rect :x="p.x" :y="50 - p.h / 2" :width="p.w" :height="p.h" rx="1.5" class="plate" />
      </g>
      <rect v-if="collarsKg > 0" :x="end" y="42" width="7" height="16" class="collar" />
    </svg>
    <figcaption class="small">
      <b>{{ words }}</b>
      <span class="soft"
        >{{ say('shared.each_side_inside_first_bar', { barKg: massOf(barKg) })
        }}<template v-if="collarsKg">{{
          say('shared.collars', { collarsKg: massOf(collarsKg) })
        }}</template></span
      >
    </figcaption>
  </figure>
</template>

<style scoped>
.stack {
  margin: 0;
  max-width: 340px;
}
svg {
  width: 100%;
  max-height: 110px;
}
.bar {
  fill: var(--body-line);
}
.sleeve {
  fill: none;
  stroke: var(--body-line);
}
.plate {
  fill: var(--body);
  stroke: var(--ink);
  stroke-width: 1.2;
}
.collar {
  fill: var(--sheet);
  stroke: var(--ink);
}
</style>
