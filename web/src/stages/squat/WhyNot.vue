<script setup lang="ts">
// Why a style is closed to this body, and the smallest changes that open it.
import { useQuery } from '@tanstack/vue-query'
import { answered, client } from '@/shared/api'
import { useUnits } from '@/shared/units'
import type { BarPosition } from '@/shared/words'
import type { Setup } from './useSetup'

const props = defineProps<{ lifterId: string; position: BarPosition }>()
const emit = defineEmits<{ choose: [setup: Setup] }>()
const { cm, kg } = useUnits()
const answer = useQuery({
  queryKey: ['why-not', props.lifterId, props.position],
  queryFn: () =>
    answered(client.GET('/api/lifters/{lifter_id}/squat/why-not', { params: { path: { lifter_id: props.lifterId }, query: { style: props.position } } })),
})
function tryIt(remedy: { stance_m: number; toe_out_deg: number; heel_lift_m: number }) {
  emit('choose', { bar_position: props.position, stance_m: remedy.stance_m, toe_out_deg: remedy.toe_out_deg, heel_lift_m: remedy.heel_lift_m })
}
</script>

<template>
  <div class="why small">
    <p v-if="answer.isPending.value" class="soft">Pulling every lever …</p>
    <p v-else-if="answer.error.value" class="signal">{{ answer.error.value.message }} <button class="linkish" @click="answer.refetch()">Try again</button></p>
    <template v-else-if="answer.data.value">
      <p v-for="g in answer.data.value.gates" :key="g" class="signal first">{{ g }}.</p>
      <ol v-if="answer.data.value.binding.length"><li v-for="b in answer.data.value.binding" :key="b">{{ b }}.</li></ol>
      <p v-if="answer.data.value.feasible">Open: it was only not the best of its kind.</p>
      <template v-else-if="answer.data.value.remedies.length">
        <p><b>The smallest change that opens it</b></p>
        <ul>
          <li v-for="r in answer.data.value.remedies" :key="r.words">
            <b>{{ r.words }}</b>: {{ kg(r.predicted_max_kg, 0) }} at {{ cm(r.stance_m, 0) }}, toes {{ r.toe_out_deg.toFixed(0) }}°
            <button v-if="r.heel_lift_m > 0 && r.heel_lift_m <= 0.03" class="linkish" @click="tryIt(r)">put it on the bench</button>
          </li>
        </ul>
      </template>
      <p v-else-if="answer.data.value.gates.length">While that stands, no change of feet, heel or depth opens it.</p>
      <p v-else>No single lever and no pair of them opens it: take the learning ladder.</p>
    </template>
  </div>
</template>

<style scoped>
.why { border-left: 2px solid var(--line); padding: 2px 0 2px 10px; margin-top: 4px; }
ol, ul { margin: 2px 0; padding-left: 18px; }
</style>
