<script setup lang="ts">
// One variation: use by phase beside the competition lift, how its ratio was learnt, why or why not.
import { say } from '@/words'
import { extent } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { area, line } from 'd3-shape'
import { computed, ref } from 'vue'
import type { Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { USE_NAMES, percent } from '@/shared/words'
import Reasons from './Reasons.vue'

const props = defineProps<{
  lifterId: string
  lift: 'squat' | 'deadlift'
  row: Schemas['VariationAnswer']
  competition: Schemas['LoadingAnswerOfPhases']
  maxKg: number | null
  goal: string
  word: Schemas['VariationWordAnswer'] | null
  mayWrite: boolean
  busy: boolean
  message: string
}>()
const emit = defineEmits<{ word: [word: 'use' | 'leave out' | 'as computed', reason: string] }>()
const { kg } = useUnits()
const reason = ref('')
const wrong = ref('')
function sayWord(word: 'use' | 'leave out' | 'as computed') {
  wrong.value = reason.value.trim().length < 3 ? say('prescribe.say_why_the_reason_is_kept') : ''
  if (!wrong.value) emit('word', word, reason.value.trim())
}
const uses = computed(() =>
  Object.entries(props.competition.use)
    .map(([name, of]) => ({ name, competition: of, own: props.row.loading?.use[name] ?? [] }))
    .filter(({ competition, own }) => Math.max(0, ...competition, ...own) > 0.12),
)
const steps = computed(() => props.row.ratio?.steps ?? [])
const x = computed(() => scaleLinear([0, Math.max(1, steps.value.length - 1)], [8, 278]))
const y = computed(() => {
  const [low = 0, high = 1] = extent(steps.value.flatMap((s) => [s.low, s.high, s.said ?? s.ratio]))
  return scaleLinear([low - 0.01, high + 0.01], [66, 8])
})
type Step = Schemas['RatioStepAnswer']
const band = computed(
  () =>
    area<Step>(
      (_, i) => x.value(i),
      (s) => y.value(s.low),
      (s) => y.value(s.high),
    )(steps.value) ?? '',
)
const way = computed(
  () =>
    line<Step>(
      (_, i) => x.value(i),
      (s) => y.value(s.ratio),
    )(steps.value) ?? '',
)
</script>

<template>
  <aside class="one">
    <h2 class="first">
      {{ row.name }}<small v-if="row.own">{{ ' ' }}{{ say('prescribe.the_clubs_own') }}</small>
    </h2>
    <p v-if="row.chosen" class="holds">{{ say('prescribe.in_the_plan') }}</p>
    <Reasons v-if="row.reasons.length" :reasons="row.reasons" :lifter-id="lifterId" :lift="lift" />
    <p v-if="row.why_not" class="note small">{{ say('prescribe.not_chosen', { why_not: row.why_not }) }}</p>
    <p v-for="r in row.loading?.reasons ?? []" :key="r" class="signal small">{{ r }}</p>
    <p v-for="g in row.gains" :key="g" class="small holds">{{ g }}</p>
    <table v-if="row.loading" class="plain small">
      <thead>
        <tr>
          <th>{{ say('prescribe.use_at', { load_kg: kg(row.loading.load_kg, 0) }) }}</th>
          <th v-for="p in row.loading.phases" :key="p">{{ p }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="u in uses" :key="u.name">
          <td>{{ USE_NAMES[u.name] }}</td>
          <td v-for="(p, i) in row.loading.phases" :key="p" class="num">
            <b :class="{ up: (u.own[i] ?? 0) > (u.competition[i] ?? 0) + 0.03 }">{{
              percent(u.own[i] ?? 0)
            }}</b><br /><span class="soft">{{ percent(u.competition[i] ?? 0) }}</span>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="row.goal" class="small">
      <b>{{ row.goal.share.toFixed(2) }}</b>
      {{ say('prescribe.for_the_goal', { goal, formula: row.goal.formula }) }}
    </p>
    <section v-if="row.ratio && steps.length">
      <h2>
        {{ say('prescribe.of_the_competition_lift', { ratio: row.ratio.ratio.toFixed(2) }) }}
        <small>{{
          say('prescribe.low_to_high', { low: row.ratio.low.toFixed(2), high: row.ratio.high.toFixed(2) })
        }}</small>
      </h2>
      <p v-if="maxKg" class="small">
        {{ say('prescribe.an_estimated_max_of') }} <b>{{ kg(row.ratio.ratio * maxKg, 0) }}</b>{{
          say('prescribe.low_to_high_2', {
            low: kg(row.ratio.low * maxKg, 0),
            high: kg(row.ratio.high * maxKg, 0),
          })
        }}
      </p>
      <svg
        v-if="steps.length > 1"
        viewBox="0 0 290 74"
        role="img"
        :aria-label="
          say('prescribe.ratio_learnt_over_days_band_from', {
            days: row.ratio.days,
            low: row.ratio.low.toFixed(2),
            high: row.ratio.high.toFixed(2),
          })
        "
      >
        <path :d="band" class="band" />
        <path :d="way" class="way" />
        <template v-for="(s, i) in steps" :key="i">
          <circle v-if="s.said" :cx="x(i)" :cy="y(s.said)" r="2.4" class="dot" />
        </template>
      </svg>
      <p class="small soft">
        {{
          row.ratio.days
            ? say('prescribe.prior_of_common_practice_on_the', { days: row.ratio.days })
            : say('prescribe.the_usual_share_in_common_practice')
        }}
      </p>
    </section>
    <form v-if="mayWrite" novalidate @submit.prevent="sayWord('use')">
      <p v-if="word" class="small signal">{{ word.coach }}: {{ word.word }}, {{ word.reason }}</p>
      <v-text-field v-model="reason" :label="say('prescribe.because')" :error-messages="wrong" />
      <div class="acts">
        <v-btn
          v-if="word?.word !== 'use' && !row.chosen"
          class="quiet"
          size="small"
          type="submit"
          :disabled="busy"
          >{{ say('prescribe.use_it') }}</v-btn
        >
        <v-btn
          v-if="word?.word !== 'leave out'"
          class="quiet"
          size="small"
          :disabled="busy"
          @click="sayWord('leave out')"
          >{{ say('prescribe.leave_it_out') }}</v-btn
        >
        <v-btn v-if="word" class="quiet" size="small" :disabled="busy" @click="sayWord('as computed')">{{
          say('prescribe.as_computed')
        }}</v-btn>
      </div>
      <p v-if="message" class="signal small" role="alert">{{ message }}</p>
      <p class="small soft">{{ say('prescribe.your_word_counts_from_the_next') }}</p>
    </form>
  </aside>
</template>

<style scoped>
.one {
  display: grid;
  gap: 10px;
}
td.num {
  white-space: nowrap;
}
td .up {
  color: var(--signal);
}
.band {
  fill: var(--body);
  opacity: 0.6;
}
.way {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
}
.dot {
  fill: var(--paper);
  stroke: var(--ink);
}
svg {
  width: 100%;
  max-width: 320px;
}
.acts {
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
}
</style>
