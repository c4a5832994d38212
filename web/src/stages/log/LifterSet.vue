<script setup lang="ts">
// One lifter's set: load and plates, reps and faults, RPE, kept at once and sent when it can be.
import { say } from '@/words'
import { computed, ref, watch } from 'vue'
import OneOf from '@/shared/OneOf.vue'
import PlateStack from '@/shared/PlateStack.vue'
import { uuid7, type Schemas } from '@/shared/api'
import { useOutbox } from '@/shared/outbox'
import { useUnits } from '@/shared/units'
import Cues from './Cues.vue'
import Gear from './Gear.vue'
import Ladder from './Ladder.vue'
import Planned from './Planned.vue'
import RecentSets from './RecentSets.vue'
import SentSets from './SentSets.vue'
import Repeatability from './Repeatability.vue'
import RepKeys from './RepKeys.vue'
import RestClock from './RestClock.vue'
import { addFault, addRep, amending, bodyOf, changeLast, undo, useDraft, type Lift } from './draft'
import { rpeOf } from './keys'
import { nearestLoading, type PlatformLifter, type ShownSet } from './usePlatform'

const props = defineProps<{
  lift: Lift
  one: PlatformLifter
  sets: ShownSet[]
  catalogue: Schemas['CatalogueAnswer']
  gym: Schemas['GymLoadings']
  bars: Schemas['BarAnswer'][]
  racks: string[]
  variations: Record<string, string[]>
  mayWrite: boolean
}>()
const emit = defineEmits<{ lift: [lift: Lift]; kept: [] }>()
const { kg, massOf, massUnit, readMass } = useUnits()
const { enqueue } = useOutbox()
const { draft, next, isNew } = useDraft(props.one.lifter_id)
const ofLift = computed(() => {
  const found = props.one.lifts.find((l) => l.lift === draft.value.lift)
  if (!found) throw new Error(say('log.the_session_has_no', { lift: draft.value.lift }))
  return found
})

function followPlan() {
  const plan = ofLift.value.next
  if (plan.load_kg) draft.value.load_kg = plan.load_kg
  draft.value.aimed_rpe = plan.rpe
  draft.value.cue = ofLift.value.cues.find((c) => c.on_trial)?.id ?? ''
  draft.value.variation = plan.variation
}
function takeLine(line: Schemas['PlannedLine']) {
  if (line.load_kg !== null) draft.value.load_kg = line.load_kg
  draft.value.variation = line.variation
  draft.value.aimed_rpe = line.rpe
}
watch(
  () => props.lift,
  (lift) => {
    if (draft.value.lift === lift && !isNew) return
    if (draft.value.reps.length) return emit('lift', draft.value.lift)
    draft.value.lift = lift
    followPlan()
  },
  { immediate: true },
)

const loadText = ref('')
const loadWrong = ref(false)
watch([() => draft.value.load_kg, massUnit], () => (loadText.value = massOf(draft.value.load_kg, 2)), {
  immediate: true,
})
const beingTyped = () => loadText.value !== massOf(draft.value.load_kg, 2)

/** Once a line of the plan is done the next one's load is on the bar, unless another is being typed. */
watch(
  () => ofLift.value.next,
  (now, before) => {
    const asPlanned = draft.value.load_kg === before.load_kg && draft.value.variation === before.variation
    const begun = draft.value.reps.length > 0 || !!draft.value.replaces || beingTyped()
    if (now.prescribed && asPlanned && !begun) followPlan()
  },
)

function takeLoad() {
  const value = readMass(loadText.value)
  loadWrong.value = !(value > 0 && value <= 600)
  if (loadWrong.value) return
  draft.value.load_kg = value
  loadText.value = massOf(value, 2)
}
const loading = computed(() => nearestLoading(props.gym, draft.value.load_kg))
const off = computed(() => (loading.value ? loading.value.total_kg - draft.value.load_kg : 0))
const overCap = computed(() => ofLift.value.cap_kg !== null && draft.value.load_kg > ofLift.value.cap_kg)

const handsOn = ref<number | null>(null)
function hands() {
  if (handsOn.value === null) handsOn.value = Date.now()
  else {
    draft.value.measures = {
      ...draft.value.measures,
      hands_to_pull_s: Math.min(120, Math.round((Date.now() - handsOn.value) / 100) / 10),
    }
    handsOn.value = null
  }
}
const faultName = (id: string) => props.catalogue.faults.find((f) => f.id === id)?.name ?? id
const said = ref('')
async function keep() {
  const d = draft.value
  if (!d.reps.length || loadWrong.value || !props.mayWrite) return
  const body = { kind: 'set' as const, key: d.key, lifter_id: props.one.lifter_id, set: bodyOf(d) }
  said.value = `${d.replaces ? say('log.amended') : say('log.kept')}: ${d.reps.length} × ${kg(d.load_kg, 2)}.`
  next()
  await enqueue(body)
  emit('kept')
}
function amend(set: ShownSet) {
  draft.value = amending(set)
  emit('lift', draft.value.lift)
}
function giveUpAmending() {
  draft.value.key = uuid7()
  next()
  followPlan()
}
const keys = ref<InstanceType<typeof RepKeys> | null>(null)
function press(key: string): boolean {
  if (keys.value?.press(key)) return true
  const rpe = rpeOf(key, draft.value.rpe)
  if (rpe !== undefined) draft.value.rpe = rpe
  else if (key === 'h' && draft.value.lift === 'deadlift') hands()
  else if (key === 'Enter') void keep()
  else return false
  return true
}
defineExpose({ press })
const RPES = [5, 5.5, 6, 6.5, 7, 7.5, 8, 8.5, 9, 9.5, 10].map((r) => [r, String(r)] as const)
</script>

<template>
  <div class="platform">
    <section class="now">
      <p v-if="one.pain.length" class="pain signal">
        {{ say('log.pain_flag_on_the_stay_under', { pain: one.pain.join(', ') }) }}
      </p>
      <p v-if="draft.replaces" class="note decide">
        {{ say('log.you_are_amending_a_logged_set') }}
        <button class="linkish" @click="giveUpAmending">{{ say('log.leave_it_as_it_was') }}</button>
      </p>
      <div class="top">
        <label class="load"
          ><span class="small soft">{{ say('log.load_mass_unit', { massUnit }) }}</span
          ><input v-model="loadText" inputmode="decimal" :aria-invalid="loadWrong" @change="takeLoad"
        /></label>
        <label
          ><span class="small soft">{{ say('log.variation') }}</span
          ><select v-model="draft.variation">
            <option v-for="v in variations[draft.lift]" :key="v">{{ v }}</option>
          </select></label
        >
        <label v-if="draft.lift === 'deadlift'"
          ><span class="small soft">{{ say('log.reps_from') }}</span
          ><select v-model="draft.pull_style">
            <option :value="null">{{ say('log.dead_stop') }}</option>
            <option value="rebound">{{ say('log.rebound') }}</option>
          </select></label
        >
        <RestClock :since="sets[0]?.performed_at ?? null" class="clock" />
      </div>
      <p v-if="loadWrong" class="signal small" role="alert">{{ say('log.a_load_lies_between_0_and') }}</p>
      <PlateStack
        v-if="loading"
        :per-side="loading.per_side"
        :bar-kg="gym.bar_kg"
        :collars-kg="gym.collars_kg"
      />
      <p class="small signal steady">
        <template v-if="loading && Math.abs(off) > 0.01">{{
          say('log.the_plates_make', {
            total_kg: kg(loading.total_kg, 2),
            off: kg(Math.abs(off), 2),
            more: off > 0 ? say('log.more') : say('log.less'),
          })
        }}</template>
      </p>
      <p v-if="overCap && ofLift.cap_kg !== null" class="small signal">
        {{ say('log.above_the_cap_of', { cap_kg: kg(ofLift.cap_kg, 0), cap_words: ofLift.cap_words }) }}
      </p>
      <RepKeys
        ref="keys"
        :draft="draft"
        :catalogue="catalogue"
        :frequent="ofLift.frequent"
        :silenced="one.silenced"
        :disabled="!mayWrite"
        @rep="addRep(draft, $event)"
        @fault="(fault, same) => addFault(draft, fault, same)"
        @change="changeLast(draft, $event)"
        @undo="undo(draft)"
      />
      <div class="row">
        <span class="small soft">RPE</span>
        <OneOf v-model="draft.rpe" label="RPE" :options="RPES" clearable loose />
      </div>
      <div v-if="draft.lift === 'deadlift'" class="row">
        <v-btn class="quiet" @click="hands">{{
          handsOn === null ? say('log.hands_on_the_bar') : say('log.plates_leave')
        }}</v-btn>
        <span class="small soft">{{
          handsOn !== null
            ? say('log.timing')
            : draft.measures.hands_to_pull_s != null
              ? say('log.s_from_hands_to_pull', { hands_to_pull_s: draft.measures.hands_to_pull_s })
              : say('log.times_the_wait_before_the_pull')
        }}</span>
      </div>
      <v-btn
        variant="flat"
        height="52"
        block
        :disabled="!draft.reps.length || loadWrong || !mayWrite"
        @click="keep"
        >{{ draft.replaces ? say('log.keep_the_amendment') : say('log.keep_the_set') }}</v-btn
      >
      <p v-if="said && !draft.reps.length" class="holds" role="status">{{ said }}</p>
      <slot />
      <Repeatability v-model="draft.measures" :lift="draft.lift" />
      <Gear v-model="draft.gear" :bars="bars" :racks="racks" />
      <v-text-field v-model="draft.note" :label="say('log.note')" maxlength="1000" />
    </section>
    <aside class="side">
      <Planned
        :lines="ofLift.planned"
        :variation="draft.variation"
        :load-kg="draft.load_kg"
        :lifter-id="one.lifter_id"
        :lift="draft.lift"
        :may-write="mayWrite"
        @take="takeLine"
      />
      <section v-if="one.other_work?.length">
        <h2>{{ say('log.also_today') }}</h2>
        <p v-for="w in one.other_work" :key="w">{{ w }}</p>
      </section>
      <section v-if="ofLift.setup_words.length">
        <h2>{{ say('log.set_up_of_the_day') }}</h2>
        <p v-for="w in ofLift.setup_words" :key="w">{{ w }}</p>
      </section>
      <section v-if="ofLift.checks?.length">
        <h2>{{ say('log.before_the_set') }}</h2>
        <label v-for="c in ofLift.checks" :key="c" class="check"><input type="checkbox" /> {{ c }}</label>
      </section>
      <Cues
        v-model="draft.cue"
        :lifter-id="one.lifter_id"
        :lift="draft.lift"
        :cues="ofLift.cues"
        :may-write="mayWrite"
      />
      <Ladder :steps="ofLift.next.warm_up" :load-kg="draft.load_kg" @take="draft.load_kg = $event" />
      <SentSets :lifter-id="one.lifter_id" />
      <RecentSets :lifter-id="one.lifter_id" :sets="sets" :fault-name="faultName" @amend="amend" />
    </aside>
  </div>
</template>

<style scoped>
.steady {
  min-height: 1.4em;
}
.platform {
  display: grid;
  grid-template-columns: minmax(0, 580px) minmax(0, 1fr);
  gap: 36px;
  padding: 14px 26px 40px;
}
.now,
.side {
  display: grid;
  gap: 12px;
  align-content: start;
}
.side {
  gap: 20px;
}
.pain {
  font-weight: 600;
}
.top {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
  align-items: end;
}
.top label {
  display: flex;
  flex-direction: column;
}
.clock {
  margin-left: auto;
}
.top input,
.top select {
  font: inherit;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 3px;
  height: 46px;
  padding: 4px 10px;
  max-width: 190px;
}
.load input {
  font-size: 28px;
  font-weight: 700;
  width: 120px;
}
.row {
  display: flex;
  gap: 12px;
  align-items: center;
}
.check {
  display: flex;
  gap: 8px;
  align-items: baseline;
  min-height: 28px;
}
@media (max-width: 900px) {
  .platform {
    grid-template-columns: 1fr;
    padding: 12px 14px 40px;
    gap: 20px;
  }
}
</style>
