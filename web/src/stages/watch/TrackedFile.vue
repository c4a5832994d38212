<script setup lang="ts">
// Markers that another program tracked: CSV, TRC or C3D, with a name for each that is called otherwise.
import { say } from '@/words'
import { computed, ref } from 'vue'
import { answered, client, once, uuid7 } from '@/shared/api'
import type { Lift } from '@/shared/lifts'
import { useProblem } from '@/shared/useProblem'
import ChooseFile from './ChooseFile.vue'

const props = defineProps<{
  lifterId: string
  lift: Lift
  loadKg: number
  filmedOn: string
  styleId: string
}>()
const emit = defineEmits<{ kept: [clipId: string] }>()
type Part = 'bar' | 'knee' | 'hip' | 'ankle' | 'shoulder'
const names = ref<Record<Part, string>>({ bar: '', knee: '', hip: '', ankle: '', shoulder: '' })
const parts = computed<Part[]>(() => ['bar', 'knee', 'hip', props.lift === 'squat' ? 'ankle' : 'shoulder'])
const file = ref<File | null>(null)
const { message, busy, run } = useProblem()

async function read() {
  const clipId = uuid7()
  const kept = await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/clips/file', {
        params: {
          path: { lifter_id: props.lifterId },
          ...once(clipId),
          query: {
            clip_id: clipId,
            lift: props.lift,
            load_kg: props.loadKg,
            filmed_on: props.filmedOn,
            style: props.styleId,
            ...names.value,
          },
        },
        body: file.value as unknown as string,
        bodySerializer: (body) => body,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    ),
  )
  if (kept) emit('kept', clipId)
}
</script>

<template>
  <form class="tracked" novalidate @submit.prevent="read">
    <ChooseFile
      name="Choose a file"
      :says="say('watch.csv_in_metres_time_s_bar')"
      accept=".csv,.trc,.c3d"
      @chosen="file = $event"
    />
    <p class="small soft">{{ say('watch.markers_of_the_near_side_name') }}</p>
    <div class="names">
      <v-text-field
        v-for="part in parts"
        :key="part"
        v-model="names[part]"
        :label="say('watch.marker_of_the', { part })"
        density="compact"
        hide-details
      />
    </div>
    <p v-if="message" class="signal" role="alert">{{ message }}</p>
    <v-btn type="submit" :disabled="busy || !file || !(loadKg > 0)">{{ say('watch.read_the_file') }}</v-btn>
  </form>
</template>

<style scoped>
.tracked {
  display: grid;
  gap: 12px;
  justify-items: start;
  margin-top: 14px;
  max-width: 720px;
}
.names {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 10px;
  width: 100%;
}
</style>
