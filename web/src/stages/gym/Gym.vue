<script setup lang="ts">
// What the gym owns, measured once, and which schools the club follows.
import { say, sayMany } from '@/words'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import OneOf from '@/shared/OneOf.vue'
import SchoolRow from '@/shared/SchoolRow.vue'
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
  if (!e) return say('gym.the_gym')
  if (!e.racks.length) return say('gym.no_rack_is_recorded_hooks_and')
  return sayMany('gym.racks_bars_pairs_of_plates', e.racks.length, {
    bars: e.bars.length,
    pairs: e.plates.reduce((n, p) => n + p.pairs, 0),
  })
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
      :what="say('gym.the_gym')"
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
        <h2>
          {{ say('gym.schools_of_the_club') }} <small>{{ say('gym.a_lifter_may_follow_another') }}</small>
        </h2>
        <OneOf
          v-model="lift"
          class="my-2"
          :label="say('gym.lift')"
          :options="[...LIFT_CHOICE, ['both', say('gym.both')]]"
        />
        <p v-if="message" class="signal" role="alert">{{ message }}</p>
        <SchoolRow
          v-for="s in shown"
          :key="s.id"
          :school="s"
          :chosen="schools.data.value?.club[s.id]"
          :disabled="!mayWrite"
          @choose="choose(s.id, $event)"
        />
      </section>
    </div>
  </main>
</template>
