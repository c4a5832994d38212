<script setup lang="ts">
// The goal's weights in the open, for either lift: move them and the order follows. The learning
// ladder below, where the lift has one.
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
  { id: 'max', name: 'Most weight', how: 'predicted max' },
  { id: 'muscle', name: 'Muscle', how: 'moment at knee and hip per kg, times range' },
  { id: 'mobility', name: 'Mobility, carry-over', how: 'range used at ankle, knee, hip' },
  { id: 'learning', name: 'Easy to learn', how: 'screens left free, easy to put down' },
  { id: 'sparing', name: 'Sparing a joint', how: 'least moment where it hurts' },
]
const own = ref<Record<Part, number> | null>(null)
const TARGETS: { id: NonNullable<Asked['target']>; name: string }[] = [
  { id: 'quads', name: 'quads' },
  { id: 'hips', name: 'hips' },
  { id: 'lower back', name: 'lower back' },
  { id: 'upper back', name: 'upper back' },
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
    .join(', ') + (s.school ? `, school +${s.school.toFixed(2)}` : '')
</script>

<template>
  <section>
    <h2>
      Goal <small>{{ own ? 'your weights' : answer.data.value?.goal }}</small>
    </h2>
    <p v-if="answer.error.value" class="signal">{{ answer.error.value.message }}</p>
    <template v-if="answer.data.value">
      <p class="first">{{ answer.data.value.sentence }}.</p>
      <p v-for="a in answer.data.value.advice" :key="a" class="note decide small mt-2 first">{{ a }}.</p>
      <p class="target small">
        <label
          >Muscle to train
          <select v-model="target">
            <option :value="null">knees and hips alike</option>
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
      <button v-if="own" class="linkish small" @click="own = null">Back to the goal's own weights</button>
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
        Learning ladder <small>each rung corrects itself a little less</small>
      </h2>
      <label v-if="answer.data.value.ladder.length" class="small"
        ><input v-model="hasTime" type="checkbox" /> there are four weeks or more to teach it</label
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
