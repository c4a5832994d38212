<script setup lang="ts">
// What each training day of a week is for, by how many days there are.
import { say } from '@/words'
import { ref } from 'vue'
import OneOf from '@/shared/OneOf.vue'
import { LIFTS, PARTS, partOn, putOn, usualDays, type Lift, type Part, type ShapeText } from './shape'

defineProps<{ fixed: boolean }>()
const text = defineModel<ShapeText>({ required: true })
const days = ref<'2' | '3' | '4'>('3')
const COUNTS = [
  ['2', say('shapes.n_2_days')],
  ['3', say('shapes.n_3_days')],
  ['4', say('shapes.n_4_days')],
] as const
const put = (day: number, lift: Lift, event: Event) => {
  text.value = putOn(
    text.value,
    days.value,
    day,
    lift,
    (event.target as HTMLSelectElement).value as Part | '',
  )
}
</script>

<template>
  <section>
    <div class="head">
      <h2>{{ say('shapes.what_each_day_is_for') }}</h2>
      <OneOf v-model="days" :label="say('shapes.training_days')" :options="COUNTS" />
      <span v-if="!text.days?.[days]" class="small soft">{{ say('shapes.the_usual_days') }}</span>
      <button v-else-if="!fixed" class="linkish small" @click="text = usualDays(text, days)">
        {{ say('shapes.back_to_the_usual_days') }}
      </button>
    </div>
    <table class="plain">
      <thead>
        <tr>
          <th scope="col">{{ say('shapes.day') }}</th>
          <th v-for="lift in LIFTS" :key="lift" scope="col">{{ lift }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="day in Number(days)" :key="day">
          <th scope="row">{{ day }}</th>
          <td v-for="lift in LIFTS" :key="lift">
            <select
              :value="partOn(text, days, day - 1, lift)"
              :disabled="fixed"
              :aria-label="say('shapes.day_of', { day, days, lift })"
              @change="put(day - 1, lift, $event)"
            >
              <option value="">{{ say('shapes.none') }}</option>
              <option v-for="part in PARTS" :key="part" :value="part">{{ part }}</option>
            </select>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  gap: 14px;
  align-items: center;
  flex-wrap: wrap;
}
table.plain {
  max-width: 420px;
}
table.plain td {
  padding: 3px 8px 3px 0;
}
select {
  height: 36px;
  min-width: 120px;
  padding: 4px 8px;
}
select:disabled {
  opacity: 1;
  color: var(--ink);
}
</style>
