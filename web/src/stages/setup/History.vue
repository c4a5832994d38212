<script setup lang="ts">
// Every set-up that the lifter was settled on, newest first; each can be taken up again.
import { say } from '@/words'
import { useLift } from '@/shared/lifts'
import { useUnits } from '@/shared/units'
import { dayOf } from '@/shared/words'
import { isDeadlift, styleOf, type LiftPage, type Setup } from './liftPage'

interface Past {
  setup_id: string
  setup: Setup
  predicted_max_kg: number
  reason: string
  settled_at: string
  model_version: string
}
const props = defineProps<{ page: LiftPage; history: Past[] }>()
defineEmits<{ choose: [setup: Setup] }>()
const { cm, kg } = useUnits()
const { nameOf } = useLift(props.page.id)
const named = (setup: Setup) =>
  (isDeadlift(setup) ? undefined : setup.specialty?.name) ?? nameOf(styleOf(setup))
</script>

<template>
  <section>
    <h2>{{ say('setup.settled_so_far') }}</h2>
    <p v-if="!history.length" class="soft">{{ say('setup.nothing_yet_what_is_settled_stays') }}</p>
    <ul class="past">
      <li v-for="(h, i) in history" :key="h.setup_id">
        <p>
          <b>{{
            say('setup.setup_stance_m_toes_toe_out', {
              setup: named(h.setup),
              stance_m: cm(h.setup.stance_m, 0),
              toe_out_deg: h.setup.toe_out_deg.toFixed(0),
            })
          }}</b>
          <span v-if="i === 0" class="holds small">{{ say('setup.in_force') }}</span>
        </p>
        <p class="small soft">
          {{
            say('setup.predicted_model', {
              settled_at: dayOf(h.settled_at),
              predicted_max_kg: kg(h.predicted_max_kg, 0),
              model_version: h.model_version,
            })
          }}
        </p>
        <p v-if="h.reason" class="small">“{{ h.reason }}”</p>
        <button class="linkish small" @click="$emit('choose', page.setupOf(h.setup))">
          {{ say('setup.take_it_up_again') }}
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.past {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
}
.past li {
  border-top: 1px solid var(--line);
  padding: 6px 0;
}
</style>
