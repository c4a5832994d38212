<script setup lang="ts">
// The pull that will not leave the floor: the questions in order, answered from the record, and
// again with what the coach knows better.
import { say } from '@/words'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { reactive, ref, watch } from 'vue'
import { answered, client, type Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'

const props = defineProps<{ lifterId: string }>()
const { massUnit, massOf, readMass } = useUnits()
const said = ref<Schemas['FloorFactsRequest']>({})
const walk = useQuery({
  queryKey: ['floor-walk', props.lifterId, said],
  placeholderData: keepPreviousData,
  queryFn: () =>
    answered(
      client.POST('/api/lifters/{lifter_id}/floor-walk', {
        params: { path: { lifter_id: props.lifterId } },
        body: said.value,
      }),
    ),
})
const typed = reactive({ attempt: '', best: '', light: '', heavy: '' })
watch(
  () => walk.data.value?.facts,
  (f) => {
    if (!f || Object.keys(said.value).length) return
    typed.attempt = f.attempt_kg ? massOf(f.attempt_kg, 1) : ''
    typed.best = f.best_single_kg ? massOf(f.best_single_kg, 1) : ''
    typed.light = f.wait_light_s?.toFixed(1) ?? ''
    typed.heavy = f.wait_heavy_s?.toFixed(1) ?? ''
  },
  { immediate: true },
)
const seconds = (text: string) =>
  Number.isFinite(parseFloat(text)) ? parseFloat(text.replace(',', '.')) : null
function ask() {
  said.value = {
    ...said.value,
    attempt_kg: readMass(typed.attempt) || null,
    best_single_kg: readMass(typed.best) || null,
    wait_light_s: seconds(typed.light),
    wait_heavy_s: seconds(typed.heavy),
  }
}
const sayFact = (part: Schemas['FloorFactsRequest']) => (said.value = { ...said.value, ...part })
</script>

<template>
  <div v-if="walk.data.value" class="walk">
    <p class="verdict first">
      <b>{{ walk.data.value.verdict }}.</b>
    </p>
    <form class="facts" @submit.prevent="ask">
      <v-text-field
        v-model="typed.attempt"
        :label="say('review.the_pull_that_stayed', { massUnit })"
        @change="ask"
      />
      <v-text-field
        v-model="typed.best"
        :label="say('review.best_clean_single', { massUnit })"
        @change="ask"
      />
      <v-text-field v-model="typed.light" :label="say('review.wait_when_light_s')" @change="ask" />
      <v-text-field v-model="typed.heavy" :label="say('review.wait_when_heavy_s')" @change="ask" />
      <label
        ><input
          type="checkbox"
          :checked="Boolean(walk.data.value.facts.all_out_before)"
          @change="sayFact({ all_out_before: !walk.data.value?.facts.all_out_before })"
        />
        {{ say('review.an_all_out_attempt_came_just') }}</label
      >
      <label
        ><input
          type="checkbox"
          :checked="Boolean(walk.data.value.facts.old_injury)"
          @change="sayFact({ old_injury: !walk.data.value?.facts.old_injury })"
        />
        {{ say('review.an_old_injury_is_guarded') }}</label
      >
    </form>
    <ol>
      <li v-for="s in walk.data.value.steps" :key="s.id">
        <p>
          <span :class="['answer', s.answer]">{{ s.answer }}</span> <b>{{ s.question }}</b>
        </p>
        <p class="small">{{ s.reason }}.</p>
        <ul v-if="s.answer === 'yes'" class="small">
          <li v-for="r in s.remedies" :key="r.id">{{ r.text }}</li>
        </ul>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.walk {
  display: grid;
  gap: 10px;
  margin-top: 8px;
}
.facts {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.facts label {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
}
ol {
  padding-left: 20px;
  margin: 0;
  display: grid;
  gap: 8px;
}
.answer {
  display: inline-block;
  min-width: 64px;
  text-align: center;
  border: 1px solid var(--line);
  border-radius: 2px;
  font-size: 12px;
  color: var(--soft);
}
.answer.yes {
  border-color: var(--signal);
  color: var(--signal);
  font-weight: 700;
}
.answer.no {
  border-color: var(--holds);
  color: var(--holds);
}
</style>
