<script setup lang="ts">
// The tape checked by a picture: limbs of a lifter who stands side on, beside what was read twice.
import { say } from '@/words'
import { computed, ref } from 'vue'
import { answered, client, type Schemas } from '@/shared/api'
import { useProblem } from '@/shared/useProblem'
import { useUnits } from '@/shared/units'
import type { Pixel } from '@/stages/watch/taps'
import { STANDING } from './screens'
import PictureToTap from './PictureToTap.vue'

type Landmark = Schemas['LandmarkAnswer']
const props = defineProps<{ landmarks: Landmark[]; statureM: number }>()
const emit = defineEmits<{ pick: [segment: string] }>()
const { cm } = useUnits()
const { message, busy, run } = useProblem()
const lengths = ref<Schemas['LengthsAnswer']['lengths'] | null>(null)

async function measure(points: Record<string, Pixel>) {
  const taped = props.landmarks.filter((l) => !l.estimated).map((l) => [l.segment, l.length_m])
  const found = await run(() =>
    answered(
      client.POST('/api/compute/lengths', {
        body: {
          stature_m: props.statureM,
          points,
          taped_m: Object.fromEntries(taped),
        },
      }),
    ),
  )
  lengths.value = found?.lengths ?? null
}
const rows = computed(() =>
  props.landmarks.flatMap((landmark) => {
    const seen = lengths.value?.[landmark.segment]
    return seen ? [{ landmark, seen }] : []
  }),
)
const wrong = computed(() => rows.value.filter(({ seen }) => seen.contradicts))
</script>

<template>
  <details class="note mt-5 small tape">
    <summary>
      <b>{{ say('measure.check_the_tape_with_a_picture') }}</b>
    </summary>
    <PictureToTap
      name="A picture from the side"
      :how="STANDING.how"
      :points="STANDING.points"
      :limbs="STANDING.limbs"
      :message="message"
      :busy="busy"
      @complete="measure"
      @anew="lengths = null"
    >
      <template #told>
        <template v-if="wrong.length">
          <b class="signal">{{ wrong.map(({ landmark }) => landmark.name).join(', ') }}:</b>
          {{ say('measure.tape_and_picture_cannot_well_be') }}
        </template>
        <template v-else-if="rows.length">
          {{ say('measure.nothing_that_was_taped_is_contradicted') }}
        </template>
      </template>
      <template #acts="{ again }">
        <v-btn v-if="!lengths" variant="flat" :disabled="busy" @click="again">{{
          say('measure.measure_it')
        }}</v-btn>
      </template>
    </PictureToTap>
    <table v-if="rows.length" class="num mt-2">
      <thead>
        <tr>
          <th scope="col">{{ say('measure.length') }}</th>
          <th scope="col">{{ say('measure.tape') }}</th>
          <th scope="col">{{ say('measure.picture') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ landmark, seen } in rows" :key="landmark.landmark">
          <th scope="row">
            <button class="linkish" type="button" @click="emit('pick', landmark.segment)">
              {{ landmark.name }}
            </button>
          </th>
          <td>{{ landmark.estimated ? say('measure.not_taped') : cm(landmark.length_m) }}</td>
          <td :class="{ signal: seen.contradicts }">{{ cm(seen.length_m) }} ± {{ cm(seen.error_m) }}</td>
        </tr>
      </tbody>
    </table>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  font-weight: inherit;
  text-align: left;
}
td {
  text-align: right;
}
th:not(:first-child) {
  text-align: right;
}
</style>
