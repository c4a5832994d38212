<script setup lang="ts">
// The time zone that training days are counted in: the club's, not the server's.
import { say } from '@/words'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answered, client, once, uuid7 } from '@/shared/api'
import { useProblem } from '@/shared/useProblem'

defineProps<{ mayWrite: boolean }>()
const queries = useQueryClient()
const place = useQuery({ queryKey: ['place'], queryFn: () => answered(client.GET('/api/equipment/place')) })
const here = Intl.DateTimeFormat().resolvedOptions().timeZone
const zones = computed(() => [
  ...new Set(['UTC', here, place.data.value?.time_zone ?? 'UTC', ...Intl.supportedValuesOf('timeZone')]),
])
const { message, busy, run } = useProblem()
async function choose(zone: string) {
  await run(() =>
    answered(client.PUT('/api/equipment/place', { params: once(uuid7()), body: { time_zone: zone } })),
  )
  await queries.invalidateQueries()
}
</script>

<template>
  <section v-if="place.data.value">
    <h2>
      {{ say('gym.where_the_club_trains') }} <small>{{ say('gym.a_training_day_begins_and_ends') }}</small>
    </h2>
    <p class="row">
      <select
        :aria-label="say('gym.time_zone_of_the_club')"
        :value="place.data.value.time_zone"
        :disabled="!mayWrite || busy"
        @change="choose(($event.target as HTMLSelectElement).value)"
      >
        <option v-for="z in zones" :key="z">{{ z }}</option>
      </select>
      <button v-if="mayWrite && place.data.value.time_zone !== here" class="linkish" @click="choose(here)">
        {{ say('gym.this_device_is_in_use_it', { here }) }}
      </button>
    </p>
    <p v-if="message" class="signal" role="alert">{{ message }}</p>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  gap: 12px;
  align-items: center;
  flex-wrap: wrap;
  margin-top: 6px;
}
select {
  min-height: 38px;
  max-width: 260px;
}
</style>
