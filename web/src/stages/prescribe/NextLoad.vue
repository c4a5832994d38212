<script setup lang="ts">
// One load apart from any plan: the next exposure of a lift, its plates and warm-up, and why.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import PlateStack from '@/shared/PlateStack.vue'
import Waiting from '@/shared/Waiting.vue'
import { answered, client, once, uuid7 } from '@/shared/api'
import { useSession } from '@/shared/session'
import { useUnits } from '@/shared/units'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import { dayOf } from '@/shared/words'
import Reasons from './Reasons.vue'

const props = defineProps<{ lifterId: string }>()
const { kg, massOf, massUnit, readMass } = useUnits()
const { mayWrite } = useSession()
const forget = useForget()
const at = computed(() => ({ path: { lifter_id: props.lifterId } }))
const target = reactive({ lift: 'squat' as 'squat' | 'deadlift', sets: 3, reps: 5, rpe: 8 })

const proposal = useQuery({
  queryKey: ['proposal', props.lifterId, target],
  placeholderData: (previous) => previous,
  queryFn: () =>
    answered(client.POST('/api/lifters/{lifter_id}/next-load', { params: at.value, body: { ...target } })),
})
const given = useQuery({
  queryKey: ['prescriptions', props.lifterId],
  queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/prescriptions', { params: at.value })),
})

const overruling = ref(false)
const overruled = ref('')
const because = ref('')
const { message, busy, run, of } = useProblem()
const done = ref(false)
async function prescribe() {
  const id = uuid7()
  const kept = await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/prescriptions', {
        params: { ...at.value, ...once(id) },
        body: {
          ...target,
          prescription_id: id,
          overruled_kg: overruling.value ? readMass(overruled.value) || null : null,
          overruled_because: overruling.value ? because.value : '',
        },
      }),
    ),
  )
  if (!kept) return
  overruling.value = false
  done.value = true
  await forget(props.lifterId)
}
const answer = computed(() => {
  const p = proposal.data.value
  if (!p) return say('prescribe.the_next_load')
  if (p.load_kg === null) return say('prescribe.nothing_to_go_by_yet')
  return say('prescribe.squat_sets_reps_rpe_with_load', {
    squat: target.lift === 'squat' ? say('prescribe.squat') : say('prescribe.deadlift'),
    sets: p.sets,
    reps: p.reps,
    rpe: p.rpe,
    load_kg: kg(p.load_kg),
  })
})
</script>

<template>
  <div>
    <header class="answer">
      <p class="first">{{ answer }}</p>
      <v-btn
        v-if="mayWrite && proposal.data.value?.load_kg"
        class="quiet"
        @click="overruling = !overruling"
        >{{ say('prescribe.overrule') }}</v-btn
      >
      <v-btn
        v-if="mayWrite && proposal.data.value?.load_kg && !overruling"
        variant="flat"
        :disabled="busy"
        @click="prescribe"
        >{{ say('prescribe.prescribe_this_load') }}</v-btn
      >
    </header>
    <Waiting
      v-if="!proposal.data.value"
      :error="proposal.error.value"
      :what="say('prescribe.the_next_load')"
      @again="proposal.refetch()"
    />
    <div v-else class="columns">
      <section>
        <div class="target">
          <label
            ><span class="small soft">{{ say('prescribe.lift') }}</span
            ><select v-model="target.lift">
              <option value="squat">{{ say('prescribe.squat') }}</option>
              <option value="deadlift">{{ say('prescribe.deadlift') }}</option>
            </select></label
          >
          <label
            ><span class="small soft">{{ say('prescribe.sets') }}</span
            ><select v-model.number="target.sets">
              <option v-for="n in 8" :key="n">{{ n }}</option>
            </select></label
          >
          <label
            ><span class="small soft">{{ say('prescribe.reps') }}</span
            ><select v-model.number="target.reps">
              <option v-for="n in 10" :key="n">{{ n }}</option>
            </select></label
          >
          <label
            ><span class="small soft">RPE</span
            ><select v-model.number="target.rpe">
              <option v-for="n in [6, 6.5, 7, 7.5, 8, 8.5, 9, 9.5, 10]" :key="n">{{ n }}</option>
            </select></label
          >
        </div>
        <form v-if="overruling" class="note decide mt-4" novalidate @submit.prevent="prescribe">
          <p>
            <b>{{ say('prescribe.overrule_the_load') }}</b> {{ say('prescribe.the_reason_is_kept_with_it') }}
          </p>
          <div class="over mt-3">
            <v-text-field
              v-model="overruled"
              :label="say('prescribe.load_mass_unit', { massUnit })"
              inputmode="decimal"
              :error-messages="of('overruled_kg')"
            />
            <v-text-field
              v-model="because"
              :label="say('prescribe.because')"
              :error-messages="of('overruled_because')"
            />
          </div>
          <v-btn class="mt-3" variant="flat" type="submit" :disabled="busy">{{
            say('prescribe.prescribe_this')
          }}</v-btn>
        </form>
        <p v-if="message" class="signal mt-3" role="alert">{{ message }}</p>
        <p v-if="done && !message" class="holds mt-3" role="status">
          {{ say('prescribe.prescribed_it_stands_on_the_floor') }}
        </p>
        <template v-if="proposal.data.value.load_kg !== null">
          <p class="mt-5">
            <span class="big">{{ massOf(proposal.data.value.load_kg, 2) }}</span> {{ massUnit }}
          </p>
          <PlateStack
            class="mt-2"
            :per-side="proposal.data.value.per_side"
            :bar-kg="proposal.data.value.bar_kg"
            :collars-kg="proposal.data.value.collars_kg"
          />
        </template>
        <h2 class="mt-6">{{ say('prescribe.because') }}</h2>
        <Reasons
          class="mt-1"
          :reasons="proposal.data.value.reasons"
          :lifter-id="lifterId"
          :lift="target.lift"
        />
        <p class="note small mt-4">{{ say('prescribe.squat_with_pins_or_spotters_holding') }}</p>
      </section>
      <aside>
        <h2>{{ say('prescribe.way_up') }}</h2>
        <table v-if="proposal.data.value.warm_up.length" class="plain mt-1">
          <thead>
            <tr>
              <th>{{ say('prescribe.reps') }}</th>
              <th>{{ say('prescribe.load') }}</th>
              <th>{{ say('prescribe.each_side_2') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="w in proposal.data.value.warm_up" :key="w.load_kg">
              <td>{{ w.reps }}</td>
              <td>
                <b>{{ kg(w.load_kg, 2) }}</b>
              </td>
              <td class="soft">
                {{ w.per_side.map((p) => massOf(p, 2)).join(' + ') || say('prescribe.empty_bar') }}
              </td>
            </tr>
          </tbody>
        </table>
        <p v-else class="soft">{{ say('prescribe.none_needed') }}</p>
        <h2 class="mt-6">{{ say('prescribe.prescribed_before') }}</h2>
        <ul class="before">
          <li v-for="p in given.data.value ?? []" :key="p.prescription_id">
            <span class="soft small">{{ dayOf(p.prescribed_at) }}</span>
            {{ p.lift }} {{ p.answer.sets }} × {{ p.answer.reps }} @ {{ p.answer.rpe }},
            <b>{{
              p.overruled_kg
                ? kg(p.overruled_kg)
                : p.answer.load_kg
                  ? kg(p.answer.load_kg)
                  : say('prescribe.no_load')
            }}</b>
            <span v-if="p.overruled_kg" class="small signal">{{
              say('prescribe.overruled_overruled_because', { overruled_because: p.overruled_because })
            }}</span>
          </li>
        </ul>
      </aside>
    </div>
  </div>
</template>

<style scoped>
.answer {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 14px 26px 0;
}
.answer p {
  font-weight: 700;
  font-size: 19px;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 600px) minmax(260px, 380px);
  gap: 48px;
  padding: 18px 26px 40px;
}
.target {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
}
.target label {
  display: flex;
  flex-direction: column;
}
select {
  font-weight: 600;
  height: 38px;
  padding: 4px 10px;
  min-width: 72px;
}
.over {
  display: grid;
  grid-template-columns: 130px 1fr;
  gap: 10px;
}
.before {
  list-style: none;
  padding: 0;
  margin: 6px 0 0;
}
.before li {
  border-top: 1px solid var(--hair);
  padding: 5px 0;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
    padding: 14px;
    gap: 24px;
  }
}
</style>
