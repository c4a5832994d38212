<script setup lang="ts">
// Two readings of one landmark, a third when they differ, and a reason when it cannot well be right.
import { say } from '@/words'
import { computed, ref, watch } from 'vue'
import { answered, client, once, type Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'

const props = defineProps<{ lifterId: string; landmark: Schemas['LandmarkAnswer'] }>()
const emit = defineEmits<{ saved: [] }>()
const units = useUnits()
const { cm, lengthOf, lengthUnit } = units
const forget = useForget()
const { message, busy, run } = useProblem()
const texts = ref<string[]>(['', ''])
const kept = ref('')

watch(
  [() => props.landmark.landmark, () => props.landmark.readings_m.length],
  () => {
    const known = props.landmark.readings_m.map((m) => lengthOf(m))
    texts.value = [...known, '', ''].slice(
      0,
      Math.max(2, known.length + (props.landmark.third_reading_wanted ? 1 : 0)),
    )
    kept.value = props.landmark.kept_because
  },
  { immediate: true },
)
const lengths = computed(() => texts.value.filter((t) => t.trim()).map((t) => units.readLength(t)))
const unreadable = computed(() =>
  texts.value.map((t) =>
    t.trim() && !Number.isFinite(units.readLength(t)) ? say('measure.write_it_like_43_5_43') : '',
  ),
)
const apart = computed(() => {
  const [a, b] = lengths.value
  return a && b && lengths.value.length === 2 && Math.abs(a - b) > Math.min(0.01, 0.02 * ((a + b) / 2))
    ? Math.abs(a - b)
    : 0
})
watch(apart, (d) => {
  if (d > 0 && texts.value.length === 2) texts.value.push('')
})

async function save() {
  const done = await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/measurements', {
        params: { path: { lifter_id: props.lifterId }, ...once() },
        body: { landmark: props.landmark.landmark, readings_m: lengths.value, kept_because: kept.value },
      }),
    ),
  )
  if (!done) return
  await forget(props.lifterId)
  emit('saved')
}
const place = computed(() => Math.min(100, Math.max(0, 50 + props.landmark.z_score * 12.5)))
</script>

<template>
  <form class="readings" novalidate @submit.prevent="save">
    <h2>{{ landmark.name }}</h2>
    <p class="soft">{{ landmark.how }}</p>
    <div class="row mt-3">
      <v-text-field
        v-for="(_, i) in texts"
        :key="i"
        v-model="texts[i]"
        :label="`${[say('measure.first'), say('measure.second'), say('measure.third')][i]}, ${lengthUnit}`"
        inputmode="decimal"
        :error-messages="unreadable[i] ? [unreadable[i]!] : []"
      />
    </div>
    <p v-if="apart" class="signal small mt-2">
      {{ say('measure.the_two_differ_by_take_a', { apart: cm(apart) }) }}
    </p>
    <div class="against mt-4">
      <div class="scale" aria-hidden="true">
        <span class="band" /><span class="mark" :style="{ left: `${place}%` }" />
      </div>
      <p class="small">
        <b>{{ cm(landmark.length_m) }}</b>
        {{
          say('measure.people_of_this_stature_sd', {
            estimated: landmark.estimated ? say('measure.estimated_from_stature') : '',
            expected_m: cm(landmark.expected_m),
            z_score: landmark.z_score >= 0 ? '+' : '−',
            z_score2: Math.abs(landmark.z_score).toFixed(1),
          })
        }}
      </p>
    </div>
    <p v-if="landmark.doubt && !message" class="note decide small mt-2">
      {{ landmark.doubt }}.
      <template v-if="landmark.kept_because">{{
        say('measure.kept_kept_because', { kept_because: landmark.kept_because })
      }}</template>
    </p>
    <template v-if="message">
      <p class="note decide small mt-2" role="alert">{{ message }}.</p>
      <v-text-field v-model="kept" class="mt-2" :label="say('measure.keep_it_because')" maxlength="1000" />
    </template>
    <v-btn
      class="mt-4"
      variant="flat"
      type="submit"
      :disabled="busy || !lengths.length || unreadable.some(Boolean)"
    >
      {{ say('measure.keep_these_readings') }}
    </v-btn>
  </form>
</template>

<style scoped>
.row {
  display: flex;
  gap: 10px;
}
.row > .v-input {
  flex: 0 1 150px;
}
.scale {
  position: relative;
  height: 16px;
  border-bottom: 1px solid var(--ink);
  max-width: 420px;
}
.band {
  position: absolute;
  left: 25%;
  right: 25%;
  bottom: 0;
  height: 6px;
  background: var(--body);
}
.mark {
  position: absolute;
  bottom: -4px;
  width: 2px;
  height: 16px;
  background: var(--signal);
}
</style>
