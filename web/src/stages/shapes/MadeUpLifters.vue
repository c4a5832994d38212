<script setup lang="ts">
// A shape tried on made-up lifters before a real one trains by it: one after another, until told to
// stop.
import { computed, ref, watch } from 'vue'
import { answered, client, type Schemas } from '@/shared/api'
import { useProblem } from '@/shared/useProblem'

const props = defineProps<{ body: Schemas['ShapeBody'] }>()
const STORIES = 6
const told = ref<Schemas['StoryAnswer'][]>([])
const going = ref(false)
const { message, run } = useProblem()
watch(
  () => props.body,
  () => {
    told.value = []
    going.value = false
  },
)
async function tryIt() {
  told.value = []
  going.value = true
  const body = props.body
  for (let number = 0; number < STORIES && going.value && body === props.body; number += 1) {
    const story = await run(() =>
      answered(client.POST('/api/compute/story', { body: { format: 1, shape: body, number } })),
    )
    if (!story) break
    if (body === props.body) told.value = [...told.value, story]
  }
  going.value = false
}
const mean = (of: (s: Schemas['StoryAnswer']) => number) =>
  told.value.reduce((sum, s) => sum + of(s), 0) / told.value.length
const percent = (share: number, digits = 0) => `${(100 * share).toFixed(digits)} %`
const lines = computed(() => {
  if (!told.value.length) return []
  const near = told.value.reduce((sum, s) => sum + s.too_near, 0)
  return [
    [percent(mean((s) => s.within_three)), 'of the main loads within three points of what the shape asks'],
    [percent(mean((s) => s.climbed)), 'by which the heaviest main loads climbed'],
    [percent(mean((s) => s.heavy)), 'of the later main reps at 85 % or more'],
    [
      percent(
        mean((s) => s.missed),
        1,
      ),
      'of the sets missed',
    ],
    [
      percent(
        mean((s) => s.attempts_off),
        1,
      ),
      'the attempts were off the true max of the day',
    ],
    [String(near), near === 1 ? 'heavy set too near the meet' : 'heavy sets too near the meet'],
  ]
})
</script>

<template>
  <section>
    <h2>Tried on made-up lifters</h2>
    <p class="small soft">
      Each has a rep curve, a way of rating and days of his own, trains two to four days a week to a meet, and
      does what the plan says; the plan sees his log alone. It shows whether plans of this shape hold
      together, not who grows by it.
    </p>
    <div class="acts">
      <v-btn v-if="!going" @click="tryIt">Try it on {{ STORIES }} made-up lifters</v-btn>
      <v-btn v-else @click="going = false">Stop</v-btn>
      <span v-if="going || told.length" class="small soft" role="status"
        >{{ told.length }} of {{ STORIES }} through twelve weeks</span
      >
    </div>
    <p v-if="message" class="signal small" role="alert">{{ message }}</p>
    <dl v-if="lines.length">
      <template v-for="[value, words] in lines" :key="words">
        <dt class="num">{{ value }}</dt>
        <dd>{{ words }}</dd>
      </template>
    </dl>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
}
.acts {
  display: flex;
  gap: 12px;
  align-items: center;
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 2px 12px;
  margin: 0;
}
dt {
  text-align: right;
  font-weight: 700;
}
dd {
  margin: 0;
}
</style>
