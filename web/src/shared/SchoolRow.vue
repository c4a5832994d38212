<script setup lang="ts">
// One school: the question, the position in force, why it is the default, what it changes.
import { say } from '@/words'
import { computed } from 'vue'
import type { Schemas } from './api'

const props = defineProps<{
  school: Schemas['SchoolAnswer']
  chosen: string | undefined
  disabled: boolean
}>()
defineEmits<{ choose: [position: string] }>()
const cue = computed(() => props.school.positions.find((p) => p.id === props.chosen)?.cue)
</script>

<template>
  <div class="school">
    <label :for="school.id">{{ school.question }}</label>
    <select
      :id="school.id"
      :disabled="disabled"
      :value="chosen"
      @change="$emit('choose', ($event.target as HTMLSelectElement).value)"
    >
      <option v-for="p in school.positions" :key="p.id" :value="p.id">{{ p.text }}</option>
    </select>
    <span class="small soft why"
      >{{
        say('shared.default_because_it_changes', {
          why_default: school.why_default,
          switches: school.switches,
        })
      }}<template v-if="cue">{{ ' ' }}{{ say('shared.cue', { cue }) }}</template></span
    >
  </div>
</template>

<style scoped>
.school {
  display: grid;
  grid-template-columns: 1fr 220px;
  gap: 2px 12px;
  padding: 7px 0;
  border-top: 1px solid var(--hair);
  align-items: center;
}
.why {
  grid-column: 1 / -1;
}
select {
  padding: 5px 7px;
  width: 100%;
}
@media (max-width: 900px) {
  .school {
    grid-template-columns: 1fr;
  }
}
</style>
