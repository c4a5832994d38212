<script setup lang="ts">
import { useUnits } from '@/shared/units'
import { GOALS } from '@/shared/words'
import type { TypedProfile } from './profile'

const form = defineModel<TypedProfile>({ required: true })
defineProps<{ of: (path: string) => string[] }>()
const { massUnit, lengthUnit } = useUnits()
const GEAR = [
  { value: 'raw', title: 'Raw' },
  { value: 'sleeves', title: 'Sleeves or wraps' },
  { value: 'suit', title: 'Supportive suit' },
]
const AGES = [
  { value: 'novice', title: 'Novice' },
  { value: 'trained', title: 'Trained' },
  { value: 'advanced', title: 'Advanced' },
]
</script>

<template>
  <div class="fields">
    <v-text-field
      v-model="form.name"
      class="wide"
      label="Name"
      maxlength="120"
      :error-messages="of('name')"
    />
    <v-select
      v-model="form.sex"
      label="Sex (segment masses)"
      :items="[
        { value: 'female', title: 'Female' },
        { value: 'male', title: 'Male' },
      ]"
    />
    <v-text-field v-model="form.born" label="Born in" inputmode="numeric" :error-messages="of('born_year')" />
    <v-text-field
      v-model="form.mass"
      :label="`Body mass, ${massUnit}`"
      inputmode="decimal"
      :error-messages="of('mass_kg')"
    />
    <v-text-field
      v-model="form.stature"
      :label="`Stature, ${lengthUnit}`"
      inputmode="decimal"
      :error-messages="of('stature_m')"
    />
    <v-select v-model="form.goal" label="Goal" :items="[...GOALS]" />
    <v-select v-model="form.training_age" label="Training age" :items="AGES" />
    <v-select
      v-model="form.walks_out"
      label="Squat"
      :items="[
        { value: true, title: 'Walked out' },
        { value: false, title: 'Monolift' },
      ]"
    />
    <v-select v-model="form.gear" label="Gear" :items="GEAR" />
    <v-textarea
      v-model="form.history"
      class="wide"
      label="History, injuries, what the gym has"
      maxlength="4000"
      :error-messages="of('history')"
    />
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.wide {
  grid-column: 1 / -1;
}
@media (max-width: 560px) {
  .fields {
    grid-template-columns: 1fr;
  }
}
</style>
