<script setup lang="ts">
// The way of the lift: walked step by step, or phase by phase with the largest use in each.
import { say } from '@/words'
import { computed } from 'vue'
import type { Shown } from './liftPage'

const props = defineProps<{ shown: Shown }>()
/** A step of the way; null is the pose that is judged. */
const step = defineModel<number | null>({ required: true })
const last = computed(() => Math.max(0, (props.shown.way?.pitch_deg.length ?? 1) - 1))
const home = computed(() => props.shown.stops.find(({ id }) => id === props.shown.home)?.index ?? 0)
const at = computed(() => step.value ?? home.value)
const onStop = computed(() => {
  const { home: judged, phases, stops } = props.shown
  if (step.value === null) return judged
  return phases[step.value] ?? stops.find(({ index }) => index === step.value)?.id
})
const told = computed(
  () =>
    props.shown.stops.find(({ id }) => id === onStop.value)?.name ??
    say('setup.step_of', { at: at.value, last: last.value }),
)
function walk(event: Event) {
  const wanted = Number((event.target as HTMLInputElement).value)
  step.value = wanted === home.value ? null : wanted
}
</script>

<template>
  <div class="way">
    <input
      type="range"
      min="0"
      :max="last"
      :value="at"
      :disabled="!shown.way"
      :aria-label="say('setup.way_of_the_lift')"
      :aria-valuetext="told"
      @input="walk"
    />
    <ol :aria-label="say('setup.phases_of_the_lift')">
      <li v-for="stop in shown.stops" :key="stop.id">
        <button
          :class="{ on: stop.id === onStop }"
          :aria-pressed="stop.id === onStop"
          @click="step = stop.id === shown.home ? null : stop.index"
        >
          <span>{{ stop.name }}</span>
          <span class="small soft">{{ stop.text }}</span>
        </button>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.way {
  border-top: 1px solid var(--line);
}
input {
  accent-color: var(--ink);
  width: 100%;
  display: block;
  height: 20px;
}
ol {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(0, 1fr));
  grid-auto-flow: column;
  list-style: none;
  padding: 0;
  margin: 0;
}
button {
  width: 100%;
  min-height: 46px;
  text-align: left;
  background: none;
  border: 0;
  border-left: 1px solid var(--line);
  padding: 4px 2px 4px 7px;
  font: inherit;
  color: inherit;
  cursor: pointer;
  display: flex;
  flex-direction: column;
}
button.on {
  border-left: 3px solid var(--signal);
  font-weight: 700;
}
button:hover {
  background: var(--hair);
}
@media (max-width: 760px) {
  ol {
    grid-template-columns: repeat(3, 1fr);
    grid-auto-flow: row;
  }
}
</style>
