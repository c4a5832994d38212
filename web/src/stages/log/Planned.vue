<script setup lang="ts">
// Today's lines of the plan; one tap takes a line's load and variation into the set.
import { say } from '@/words'
import { computed } from 'vue'
import DrillResult from '@/stages/prescribe/DrillResult.vue'
import { amountOf, effortWords } from '@/stages/prescribe/words'
import type { Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'

const props = defineProps<{
  lines: Schemas['PlannedLine'][]
  variation: string
  loadKg: number
  lifterId: string
  lift: string
  mayWrite: boolean
}>()
const emit = defineEmits<{ take: [line: Schemas['PlannedLine']] }>()
const { kg } = useUnits()
/** The steps of a way up say why once, where it goes on. */
const next = computed(() => props.lines.find((line) => line.done < line.sets))
const why = (line: Schemas['PlannedLine']) =>
  line.until_rpe && line !== next.value ? '' : line.note || line.reasons[0]?.text
</script>

<template>
  <section v-if="lines.length">
    <h2>{{ say('log.todays_plan') }}</h2>
    <ul>
      <li v-for="line in lines" :key="line.line_id">
        <button
          :class="{
            on: line.variation === variation && line.load_kg === loadKg,
            done: line.done >= line.sets,
          }"
          @click="emit('take', line)"
        >
          <span
            ><b>{{ line.title }}</b> {{ line.sets }} × {{ amountOf(line)
            }}<template v-if="line.load_kg !== null"> × {{ kg(line.load_kg, 2) }}</template
            ><template v-if="line.rpe !== null">{{ ' ' }}{{ effortWords(line.rpe) }}</template></span
          >
          <span class="small soft">{{
            line.done >= line.sets
              ? say('log.done')
              : line.done
                ? say('log.of_done', { done: line.done, sets: line.sets })
                : why(line)
          }}</span>
        </button>
        <DrillResult
          v-if="line.kind === 'drill' && mayWrite"
          :lifter-id="lifterId"
          :line="{ lift, variation: line.variation }"
        />
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
  gap: 4px;
}
button {
  font: inherit;
  color: inherit;
  width: 100%;
  min-height: 46px;
  text-align: left;
  background: none;
  border: 1px solid var(--hair);
  border-left: 3px solid var(--line);
  border-radius: 3px;
  padding: 4px 10px;
  cursor: pointer;
  display: flex;
  flex-direction: column;
}
.on {
  border-color: var(--ink);
  border-left-color: var(--signal);
}
.done b {
  text-decoration: line-through;
}
</style>
