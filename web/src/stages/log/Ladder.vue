<script setup lang="ts">
// The way up to the work set; a step is taken over with one tap.
import { say } from '@/words'
import type { Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
defineProps<{ steps: Schemas['WarmUpStep'][]; loadKg: number }>()
defineEmits<{ take: [loadKg: number] }>()
const { kg, massOf } = useUnits()
</script>

<template>
  <section v-if="steps.length">
    <h2>
      {{ say('log.way_up') }} <small>{{ say('log.style_and_grip_of_the_day') }}</small>
    </h2>
    <ul>
      <li v-for="w in steps" :key="w.load_kg">
        <button :class="['step', { on: w.load_kg === loadKg }]" @click="$emit('take', w.load_kg)">
          <b>{{ w.reps }} × {{ kg(w.load_kg, 2) }}</b>
          <span class="small soft">{{
            w.per_side.map((p) => massOf(p, 2)).join(' + ') || say('log.empty_bar')
          }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 4px 0 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 4px;
}
.step {
  font: inherit;
  color: inherit;
  width: 100%;
  min-height: 44px;
  text-align: left;
  background: none;
  border: 1px solid var(--hair);
  border-radius: 3px;
  padding: 4px 8px;
  cursor: pointer;
  display: flex;
  flex-direction: column;
}
.step.on {
  border-color: var(--ink);
}
</style>
