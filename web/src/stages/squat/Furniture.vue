<script setup lang="ts">
// Hands and rack for the set-up: rings, elbows, hook and pin holes, room between the uprights.
import type { Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'

defineProps<{ furniture: Schemas['FurnitureAnswer'] }>()
const { cm } = useUnits()
</script>

<template>
  <section class="mt-4">
    <h2>Hands and rack</h2>
    <p>
      {{ furniture.grip.ring_words }}
      <span v-if="furniture.grip.grip_m" class="soft small">({{ cm(furniture.grip.grip_m, 0) }} apart, both hands the same; {{ furniture.grip.set_by_screen ? 'narrowest bearable' : 'usual start, no shoulder screen' }})</span>
    </p>
    <p v-if="furniture.grip.elbow_flexion_deg != null" class="small soft">Elbows fold {{ furniture.grip.elbow_flexion_deg.toFixed(0) }}°, forearms {{ furniture.grip.forearm_tilt_deg?.toFixed(0) }}° from plumb.</p>
    <p v-if="furniture.grip.problem" class="small signal">{{ furniture.grip.problem }}.</p>
    <p v-if="!furniture.racks.length" class="note decide small mt-2">
      <b>No rack is recorded.</b> Hook and pin holes need its first hole, pitch and lip. <RouterLink :to="{ name: 'gym' }">Measure a rack</RouterLink>
    </p>
    <div v-for="rack in furniture.racks" :key="rack.rack" class="rack">
      <p class="small"><b>{{ rack.rack }}</b> <span class="soft">{{ rack.clearance_m >= 0 ? `${cm(rack.clearance_m, 0)} free beside each foot` : '' }}</span></p>
      <dl>
        <div><dt class="small soft">hook hole, {{ cm(rack.dip_m, 0) }} dip</dt><dd>{{ rack.hook_hole ?? '–' }}</dd></div>
        <div><dt class="small soft">pin hole, {{ cm(rack.safety_below_m, 0) }} under</dt><dd>{{ rack.safety_hole ?? '–' }}</dd></div>
      </dl>
      <p v-if="rack.problem" class="small signal">{{ rack.problem }}</p>
    </div>
    <p class="small soft mt-2">Set the pins before loading; squat heavy only with pins or spotters.</p>
  </section>
</template>

<style scoped>
.rack { margin-top: 8px; border-top: 1px solid var(--line); padding-top: 4px; }
.rack dl { display: flex; gap: 24px; margin: 0; }
.rack dl div { display: flex; flex-direction: column-reverse; }
.rack dd { margin: 0; font-size: 19px; font-weight: 700; line-height: 1.2; }
</style>
