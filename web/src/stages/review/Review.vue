<script setup lang="ts">
// What the log knows of a lift, how surely, and what to decide next.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import OneOf from '@/shared/OneOf.vue'
import StageHead from '@/shared/StageHead.vue'
import Waiting from '@/shared/Waiting.vue'
import { answered, client } from '@/shared/api'
import BandChart from '@/shared/BandChart.vue'
import { useUnits } from '@/shared/units'
import { useLifter } from '@/shared/useLifter'
import { LIFT_CHOICE } from '@/shared/words'
import Diagnosis from './Diagnosis.vue'
import FaultFacts from './FaultFacts.vue'
import LogFiles from './LogFiles.vue'

const props = defineProps<{ lifterId: string }>()
const route = useRoute()
const { kg, massUnit } = useUnits()
const { data: lifter } = useLifter(() => props.lifterId)
const lift = ref<'squat' | 'deadlift'>(route.query.lift === 'deadlift' ? 'deadlift' : 'squat')
const review = useQuery({
  queryKey: ['review', props.lifterId, lift],
  queryFn: () =>
    answered(
      client.GET('/api/lifters/{lifter_id}/review', {
        params: { path: { lifter_id: props.lifterId }, query: { lift: lift.value } },
      }),
    ),
})
const data = computed(() => review.data.value ?? null)
const faultId = ref<string | null>(typeof route.query.fault === 'string' ? route.query.fault : null)
watch(data, (now) => {
  if (now && !now.faults.some((f) => f.fault_id === faultId.value))
    faultId.value = now.faults[0]?.fault_id ?? null
})
const fault = computed(() => data.value?.faults.find((f) => f.fault_id === faultId.value) ?? null)
const scale = computed(() => (massUnit.value === 'lb' ? 1 / 0.45359237 : 1))
const band = computed(() =>
  (data.value?.trend ?? []).map((t) => ({
    x: Date.parse(t.day),
    mid: t.level_kg * scale.value,
    low: t.low_kg * scale.value,
    high: t.high_kg * scale.value,
  })),
)
const dots = computed<[number, number][]>(() =>
  (data.value?.trend ?? []).map((t) => [Date.parse(t.day), t.estimate_kg * scale.value]),
)
const last = computed(() => data.value?.trend.at(-1) ?? null)
const why = ref(typeof route.query.fault === 'string')
const asked = computed(() => (typeof route.query.fault === 'string' ? route.query.fault : null))
const unseen = computed(
  () =>
    asked.value !== null &&
    Boolean(data.value?.sets) &&
    !data.value?.faults.some((f) => f.fault_id === asked.value),
)
watch([asked, () => route.query.lift], ([wanted, ofLift]) => {
  if (ofLift === 'squat' || ofLift === 'deadlift') lift.value = ofLift
  if (wanted === null) return
  faultId.value = wanted
  why.value = true
})
</script>

<template>
  <main>
    <StageHead
      :over="lifter?.profile.name ?? ''"
      :answer="data?.decision ?? say('review.what_the_log_knows')"
    >
      <OneOf v-model="lift" :label="say('review.lift')" :options="LIFT_CHOICE" />
    </StageHead>
    <Waiting
      v-if="!data"
      :error="review.error.value"
      :what="say('review.what_the_log_knows')"
      @again="review.refetch()"
    />
    <div v-else-if="!data.sets" class="empty">
      <p class="big">{{ say('review.no_is_logged_yet', { lift }) }}</p>
      <p class="mt-2 soft">{{ say('review.log_the_next_session_rep_by') }}</p>
      <v-btn class="mt-4" :to="{ name: 'log', params: { lifterId } }">{{
        say('review.to_the_platform')
      }}</v-btn>
      <LogFiles class="mt-6" :lifter-id="lifterId" />
    </div>
    <div v-else class="columns">
      <p v-if="unseen" class="note unseen">
        {{ say('review.the_fault_you_asked_for_is', { lift }) }}
        <RouterLink :to="{ name: 'library', query: { fault: asked } }">{{
          say('review.what_the_library_says_of_it')
        }}</RouterLink>
      </p>
      <aside>
        <section v-if="last">
          <h2>{{ say('review.estimated_max') }}</h2>
          <p>
            <span class="big">{{ kg(last.level_kg, 0) }}</span>
            <span class="small soft">{{
              say('review.to_from_days', {
                low_kg: kg(last.low_kg, 0),
                high_kg: kg(last.high_kg, 0),
                trend: data.trend.length,
              })
            }}</span>
          </p>
          <p class="small soft">{{ say('review.the_best_clean_set_of_a') }}</p>
          <BandChart :band="band" :dots="dots" x-name="" :y-name="massUnit" time :height="190" />
        </section>
        <section>
          <h2>
            {{ say('review.faults') }}
            <small>{{ say('review.reps_first_in_the_rep_first', { reps: data.reps }) }}</small>
          </h2>
          <p v-if="!data.faults.length" class="holds">{{ say('review.none_was_seen') }}</p>
          <ul class="faults">
            <li v-for="f in data.faults" :key="f.fault_id">
              <button
                :class="{ on: f.fault_id === faultId }"
                :aria-pressed="f.fault_id === faultId"
                @click="faultId = f.fault_id"
              >
                <b>{{ f.name }}</b><span>{{ f.faulty }}</span
                ><span class="small soft wide">{{
                  say('review.first_in_its_rep', {
                    once:
                      f.first_in_rep === 1
                        ? say('review.once')
                        : say('review.first_in_rep_times', { first_in_rep: f.first_in_rep }),
                  })
                }}</span>
              </button>
            </li>
          </ul>
          <p v-if="data.cap" class="note decide small mt-2">
            {{ say('review.technique_cap', { load_kg: kg(data.cap.load_kg, 0), words: data.cap.words }) }}
          </p>
          <p v-for="t in data.together" :key="t.first + t.second" class="small mt-2">
            {{
              say('review.and_come_together_in_reps_times', {
                first_name: t.first_name,
                second_name: t.second_name.toLowerCase(),
                both: t.both,
                ratio: t.ratio.toFixed(1),
                led: t.led,
              })
            }}
          </p>
        </section>
        <section v-if="data.trials.length">
          <h2>{{ say('review.did_it_help') }}</h2>
          <ul class="plain">
            <li v-for="t in data.trials" :key="t.what + t.fault_id">
              <b>{{ t.name }}</b>, {{ t.what }}<br /><span
                :class="['small', { holds: t.outcome === 'helped', signal: t.outcome === 'made it worse' }]"
                >{{ t.words }}</span
              >
            </li>
          </ul>
        </section>
        <section v-if="data.repeatability.length">
          <h2>{{ say('review.the_same_every_time') }}</h2>
          <ul class="plain">
            <li v-for="r in data.repeatability" :key="r.kind">
              <b>{{ r.name }}</b>: {{ r.verdict }}
            </li>
          </ul>
        </section>
        <LogFiles :lifter-id="lifterId" />
      </aside>
      <div v-if="fault" class="fault">
        <div class="tabs" role="tablist">
          <button role="tab" :aria-selected="!why" @click="why = false">
            {{ say('review.what_the_log_says') }}
          </button>
          <button role="tab" :aria-selected="why" @click="why = true">
            {{ say('review.why_and_what_to_do') }}
          </button>
        </div>
        <FaultFacts v-if="!why" :fault="fault" :max-kg="data.max_kg" />
        <Diagnosis
          v-else
          :key="fault.fault_id"
          :lifter-id="lifterId"
          :lift="lift"
          :fault-id="fault.fault_id"
        />
      </div>
    </div>
  </main>
</template>

<style scoped>
.unseen {
  grid-column: 1 / -1;
}
.columns {
  display: grid;
  grid-template-columns: 350px minmax(0, 1fr);
  gap: 36px;
  padding: 16px 26px 40px;
}
aside {
  display: grid;
  gap: 22px;
  align-content: start;
}
.empty {
  padding: 50px 26px;
  max-width: 520px;
}
.tabs button {
  font: inherit;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--line);
  min-height: 40px;
  padding: 4px 14px;
  cursor: pointer;
}
.tabs {
  display: flex;
  gap: 18px;
  border-bottom: 1px solid var(--line);
  margin-bottom: 12px;
}
.tabs button {
  background: none;
  border: 0;
  padding: 4px 0;
  border-bottom: 2px solid transparent;
}
.tabs [aria-selected='true'] {
  border-bottom-color: var(--signal);
  font-weight: 700;
}
.faults,
.plain {
  list-style: none;
  padding: 0;
  margin: 4px 0 0;
}
.faults button {
  font: inherit;
  color: inherit;
  width: 100%;
  text-align: left;
  background: none;
  border: 0;
  border-top: 1px solid var(--hair);
  border-left: 3px solid transparent;
  padding: 6px 8px;
  cursor: pointer;
  display: grid;
  grid-template-columns: 1fr auto;
}
.faults .on {
  border-left-color: var(--signal);
  background: var(--sheet);
}
.wide {
  grid-column: 1 / -1;
}
.plain li {
  border-top: 1px solid var(--hair);
  padding: 5px 0;
}
@media (max-width: 1000px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
    padding: 14px;
  }
}
</style>
