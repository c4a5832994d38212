<script setup lang="ts">
// What each fault costs at this lifter's load; choosing one shows its pose as a ghost.
import { say } from '@/words'
import type { Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { USE_NAMES, givesOutFirst, percent } from '@/shared/words'

defineProps<{ answer: Schemas['CostAnswer']; chosen: string | null; faultName: (id: string) => string }>()
defineEmits<{ choose: [faultId: string | null] }>()
const { kg } = useUnits()
const most = (costs: Schemas['FaultCostOut'][]) => Math.max(0.02, ...costs.map((c) => c.lost_share))
function also(c: Schemas['FaultCostOut']): string {
  const parts = []
  if (c.most_moved.after > c.most_moved.before + 0.01)
    parts.push(
      `${USE_NAMES[c.most_moved.name]?.toLowerCase()} ${percent(c.most_moved.before)} → ${percent(c.most_moved.after)}`,
    )
  if (c.limiter_after !== c.limiter_before)
    parts.push(say('setup.then_limiter_after', { limiter_after: givesOutFirst(c.limiter_after) }))
  if (Math.abs(c.knee_inward_nm) >= 3)
    parts.push(
      say('setup.sideways_at_each_knee', {
        knee_inward_nm: c.knee_inward_nm > 0 ? '+' : '−',
        knee_inward_nm2: Math.abs(c.knee_inward_nm).toFixed(0),
      }),
    )
  return parts.join('; ')
}
</script>

<template>
  <section>
    <h2>
      {{ say('setup.what_a_fault_costs') }} <small>{{ say('setup.of_the_predicted_max_at_this') }}</small>
    </h2>
    <p v-if="!answer.costs.length" class="soft">
      {{ say('setup.a_set_up_that_does_not', { reasons: answer.reasons[0] }) }}
    </p>
    <ul v-else class="costs">
      <li v-for="c in answer.costs" :key="c.fault_id">
        <button
          :class="{ on: chosen === c.fault_id }"
          :aria-pressed="chosen === c.fault_id"
          @click="$emit('choose', chosen === c.fault_id ? null : c.fault_id)"
        >
          <span
            ><b>{{ faultName(c.fault_id) }}</b> <span class="small soft">{{ c.words }}</span></span
          >
          <span class="price"
            ><b :class="{ signal: c.lost_share > 0.03 }">{{
              Math.abs(c.lost_kg) < 0.5
                ? say('setup.no_price')
                : `${c.lost_kg > 0 ? '−' : '+'}${kg(Math.abs(c.lost_kg), 0)}`
            }}</b>
            <span class="small soft">{{ percent(Math.abs(c.lost_share), 1) }}</span></span
          >
          <span class="track"
            ><span
              class="fill"
              :style="{ width: percent(Math.max(0, c.lost_share) / most(answer.costs)).replace(' ', '') }"
          /></span>
          <span v-if="also(c)" class="small soft wide">{{ also(c) }}</span>
        </button>
      </li>
    </ul>
    <p class="small soft mt-2">{{ say('setup.amounts_are_usual_sizes_of_the') }}</p>
  </section>
</template>

<style scoped>
.costs {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
}
button {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 10px;
  width: calc(100% + 10px);
  margin-left: -10px;
  text-align: left;
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  border-bottom: 1px solid var(--line);
  border-left: 3px solid transparent;
  padding: 5px 0 5px 8px;
  cursor: pointer;
}
button:hover {
  background: var(--hair);
}
button.on {
  border-left-color: var(--signal);
  background: var(--signal-wash);
}
.price {
  text-align: right;
  white-space: nowrap;
}
.track {
  grid-column: 1 / -1;
  height: 3px;
  background: var(--hair);
  margin-top: 3px;
}
.fill {
  display: block;
  height: 100%;
  background: var(--signal);
}
.wide {
  grid-column: 1 / -1;
}
</style>
