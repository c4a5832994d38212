<script setup lang="ts">
// A shape tried on made-up lifters before a real one trains by it: one after another, until told to
// stop.
import { say } from '@/words'
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
    [percent(mean((s) => s.within_three)), say('shapes.of_the_main_loads_within_three')],
    [percent(mean((s) => s.climbed)), say('shapes.by_which_the_heaviest_main_loads')],
    [percent(mean((s) => s.heavy)), say('shapes.of_the_later_main_reps_at')],
    [
      percent(
        mean((s) => s.missed),
        1,
      ),
      say('shapes.of_the_sets_missed'),
    ],
    [
      percent(
        mean((s) => s.attempts_off),
        1,
      ),
      say('shapes.the_attempts_were_off_the_true'),
    ],
    [
      String(near),
      near === 1 ? say('shapes.heavy_set_too_near_the_meet') : say('shapes.heavy_sets_too_near_the_meet'),
    ],
  ]
})
</script>

<template>
  <section>
    <h2>{{ say('shapes.tried_on_made_up_lifters') }}</h2>
    <p class="small soft">{{ say('shapes.each_has_a_rep_curve_a') }}</p>
    <div class="acts">
      <v-btn v-if="!going" @click="tryIt">{{ say('shapes.try_it_on_made_up_lifters', { STORIES }) }}</v-btn>
      <v-btn v-else @click="going = false">{{ say('shapes.stop') }}</v-btn>
      <span v-if="going || told.length" class="small soft" role="status">{{
        say('shapes.of_through_twelve_weeks', { told: told.length, STORIES })
      }}</span>
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
