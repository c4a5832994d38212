<script setup lang="ts">
// A picture of this device, opened and tapped point by point; it never leaves the device.
import { say } from '@/words'
import { useObjectUrl } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import ChooseFile from '@/stages/watch/ChooseFile.vue'
import TapStage from '@/stages/watch/TapStage.vue'
import type { Pixel } from '@/stages/watch/taps'
import type { PointOf } from './screens'

const props = defineProps<{
  name: string
  how: string
  points: PointOf[]
  limbs: string[][]
  message: string
  /** It is being measured: an answer to these taps is on its way. */
  busy: boolean
}>()
const emit = defineEmits<{ complete: [tapped: Record<string, Pixel>]; anew: [] }>()
const file = ref<File | null>(null)
const url = useObjectUrl(file)
const unreadable = ref(false)
const tapped = ref<Record<string, Pixel>>({})
const step = computed(() => props.points.find(({ id }) => !tapped.value[id]) ?? null)
const drawn = computed(() =>
  props.limbs.map((limb) => limb.map((id) => tapped.value[id]).filter((at): at is Pixel => Boolean(at))),
)
function put(at: Pixel) {
  if (!step.value) return
  tapped.value = { ...tapped.value, [step.value.id]: at }
  if (!step.value) emit('complete', tapped.value)
}
function again() {
  tapped.value = {}
  emit('anew')
}
watch(file, () => {
  unreadable.value = false
  again()
})
const close = () => (file.value = null)
</script>

<template>
  <div class="of-picture">
    <ChooseFile
      v-if="!file"
      :name="name"
      :says="say('measure.it_stays_on_this_device', { how })"
      accept="image/*"
      @chosen="file = $event"
    />
    <template v-else>
      <p class="small" role="status">
        <template v-if="unreadable">{{ say('measure.this_browser_cannot_show_the_picture') }}</template>
        <template v-else-if="step"
          ><b>{{ step.name }}.</b> {{ step.says }}</template
        >
        <slot v-else name="told" />
      </p>
      <TapStage
        :url="url ?? ''"
        :label="say('measure.picture_name', { name: step ? step.name : say('measure.all_points_are_set') })"
        :asking="step !== null"
        :marks="Object.values(tapped)"
        :limbs="drawn"
        still
        @put="put"
        @unreadable="unreadable = true"
      />
      <div class="acts">
        <slot v-if="!step" name="acts" :close="close" :again="() => emit('complete', tapped)" />
        <button type="button" class="linkish small" :disabled="busy" @click="again">
          {{ say('measure.tap_anew') }}
        </button>
        <button type="button" class="linkish small" :disabled="busy" @click="close">
          {{ say('measure.another_picture') }}
        </button>
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
