<script setup lang="ts">
// Sets, reps, RPE and load as a coach types them, and what is wrong with them.
import { useUnits } from '@/shared/units'
import type { TypedWork } from './work'

const work = defineModel<TypedWork>({ required: true })
withDefaults(defineProps<{ unit?: 'reps' | 's' | 'm' }>(), { unit: 'reps' })
const AMOUNT = { reps: 'Reps', s: 'Seconds', m: 'Metres' }
const { massUnit } = useUnits()
</script>

<template>
  <div class="work">
    <v-text-field v-model="work.sets" label="Sets" inputmode="numeric" />
    <v-text-field v-model="work.reps" :label="AMOUNT[unit]" inputmode="numeric" />
    <v-text-field v-model="work.rpe" label="RPE" inputmode="decimal" />
    <v-text-field v-model="work.load" :label="`Load, ${massUnit}`" inputmode="decimal" />
  </div>
</template>

<style scoped>
.work {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr 1.5fr;
  gap: 6px;
}
</style>
