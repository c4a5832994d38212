<script setup lang="ts">
// Sets, reps, RPE and load as a coach types them, and what is wrong with them.
import { say } from '@/words'
import { useUnits } from '@/shared/units'
import type { TypedWork } from './work'

const work = defineModel<TypedWork>({ required: true })
withDefaults(defineProps<{ unit?: 'reps' | 's' | 'm' }>(), { unit: 'reps' })
const AMOUNT = { reps: say('prescribe.reps'), s: say('prescribe.seconds'), m: say('prescribe.metres') }
const { massUnit } = useUnits()
</script>

<template>
  <div class="work">
    <v-text-field v-model="work.sets" :label="say('prescribe.sets')" inputmode="numeric" />
    <v-text-field v-model="work.reps" :label="AMOUNT[unit]" inputmode="numeric" />
    <v-text-field v-model="work.rpe" label="RPE" inputmode="decimal" />
    <v-text-field
      v-model="work.load"
      :label="say('prescribe.load_mass_unit', { massUnit })"
      inputmode="decimal"
    />
  </div>
</template>

<style scoped>
.work {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr 1.5fr;
  gap: 6px;
}
</style>
