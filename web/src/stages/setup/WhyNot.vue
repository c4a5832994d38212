<script setup lang="ts">
// Why a style is closed to this body, and the smallest changes that open it.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import type { Schemas } from '@/shared/api'
import { whyNotQuery } from '@/shared/queries'
import { useUnits } from '@/shared/units'
import type { LiftPage, Part } from './liftPage'

const props = defineProps<{ page: LiftPage; lifterId: string; style: string }>()
const emit = defineEmits<{ choose: [part: Part] }>()
const { cm, kg } = useUnits()
const answer = useQuery(whyNotQuery(props.page.id, props.lifterId, props.style))
type Remedy = Schemas['RemedyOut']
const placed = (r: Remedy) =>
  say('setup.at_toes', {
    predicted_max_kg: kg(r.predicted_max_kg, 0),
    stance_m: cm(r.stance_m, 0),
    toe_out_deg: r.toe_out_deg.toFixed(0),
  })
function tryIt(r: Remedy) {
  emit('choose', {
    ...props.page.inStyle(props.style),
    stance_m: r.stance_m,
    toe_out_deg: r.toe_out_deg,
    heel_lift_m: r.heel_lift_m,
  })
}
</script>

<template>
  <div class="why small">
    <p v-if="answer.isPending.value" class="soft">{{ say('setup.pulling_every_lever') }}</p>
    <p v-else-if="answer.error.value" class="signal">
      {{ answer.error.value.message }}
      <button class="linkish" @click="answer.refetch()">{{ say('setup.try_again') }}</button>
    </p>
    <template v-else-if="answer.data.value">
      <p v-for="g in answer.data.value.gates" :key="g" class="signal first">{{ g }}.</p>
      <ol v-if="answer.data.value.binding.length">
        <li v-for="b in answer.data.value.binding" :key="b" class="first">{{ b }}.</li>
      </ol>
      <p v-if="answer.data.value.feasible">{{ say('setup.open_it_was_only_not_the') }}</p>
      <template v-else-if="answer.data.value.remedies.length">
        <p>
          <b>{{ say('setup.the_smallest_change_that_opens_it') }}</b>
        </p>
        <ul>
          <li v-for="r in answer.data.value.remedies" :key="r.words">
            <b>{{ r.words }}</b>: {{ placed(r) }}
            <button v-if="r.heel_lift_m > 0 && r.heel_lift_m <= 0.03" class="linkish" @click="tryIt(r)">
              {{ say('setup.try_it') }}
            </button>
          </li>
        </ul>
      </template>
      <p v-else-if="answer.data.value.gates.length">{{ say('setup.while_that_stands_no_change_of') }}</p>
      <p v-else>{{ page.noRemedy }}</p>
    </template>
  </div>
</template>

<style scoped>
.why {
  border-left: 2px solid var(--line);
  padding: 2px 0 2px 10px;
  margin-top: 4px;
}
ol,
ul {
  margin: 2px 0;
  padding-left: 18px;
}
</style>
