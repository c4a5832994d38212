<script setup lang="ts">
// A variation of the coach's own: the competition set-up with its knobs turned, computed like the rest.
import { computed, reactive } from 'vue'
import type { LibraryEntry, Schemas } from '@/shared/api'
import { ownIdOf } from '@/shared/words'
import { useLift } from '@/shared/lifts'

const props = defineProps<{
  catalogue: Schemas['CatalogueAnswer']
  names: Schemas['VariationNames']
  lift: 'squat' | 'deadlift'
}>()
const emit = defineEmits<{ keep: [entry: LibraryEntry]; close: [] }>()
const ROLES = ['skill', 'strength', 'overload', 'support']
const ANY = { title: 'as settled', value: null }
const { styles: positions } = useLift('squat')
const { styles: pulls } = useLift('deadlift')
const BARS = computed(() => [ANY, ...positions.value.map(({ id }) => id), 'safety'])
const STYLES = computed(() => [ANY, ...pulls.value.map(({ id }) => id)])
const form = reactive({
  name: '',
  for: '',
  role: 'strength',
  bar: null as string | null,
  style: null as string | null,
  stanceCm: 0,
  heightCm: 0,
  ratio: 0.85,
  place: null as string | null,
  holdS: 0,
  kit: [] as string[],
})
const ident = computed(() => ownIdOf(form.name, 'variation'))
const whole = computed(() => form.name.trim() && form.for.trim() && form.ratio >= 0.2 && form.ratio <= 2)
function keep() {
  const squat = props.lift === 'squat'
  const height = form.heightCm / 100
  const knob = {
    hinge: false,
    bar: squat ? form.bar : null,
    stance_m: squat ? form.stanceCm / 100 : 0,
    hip_above_knee_m: squat ? height : 0,
    style: squat ? null : form.style,
    above_m: squat ? 0 : height,
  }
  const body = {
    name: form.name.trim(),
    lift: props.lift,
    for: form.for.trim(),
    role: form.role,
    knob,
    ratio: [form.ratio, 0.08],
    place: form.place,
    hold_s: form.holdS,
    kit: form.kit,
  }
  emit('keep', {
    kind: 'variation',
    ident: ident.value,
    body,
    hidden: false,
  } as LibraryEntry)
}
</script>

<template>
  <form class="note mt-4 own" @submit.prevent="keep">
    <h2>A {{ lift }} variation of your own</h2>
    <p class="small soft">
      Say how it differs from the settled competition {{ lift }}; its loading is then computed for every
      lifter.
    </p>
    <v-text-field v-model="form.name" label="Name" maxlength="60" />
    <v-text-field v-model="form.for" label="What it is good for" maxlength="200" />
    <v-select v-model="form.role" :items="ROLES" label="Role" />
    <v-select v-if="lift === 'squat'" v-model="form.bar" :items="BARS" label="Bar" />
    <v-select v-else v-model="form.style" :items="STYLES" label="Style" />
    <v-text-field
      v-if="lift === 'squat'"
      v-model.number="form.stanceCm"
      type="number"
      label="Stance wider by, cm"
    />
    <v-text-field
      v-model.number="form.heightCm"
      type="number"
      :label="lift === 'squat' ? 'Hips stay higher at the bottom by, cm' : 'Bar higher by, cm'"
    />
    <v-text-field
      v-model.number="form.ratio"
      type="number"
      step="0.01"
      label="Its max over the competition lift's, first guess"
    />
    <v-select
      v-model="form.place"
      :items="[{ title: 'nowhere', value: null }, ...(catalogue.phases[lift] ?? [])]"
      label="Held or paused"
    />
    <v-text-field v-model.number="form.holdS" type="number" min="0" max="30" label="Seconds held" />
    <v-select v-model="form.kit" :items="Object.keys(names.kit)" multiple label="Needs" />
    <div class="acts">
      <v-btn variant="flat" type="submit" :disabled="!whole">Keep</v-btn
      ><v-btn @click="emit('close')">Not now</v-btn>
    </div>
  </form>
</template>

<style scoped>
.own {
  display: grid;
  gap: 10px;
  max-width: 620px;
}
.acts {
  display: flex;
  gap: 8px;
}
</style>
