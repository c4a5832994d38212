<script setup lang="ts">
// Every set-up that the lifter was settled on, newest first; each can be put on the bench again.
import type { Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { barName, type Setup } from './useSetup'
import { dayOf } from '@/shared/words'

defineProps<{ history: Schemas['HistoryAnswer_SquatSetupIn_'][] }>()
defineEmits<{ choose: [setup: Setup] }>()
const { cm, kg } = useUnits()
const asSetup = (s: Schemas['SquatSetupIn']): Setup => ({
  bar_position: s.bar_position, stance_m: s.stance_m, toe_out_deg: s.toe_out_deg, heel_lift_m: s.heel_lift_m ?? 0,
  ...(s.specialty ? { specialty: s.specialty } : {}),
})
</script>

<template>
  <section>
    <h2>Settled so far</h2>
    <p v-if="!history.length" class="soft">Nothing yet. What is settled stays here with its reason.</p>
    <ul class="past">
      <li v-for="(h, i) in history" :key="h.setup_id">
        <p><b>{{ barName(asSetup(h.setup)) }}, {{ cm(h.setup.stance_m, 0) }}, toes {{ h.setup.toe_out_deg.toFixed(0) }}°</b> <span v-if="i === 0" class="holds small">in force</span></p>
        <p class="small soft">{{ dayOf(h.settled_at) }}, predicted {{ kg(h.predicted_max_kg, 0) }}, model {{ h.model_version }}</p>
        <p v-if="h.reason" class="small">“{{ h.reason }}”</p>
        <button class="linkish small" @click="$emit('choose', asSetup(h.setup))">put it on the bench</button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.past { list-style: none; margin: 6px 0 0; padding: 0; }
.past li { border-top: 1px solid var(--line); padding: 6px 0; }
</style>
