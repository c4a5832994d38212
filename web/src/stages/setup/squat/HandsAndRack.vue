<script setup lang="ts">
// Hands and rack for the set-up: rings, elbows, hook and pin holes, room between the uprights.
import { say } from '@/words'
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
  <p class="note small mt-3">{{ say('setup.the_leg_moments_do_not_depend') }}</p>
  <section v-if="furniture" class="mt-4">
    <h2>{{ say('setup.hands_and_rack') }}</h2>
    <p>
      <template v-if="furniture.grip.grip_m">
        {{ handsOn(furniture.grip.ring_words, cm(furniture.grip.grip_m, 0)) }}
        <span class="soft small">{{
          say('setup.both_hands_the_same', {
            narrowest: furniture.grip.set_by_screen
              ? say('setup.narrowest_bearable')
              : say('setup.usual_start_no_shoulder_screen'),
          })
        }}</span>
      </template>
      <template v-else>{{ furniture.grip.ring_words }}</template>
    </p>
    <p v-if="furniture.grip.elbow_flexion_deg != null" class="small soft">
      {{
        say('setup.elbows_fold_forearms_from_plumb', {
          elbow_flexion_deg: furniture.grip.elbow_flexion_deg.toFixed(0),
          forearm_tilt_deg: furniture.grip.forearm_tilt_deg?.toFixed(0),
        })
      }}
    </p>
    <p v-if="furniture.grip.problem" class="small signal">{{ furniture.grip.problem }}.</p>
    <p v-if="!furniture.racks.length" class="note decide small mt-2">
      <b>{{ say('setup.no_rack_is_recorded') }}</b> {{ say('setup.hook_and_pin_holes_need_its') }}
      <RouterLink :to="{ name: 'gym' }">{{ say('setup.measure_a_rack') }}</RouterLink>
    </p>
    <div v-for="rack in furniture.racks" :key="rack.rack" class="rack">
      <p class="small">
        <b>{{ rack.rack }}</b>
        <span class="soft">{{
          rack.clearance_m >= 0
            ? say('setup.free_beside_each_foot', { clearance_m: cm(rack.clearance_m, 0) })
            : ''
        }}</span>
      </p>
      <dl>
        <div>
          <dt class="small soft">{{ say('setup.hooks_in_hole') }}</dt>
          <dd>{{ rack.hook_hole ?? '–' }}</dd>
        </div>
        <div>
          <dt class="small soft">
            {{ say('setup.pins_in_hole_under_the_bar', { safety_below_m: cm(rack.safety_below_m, 0) }) }}
          </dt>
          <dd>{{ rack.safety_hole ?? '–' }}</dd>
        </div>
      </dl>
      <p v-if="rack.problem" class="small signal">{{ rack.problem }}</p>
    </div>
    <p class="small soft mt-2">{{ say('setup.set_the_pins_before_loading_squat') }}</p>
  </section>
  <details v-if="shown?.explanations.hip_in_space" class="small soft mt-2">
    <summary>{{ say('setup.how_the_hip_was_worked_out') }}</summary>
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
