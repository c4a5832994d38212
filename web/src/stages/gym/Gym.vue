<script setup lang="ts">
// What the gym owns, measured once, and which schools the club follows.
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import OneOf from '@/shared/OneOf.vue'
import StageHead from '@/shared/StageHead.vue'
import Waiting from '@/shared/Waiting.vue'
import { answered, client, once } from '@/shared/api'
import { useSession } from '@/shared/session'
import { useProblem } from '@/shared/useProblem'
import { LIFT_CHOICE } from '@/shared/words'
import Bars from './Bars.vue'
import Kit from './Kit.vue'
import Place from './Place.vue'
import Plates from './Plates.vue'
import Racks from './Racks.vue'
import { equipmentQuery, schoolsQuery } from '@/shared/queries'

const { session, mayWrite } = useSession()
const queries = useQueryClient()
const equipment = useQuery(equipmentQuery)
const schools = useQuery(schoolsQuery)
const { message, run } = useProblem()
const lift = ref<'squat' | 'deadlift' | 'both'>('squat')
const shown = computed(() => (schools.data.value?.schools ?? []).filter((s) => s.lift === lift.value))
const answer = computed(() => {
  const e = equipment.data.value
  if (!e) return 'The gym'
  if (!e.racks.length) return 'No rack is recorded: hooks and pins cannot be set by number'
  return `${e.racks.length} rack${e.racks.length > 1 ? 's' : ''}, ${e.bars.length} bars, ${e.plates.reduce((n, p) => n + p.pairs, 0)} pairs of plates`
})
async function choose(question: string, position: string) {
  await run(() => answered(client.POST('/api/schools', { params: once(), body: { question, position } })))
  await queries.invalidateQueries()
}
</script>

<template>
  <main>
    <StageHead :over="session?.club ?? ''" :answer="answer" />
    <Waiting
      v-if="!equipment.data.value"
      :error="equipment.error.value"
      what="The gym"
      @again="equipment.refetch()"
    />
    <div v-else class="halves">
      <div>
        <Racks :racks="equipment.data.value.racks" :may-write="mayWrite" />
        <Bars class="mt-6" :bars="equipment.data.value.bars" :may-write="mayWrite" />
        <Place class="mt-6" :may-write="mayWrite" />
        <Kit class="mt-6" :may-write="mayWrite" />
        <Plates class="mt-6" :plates="equipment.data.value.plates" :may-write="mayWrite" />
      </div>
      <section>
        <h2>Schools of the club <small>a lifter may follow another</small></h2>
        <OneOf v-model="lift" class="my-2" label="Lift" :options="[...LIFT_CHOICE, ['both', 'both']]" />
        <p v-if="message" class="signal" role="alert">{{ message }}</p>
        <div v-for="s in shown" :key="s.id" class="school">
          <label :for="s.id">{{ s.question }}</label>
          <select
            :id="s.id"
            :disabled="!mayWrite"
            :value="schools.data.value?.club[s.id]"
            @change="choose(s.id, ($event.target as HTMLSelectElement).value)"
          >
            <option v-for="p in s.positions" :key="p.id" :value="p.id">{{ p.text }}</option>
          </select>
          <span class="small soft why"
            >Default because: {{ s.why_default }} It changes {{ s.switches }}.<template
              v-if="s.positions.find((p) => p.id === schools.data.value?.club[s.id])?.cue"
            >
              Cue: “{{ s.positions.find((p) => p.id === schools.data.value?.club[s.id])?.cue }}”</template
            ></span
          >
        </div>
      </section>
    </div>
  </main>
</template>

<style scoped>
.school {
  display: grid;
  grid-template-columns: 1fr 210px;
  gap: 2px 12px;
  padding: 7px 0;
  border-top: 1px solid var(--hair);
  align-items: center;
}
.why {
  grid-column: 1 / -1;
}
select {
  padding: 5px 7px;
  width: 100%;
}
@media (max-width: 900px) {
  .school {
    grid-template-columns: 1fr;
  }
}
</style>
