<script setup lang="ts">
// Hands and rack for the set-up: rings, elbows, hook and pin holes, room between the uprights.
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { toRef } from 'vue'
import { furnitureQuery } from '@/shared/queries'
import { useUnits } from '@/shared/units'
import { handsOn } from '@/shared/words'
import type { Shown, SquatSetup } from '../liftPage'
import { REST_MS } from '../useAnalysis'

const props = defineProps<{ lifterId: string; live: SquatSetup; loadKg: number; shown: Shown | null }>()
const { cm } = useUnits()
const setup = refDebounced(toRef(props, 'live'), REST_MS)
const load = refDebounced(toRef(props, 'loadKg'), REST_MS)
const { data: furniture } = useQuery(furnitureQuery(props.lifterId, setup, load))
</script>

<template>
  <p class="note small mt-3">
    The leg moments do not depend on where the bar sits: same floor force, same knee, same hip. Its place
    decides the lean, and through it the back, how far the hips bend and what the shoulders bear.
  </p>
  <section v-if="furniture" class="mt-4">
    <h2>Hands and rack</h2>
    <p>
      <template v-if="furniture.grip.grip_m">
        {{ handsOn(furniture.grip.ring_words, cm(furniture.grip.grip_m, 0)) }}
        <span class="soft small"
          >(both hands the same;
          {{ furniture.grip.set_by_screen ? 'narrowest bearable' : 'usual start, no shoulder screen' }})</span
        >
      </template>
      <template v-else>{{ furniture.grip.ring_words }}</template>
    </p>
    <p v-if="furniture.grip.elbow_flexion_deg != null" class="small soft">
      Elbows fold {{ furniture.grip.elbow_flexion_deg.toFixed(0) }}°, forearms
      {{ furniture.grip.forearm_tilt_deg?.toFixed(0) }}° from plumb.
    </p>
    <p v-if="furniture.grip.problem" class="small signal">{{ furniture.grip.problem }}.</p>
    <p v-if="!furniture.racks.length" class="note decide small mt-2">
      <b>No rack is recorded.</b> Hook and pin holes need its first hole, pitch and lip.
      <RouterLink :to="{ name: 'gym' }">Measure a rack</RouterLink>
    </p>
    <div v-for="rack in furniture.racks" :key="rack.rack" class="rack">
      <p class="small">
        <b>{{ rack.rack }}</b>
        <span class="soft">{{
          rack.clearance_m >= 0 ? `${cm(rack.clearance_m, 0)} free beside each foot` : ''
        }}</span>
      </p>
      <dl>
        <div>
          <dt class="small soft">hooks in hole</dt>
          <dd>{{ rack.hook_hole ?? '–' }}</dd>
        </div>
        <div>
          <dt class="small soft">pins in hole, {{ cm(rack.safety_below_m, 0) }} under the bar</dt>
          <dd>{{ rack.safety_hole ?? '–' }}</dd>
        </div>
      </dl>
      <p v-if="rack.problem" class="small signal">{{ rack.problem }}</p>
    </div>
    <p class="small soft mt-2">Set the pins before loading; squat heavy only with pins or spotters.</p>
  </section>
  <details v-if="shown?.explanations.hip_in_space" class="small soft mt-2">
    <summary>How the hip was worked out</summary>
    <p>{{ shown.explanations.hip_in_space }}</p>
  </details>
</template>

<style scoped>
.rack {
  margin-top: 8px;
  border-top: 1px solid var(--line);
  padding-top: 4px;
}
.rack dl {
  display: flex;
  gap: 24px;
  margin: 0;
}
.rack dl div {
  display: flex;
  flex-direction: column-reverse;
}
.rack dd {
  margin: 0;
  font-size: 19px;
  font-weight: 700;
  line-height: 1.2;
}
</style>
