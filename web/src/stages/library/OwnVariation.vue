<script setup lang="ts">
// A variation of the coach's own: the competition set-up with its knobs turned, computed like the rest.
import { say } from '@/words'
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
const ANY = { title: say('library.as_settled'), value: null }
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
    <h2>{{ say('library.a_variation_of_your_own', { lift }) }}</h2>
    <p class="small soft">{{ say('library.say_how_it_differs_from_the', { lift }) }}</p>
    <v-text-field v-model="form.name" :label="say('library.name')" maxlength="60" />
    <v-text-field v-model="form.for" :label="say('library.what_it_is_good_for')" maxlength="200" />
    <v-select v-model="form.role" :items="ROLES" :label="say('library.role')" />
    <v-select v-if="lift === 'squat'" v-model="form.bar" :items="BARS" :label="say('library.bar')" />
    <v-select v-else v-model="form.style" :items="STYLES" :label="say('library.style')" />
    <v-text-field
      v-if="lift === 'squat'"
      v-model.number="form.stanceCm"
      type="number"
      :label="say('library.stance_wider_by_cm')"
    />
    <v-text-field
      v-model.number="form.heightCm"
      type="number"
      :label="
        lift === 'squat' ? say('library.hips_stay_higher_at_the_bottom') : say('library.bar_higher_by_cm')
      "
    />
    <v-text-field
      v-model.number="form.ratio"
      type="number"
      step="0.01"
      :label="say('library.its_max_over_the_competition_lifts')"
    />
    <v-select
      v-model="form.place"
      :items="[{ title: 'nowhere', value: null }, ...(catalogue.phases[lift] ?? [])]"
      :label="say('library.held_or_paused')"
    />
    <v-text-field
      v-model.number="form.holdS"
      type="number"
      min="0"
      max="30"
      :label="say('library.seconds_held')"
    />
    <v-select v-model="form.kit" :items="Object.keys(names.kit)" multiple :label="say('library.needs')" />
    <div class="acts">
      <v-btn variant="flat" type="submit" :disabled="!whole">{{ say('library.keep') }}</v-btn><v-btn
        @click="emit('close')"
        >{{ say('library.not_now') }}</v-btn
      >
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
