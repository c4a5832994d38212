<script setup lang="ts">
// A screen from one picture: it is opened, tapped and measured.
import { say } from '@/words'
import { ref } from 'vue'
import { answered, client } from '@/shared/api'
import { useProblem } from '@/shared/useProblem'
import { useUnits } from '@/shared/units'
import type { Pixel } from '@/stages/watch/taps'
import type { PictureOf } from './screens'
import PictureToTap from './PictureToTap.vue'

const props = defineProps<{ of: PictureOf; statureM: number }>()
const emit = defineEmits<{ read: [value: number] }>()
const { cm } = useUnits()
const { message, busy, run } = useProblem()
const told = ref<{ value: number; words: string } | null>(null)

async function measure(points: Record<string, Pixel>) {
  const found = await run(() =>
    answered(
      client.POST('/api/compute/picture', {
        body: { kind: props.of.kind, stature_m: props.statureM, points },
      }),
    ),
  )
  if (!found) return
  const { value, error, unit } = found
  const shown = unit === 'm' ? `${cm(value)} ± ${cm(error)}` : `${value.toFixed(0)}° ± ${error.toFixed(0)}°`
  told.value = { value, words: shown }
}
function take(close: () => void) {
  if (told.value) emit('read', told.value.value)
  close()
}
</script>

<template>
  <PictureToTap
    name="From a picture"
    :how="of.how"
    :points="of.points"
    :limbs="[of.limb]"
    :message="message"
    :busy="busy"
    @complete="measure"
    @anew="told = null"
  >
    <template #told>
      <template v-if="told"
        >{{ say('measure.the_picture_shows') }} <b>{{ told.words }}</b>.</template
      >
    </template>
    <template #acts="{ close, again }">
      <v-btn v-if="told" variant="flat" :disabled="busy" @click="take(close)">{{
        say('measure.take_it_as_a_reading')
      }}</v-btn>
      <v-btn v-else variant="flat" :disabled="busy" @click="again">{{ say('measure.measure_it') }}</v-btn>
    </template>
  </PictureToTap>
</template>
