<script setup lang="ts">
// The goal's weights in the open, for either lift: move them and the order follows. The learning
// ladder below, where the lift has one.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import type { Schemas } from '@/shared/api'
import type { Lift } from '@/shared/lifts'
import { goalsQuery } from '@/shared/queries'
import { percent } from '@/shared/words'

const props = defineProps<{ lifterId: string; lift: Lift; names: Record<string, string> }>()
const emit = defineEmits<{ choose: [style: string] }>()
type Asked = Schemas['WeightsRequest']
type Part = 'max' | 'muscle' | 'mobility' | 'learning' | 'sparing'
const PARTS: { id: Part; name: string; how: string }[] = [
  { id: 'max', name: say('setup.most_weight'), how: say('setup.predicted_max') },
  { id: 'muscle', name: say('setup.muscle'), how: say('setup.moment_at_knee_and_hip_per') },
  { id: 'mobility', name: say('setup.mobility_carry_over'), how: say('setup.range_used_at_ankle_knee_hip') },
  { id: 'learning', name: say('setup.easy_to_learn'), how: say('setup.screens_left_free_easy_to_put') },
  { id: 'sparing', name: say('setup.sparing_a_joint'), how: say('setup.least_moment_where_it_hurts') },
]
const own = ref<Record<Part, number> | null>(null)
const TARGETS: { id: NonNullable<Asked['target']>; name: string }[] = [
  { id: 'quads', name: say('setup.quads') },
  { id: 'hips', name: say('setup.hips') },
  { id: 'lower back', name: say('setup.lower_back') },
  { id: 'upper back', name: say('setup.upper_back') },
]
const target = ref<Asked['target']>(null)
const hasTime = ref(true)
const HASTY_WEEKS = 3
const asked = computed<Asked>(() => ({
  weights: own.value,
  target: target.value,
  weeks: hasTime.value ? null : HASTY_WEEKS,
}))
const answer = useQuery(goalsQuery(props.lift, props.lifterId, asked))
const shown = ref<Record<Part, number>>({ max: 0, muscle: 0, mobility: 0, learning: 0, sparing: 0 })
watch(
  () => answer.data.value,
  (data) => {
    if (data && !own.value)
      for (const p of PARTS) shown.value[p.id] = Math.round((data.weights[p.id] ?? 0) * 100)
  },
  { immediate: true },
)
function weigh() {
  const total = Object.values(shown.value).reduce((a, b) => a + b, 0)
  if (total > 0)
    own.value = Object.fromEntries(PARTS.map((p) => [p.id, shown.value[p.id] / 100])) as Record<Part, number>
}
const ranked = computed(() => [...(answer.data.value?.scores ?? [])].sort((a, b) => b.total - a.total))
const parts = (s: Schemas['GoalScoreOut']) =>
  Object.entries(s.parts)
    .map(([part, value]) => `${PARTS.find((p) => p.id === part)?.name.toLowerCase()} ${value.toFixed(2)}`)
    .join(', ') + (s.school ? say('setup.school', { school: s.school.toFixed(2) }) : '')
</script>

<template>
  <section>
    <h2>
      {{ say('setup.goal') }} <small>{{ own ? say('setup.your_weights') : answer.data.value?.goal }}</small>
    </h2>
    <p v-if="answer.error.value" class="signal">{{ answer.error.value.message }}</p>
    <template v-if="answer.data.value">
      <p class="first">{{ answer.data.value.sentence }}.</p>
      <p v-for="a in answer.data.value.advice" :key="a" class="note decide small mt-2 first">{{ a }}.</p>
      <p class="target small">
        <label
          >{{ say('setup.muscle_to_train') }}
          <select v-model="target">
            <option :value="null">{{ say('setup.knees_and_hips_alike') }}</option>
            <option v-for="t in TARGETS" :key="t.id" :value="t.id">{{ t.name }}</option>
          </select></label
        >
      </p>
      <ul class="weights">
        <li v-for="p in PARTS" :key="p.id">
          <label :for="`w-${p.id}`"
            >{{ p.name }} <span class="small soft">{{ p.how }}</span></label
          >
          <input
            :id="`w-${p.id}`"
            v-model.number="shown[p.id]"
            type="range"
            min="0"
            max="100"
            step="5"
            @change="weigh"
          /><b>{{ shown[p.id] }}</b>
        </li>
      </ul>
      <button v-if="own" class="linkish small" @click="own = null">
        {{ say('setup.back_to_the_goals_own_weights') }}
      </button>
      <ol class="scores mt-3">
        <li v-for="s in ranked" :key="s.bar_position">
          <button @click="emit('choose', s.bar_position)">
            <b>{{ names[s.bar_position] }}</b> <b>{{ s.total.toFixed(2) }}</b><span class="small soft wide">{{
              parts(s)
            }}</span
            ><span class="track"
              ><span class="fill" :style="{ width: percent(Math.min(1, s.total)).replace(' ', '') }"
            /></span>
          </button>
        </li>
      </ol>
      <h2 v-if="answer.data.value.ladder.length" class="mt-4">
        {{ say('setup.learning_ladder') }}
        <small>{{ say('setup.each_rung_corrects_itself_a_little') }}</small>
      </h2>
      <label v-if="answer.data.value.ladder.length" class="small"
        ><input v-model="hasTime" type="checkbox" /> {{ say('setup.there_are_four_weeks_or_more') }}</label
      >
      <ol class="ladder">
        <li v-for="r in answer.data.value.ladder" :key="r.name">
          <span :class="r.ready ? 'holds' : 'signal'">{{ r.ready ? '●' : '○' }}</span> {{ r.name }}
          <span class="small soft">{{ r.why }}</span>
        </li>
      </ol>
    </template>
  </section>
</template>

<style scoped>
.weights,
.scores,
.ladder {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
.weights li {
  display: grid;
  grid-template-columns: 1fr 110px 30px;
  gap: 8px;
  align-items: center;
  padding: 2px 0;
}
.weights b {
  text-align: right;
}
input[type='range'] {
  accent-color: var(--ink);
  width: 100%;
}
.scores button {
  display: grid;
  grid-template-columns: 1fr auto;
  width: 100%;
  text-align: left;
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  border-bottom: 1px solid var(--line);
  padding: 5px 0;
  cursor: pointer;
}
.scores button:hover {
  background: var(--hair);
}
.wide,
.track {
  grid-column: 1 / -1;
}
.track {
  height: 3px;
  background: var(--hair);
}
.fill {
  display: block;
  height: 100%;
  background: var(--ink);
}
.target select {
  padding: 3px 6px;
}
.ladder li {
  padding: 3px 0;
}
</style>
