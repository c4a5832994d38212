<script setup lang="ts">
// One day: each piece of work with plates, rest and reasons; a coach overrules a line with a reason.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import PlateStack from '@/shared/PlateStack.vue'
import { useUnits } from '@/shared/units'
import Reasons from './Reasons.vue'
import { dayWords, effortWords, minutes, titleOf } from './words'
import type { Day, Line } from './usePlan'
import { cardQuery } from '@/shared/queries'

const props = defineProps<{ lifterId: string; day: Day; mayWrite: boolean; busy: boolean; today: boolean }>()
const emit = defineEmits<{
  overrule: [lineId: string, word: { load_kg?: number | null; dropped?: boolean; reason: string }]
}>()
const { kg, massOf, massUnit, readMass } = useUnits()
const card = useQuery(cardQuery(props.lifterId))
const squats = computed(() => props.day.lines.some((line) => line.lift === 'squat' && line.load_kg !== null))
const racks = computed(() =>
  (card.data.value?.squat?.racks ?? [])
    .filter((r) => r.hook_hole !== null)
    .map((r) => `${r.rack}: hooks ${r.hook_hole}, safeties ${r.safety_hole ?? 'by hand'}`),
)
const saying = ref<string | null>(null)
const load = ref('')
const reason = ref('')
const wrong = ref('')
function begin(line: Line) {
  saying.value = saying.value === line.line_id ? null : line.line_id
  load.value = line.load_kg !== null ? massOf(line.load_kg, 2) : ''
  reason.value = ''
  wrong.value = ''
}
function say(line: Line, word: 'load' | 'drop' | 'back') {
  const value = readMass(load.value)
  wrong.value =
    reason.value.trim().length < 3
      ? 'Say why: the reason is kept with it.'
      : word === 'load' && !(value > 0 && value <= 600)
        ? 'A load lies between 0 and 600 kg.'
        : ''
  if (wrong.value) return
  emit('overrule', line.line_id, {
    load_kg: word === 'load' ? value : null,
    dropped: word === 'drop',
    reason: reason.value.trim(),
  })
}
const bar = (line: Line) => (line.load_kg ?? 0) - 2 * line.per_side.reduce((sum, p) => sum + p, 0)
</script>

<template>
  <section class="day" :aria-label="dayWords(day.on)">
    <header>
      <h2>{{ dayWords(day.on) }}</h2>
      <v-btn v-if="today" variant="flat" :to="{ name: 'log', params: { lifterId } }"
        >Start on the platform</v-btn
      >
    </header>
    <p v-if="day.moved" class="signal small">{{ day.moved }}</p>
    <article
      v-for="line in day.lines"
      :key="line.line_id"
      :class="['work', line.kind, { gone: line.overruled?.dropped }]"
    >
      <div class="title">
        <b>{{ titleOf(line) }}</b>
        <span v-if="line.note && line.kind !== 'drill'" class="small soft">{{ line.note }}</span>
        <button
          v-if="mayWrite"
          class="linkish small soft"
          :aria-expanded="saying === line.line_id"
          @click="begin(line)"
        >
          overrule
        </button>
      </div>
      <p v-if="line.overruled?.dropped" class="signal small">Left out.</p>
      <p v-else class="what">
        <span class="num">{{ line.sets }} × {{ line.reps }}</span>
        <b v-if="line.load_kg !== null" class="num">{{ kg(line.load_kg, 2) }}</b>
        <span v-if="line.rpe !== null" class="soft">{{ effortWords(line.rpe) }}</span>
        <span class="small soft">rest {{ minutes(line.rest_s) }}</span>
      </p>
      <p v-if="line.kind === 'drill'" class="small">{{ line.note }}</p>
      <PlateStack
        v-if="line.kind === 'main' && line.load_kg !== null && !line.overruled?.dropped"
        :per-side="line.per_side"
        :bar-kg="bar(line)"
        :collars-kg="0"
      />
      <p v-else-if="line.per_side.length && !line.overruled?.dropped" class="small soft">
        each side {{ line.per_side.map((p) => massOf(p, 2)).join(' + ') }}
      </p>
      <form v-if="saying === line.line_id" class="note decide" novalidate @submit.prevent="say(line, 'load')">
        <div class="over">
          <v-text-field v-model="load" :label="`Load, ${massUnit}`" inputmode="decimal" />
          <v-text-field v-model="reason" label="Because" :error-messages="wrong" />
        </div>
        <p v-if="line.cap_kg" class="small signal">
          The cap here is {{ kg(line.cap_kg, 1) }}; above it your name stands beside the load.
        </p>
        <div class="acts">
          <v-btn type="submit" variant="flat" size="small" :disabled="busy">Set this load</v-btn>
          <v-btn class="quiet" size="small" :disabled="busy" @click="say(line, 'drop')">Leave it out</v-btn>
          <v-btn v-if="line.overruled" class="quiet" size="small" :disabled="busy" @click="say(line, 'back')"
            >As computed</v-btn
          >
        </div>
      </form>
      <Reasons :reasons="line.reasons" :lifter-id="lifterId" :lift="line.lift" />
    </article>
    <p v-if="day.cues?.length" class="small"><b>Cues</b> {{ day.cues.join(' / ') }}</p>
    <p v-if="racks.length && squats" class="small"><b>Racks</b> {{ racks.join('; ') }}</p>
    <p class="note small">
      {{
        squats && !racks.length
          ? 'Spotters, or safeties just below the bar at the bottom: no rack is fitted yet. '
          : 'Spotters, or safeties at these heights. '
      }}Stop at sharp, radiating or new pain and see a licensed clinician. Holding the breath raises blood
      pressure: with heart, eye or pressure conditions, pregnancy or hernia a doctor is asked first.
    </p>
  </section>
</template>

<style scoped>
.day {
  display: grid;
  gap: 12px;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 36px;
}
.work {
  border-top: 1px solid var(--ink);
  padding-top: 6px;
  display: grid;
  gap: 4px;
}
.work.special,
.work.drill {
  border-top-color: var(--line);
}
.work.gone b {
  text-decoration: line-through;
}
.title {
  display: flex;
  gap: 10px;
  align-items: baseline;
}
.title .linkish {
  margin-left: auto;
}
.what {
  display: flex;
  gap: 8px;
  align-items: baseline;
  flex-wrap: wrap;
}
.what b {
  font-size: 19px;
}
.over {
  display: grid;
  grid-template-columns: 110px 1fr;
  gap: 8px;
}
.acts {
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
  margin-top: 4px;
}
</style>
