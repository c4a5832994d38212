<script setup lang="ts">
// A screen from one picture: it is opened, tapped and measured; the picture stays on this device.
import { useObjectUrl } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { answered, client } from '@/shared/api'
import { useProblem } from '@/shared/useProblem'
import { useUnits } from '@/shared/units'
import ChooseFile from '@/stages/watch/ChooseFile.vue'
import TapStage from '@/stages/watch/TapStage.vue'
import type { Pixel } from '@/stages/watch/taps'
import type { PictureOf } from './screens'

const props = defineProps<{ of: PictureOf; statureM: number }>()
const emit = defineEmits<{ read: [value: number] }>()
const { cm } = useUnits()
const { message, busy, run } = useProblem()
const file = ref<File | null>(null)
const url = useObjectUrl(file)
const unreadable = ref(false)
const tapped = ref<Record<string, Pixel>>({})
const told = ref<{ value: number; words: string } | null>(null)
const step = computed(() => props.of.points.find(({ id }) => !tapped.value[id]) ?? null)
const limbs = computed(() => [
  props.of.limb.map((id) => tapped.value[id]).filter((at): at is Pixel => Boolean(at)),
])

watch(file, () => {
  tapped.value = {}
  told.value = null
  unreadable.value = false
})
async function put(at: Pixel) {
  if (!step.value) return
  tapped.value = { ...tapped.value, [step.value.id]: at }
  if (!step.value) await measure()
}
async function measure() {
  const found = await run(() =>
    answered(
      client.POST('/api/compute/picture', {
        body: { kind: props.of.kind, stature_m: props.statureM, points: tapped.value },
      }),
    ),
  )
  if (!found) return
  const { value, error, unit } = found
  const shown = unit === 'm' ? `${cm(value)} ± ${cm(error)}` : `${value.toFixed(0)}° ± ${error.toFixed(0)}°`
  told.value = { value, words: shown }
}
function again() {
  tapped.value = {}
  told.value = null
}
function take() {
  if (told.value) emit('read', told.value.value)
  file.value = null
}
</script>

<template>
  <div class="of-picture">
    <ChooseFile
      v-if="!file"
      name="From a picture"
      :says="`${of.how} It stays on this device.`"
      accept="image/*"
      @chosen="file = $event"
    />
    <template v-else>
      <p class="small" role="status">
        <template v-if="unreadable">This browser cannot show the picture: take it as JPEG or PNG.</template>
        <template v-else-if="step"
          ><b>{{ step.name }}.</b> {{ step.says }}</template
        >
        <template v-else-if="told"
          >The picture shows <b>{{ told.words }}</b>.</template
        >
      </p>
      <TapStage
        :url="url ?? ''"
        :label="`Picture. ${step ? step.name : 'All points are set'}.`"
        :asking="step !== null"
        :marks="Object.values(tapped)"
        :limbs="limbs"
        still
        @put="put"
        @unreadable="unreadable = true"
      />
      <div class="acts">
        <v-btn v-if="told" variant="flat" :disabled="busy" @click="take">Take it as a reading</v-btn>
        <v-btn v-else-if="!step" variant="flat" :disabled="busy" @click="measure">Measure it</v-btn>
        <button type="button" class="linkish small" :disabled="busy" @click="again">Tap anew</button>
        <button type="button" class="linkish small" @click="file = null">Another picture</button>
      </div>
    </template>
    <p v-if="message" class="signal small" role="alert">{{ message }}</p>
  </div>
</template>

<style scoped>
.of-picture {
  display: grid;
  gap: 8px;
  margin-top: 10px;
}
.acts {
  display: flex;
  gap: 14px;
  align-items: center;
  flex-wrap: wrap;
}
</style>
