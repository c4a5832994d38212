<script setup lang="ts">
// What a new club still lacks, each with its door; a step that is not wanted is put aside.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import { equipmentQuery } from '@/shared/queries'

const props = defineProps<{ club: string; lifters: number }>()
const equipment = useQuery(equipmentQuery)
const aside = useLocalStorage<Record<string, string[]>>('pavrik-steps-aside', {})
const steps = computed(() => {
  if (!equipment.data.value) return []
  const asideHere = aside.value[props.club] ?? []
  return [
    {
      id: 'lifter',
      open: props.lifters === 0,
      text: say('floor.add_the_first_lifter'),
      to: { name: 'new-lifter' },
      why: say('floor.a_name_body_mass_and_stature'),
    },
    {
      id: 'rack',
      open: equipment.data.value.racks.length === 0,
      text: say('floor.measure_a_rack'),
      to: { name: 'gym' },
      why: say('floor.then_hooks_and_pins_are_set'),
    },
    {
      id: 'plates',
      open: equipment.data.value.bars.length < 2,
      text: say('floor.count_bars_and_plates'),
      to: { name: 'gym' },
      why: say('floor.a_usual_set_stands_in_until'),
    },
  ].filter((step) => step.open && !asideHere.includes(step.id))
})
function putAside(id: string) {
  aside.value = { ...aside.value, [props.club]: [...(aside.value[props.club] ?? []), id] }
}
</script>

<template>
  <section v-if="steps.length" class="note steps" aria-labelledby="first-steps">
    <h2 id="first-steps">{{ say('floor.first_steps') }}</h2>
    <ul>
      <li v-for="step in steps" :key="step.id">
        <RouterLink :to="step.to"
          ><b>{{ step.text }}</b></RouterLink
        >
        <span class="small soft">{{ ' ' }}{{ step.why }} </span>
        <button
          type="button"
          class="linkish small"
          :aria-label="say('floor.not_now', { text: step.text })"
          @click="putAside(step.id)"
        >
          {{ say('floor.not_now_2') }}
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.steps {
  margin: 14px 26px 0;
  max-width: 760px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 6px 0 0;
  display: grid;
  gap: 6px;
}
@media (max-width: 900px) {
  .steps {
    margin: 14px;
  }
}
</style>
