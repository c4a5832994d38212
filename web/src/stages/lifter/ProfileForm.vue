<script setup lang="ts">
import { say } from '@/words'
import { useUnits } from '@/shared/units'
import { GOALS } from '@/shared/words'
import type { TypedProfile } from './profile'

const form = defineModel<TypedProfile>({ required: true })
defineProps<{ of: (path: string) => string[] }>()
const { massUnit, lengthUnit } = useUnits()
const GEAR = [
  { value: 'raw', title: say('lifter.raw') },
  { value: 'sleeves', title: say('lifter.sleeves_or_wraps') },
  { value: 'suit', title: say('lifter.supportive_suit') },
]
const AGES = [
  { value: 'novice', title: say('lifter.novice') },
  { value: 'trained', title: say('lifter.trained') },
  { value: 'advanced', title: say('lifter.advanced') },
]
</script>

<template>
  <div class="fields">
    <v-text-field
      v-model="form.name"
      class="wide"
      :label="say('lifter.name')"
      maxlength="120"
      :error-messages="of('name')"
    />
    <v-select
      v-model="form.sex"
      :label="say('lifter.sex_segment_masses')"
      :items="[
        { value: 'female', title: say('lifter.female') },
        { value: 'male', title: say('lifter.male') },
      ]"
    />
    <v-text-field
      v-model="form.born"
      :label="say('lifter.born_in')"
      inputmode="numeric"
      :error-messages="of('born_year')"
    />
    <v-text-field
      v-model="form.mass"
      :label="say('lifter.body_mass_2', { massUnit })"
      inputmode="decimal"
      :error-messages="of('mass_kg')"
    />
    <v-text-field
      v-model="form.stature"
      :label="say('lifter.stature_length_unit', { lengthUnit })"
      inputmode="decimal"
      :error-messages="of('stature_m')"
    />
    <v-select v-model="form.goal" :label="say('lifter.goal')" :items="[...GOALS]" />
    <v-select v-model="form.training_age" :label="say('lifter.training_age')" :items="AGES" />
    <v-select
      v-model="form.walks_out"
      :label="say('lifter.squat')"
      :items="[
        { value: true, title: say('lifter.walked_out') },
        { value: false, title: say('lifter.monolift') },
      ]"
    />
    <v-select v-model="form.gear" :label="say('lifter.gear')" :items="GEAR" />
    <v-textarea
      v-model="form.history"
      class="wide"
      :label="say('lifter.history_injuries_what_the_gym_has')"
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
