<script setup lang="ts">
// The start bench: side view and feet that answer while dragging, findings beside them.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, toRef } from 'vue'
import StartView from '@/figure/StartView.vue'
import TopView from '@/figure/TopView.vue'
import { poseAt } from '@/figure/pose'
import type { Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { STYLE_NAMES, USE_NAMES, percent, screensInWords } from '@/shared/words'
import UseBars from '@/stages/squat/UseBars.vue'
import Costs from '@/study/Costs.vue'
import Goals from '@/study/Goals.vue'
import SetupMap from '@/study/SetupMap.vue'
import Facts from './Facts.vue'
import StartEntry from './StartEntry.vue'
import Styles from './Styles.vue'
import { startOf, usePullStudy, useStart, useStartInFull, type Across, type Start } from './usePull'
import { catalogueQuery } from '@/shared/queries'

const props = defineProps<{ lifterId: string; ranking: Schemas['DeadliftRankingAnswer']; start: Start; startLoad: number; segments: Record<string, number> }>()
defineEmits<{ cancel: []; again: [] }>()
const { cm, kg, massOf, massUnit } = useUnits()
const { live, pinned, canUndo, canRedo, begin, change, set, undo, redo, pin } = useStart(props.start)
const load = ref(props.startLoad)
const { answer, problem, again } = useStartInFull(props.lifterId, live, toRef(load))
const pinnedRef = computed(() => pinned.value)
const { answer: pinnedAnswer } = useStartInFull(props.lifterId, pinnedRef, toRef(load))
const step = ref(0)
const openMax = ref(false)
const TABS = [['styles', 'Styles'], ['goals', 'Goal'], ['facts', 'Start'], ['costs', 'Faults'], ['map', 'Map'], ['history', 'Settled']] as const
const tab = ref<string>('styles')
const across = ref<Across>('toe_out_deg')
const { costs, map, deciding, history } = usePullStudy(props.lifterId, live, load, tab, across)
const faultShown = ref<string | null>(null)
const catalogue = useQuery(catalogueQuery)
const faultName = (id: string) => catalogue.data.value?.faults.find((f) => f.id === id)?.name ?? id

const sizes = computed(() => ({
  foot: props.segments.foot_m ?? 0.266, ankleHeight: props.segments.ankle_height_m ?? 0.068, upperArm: props.segments.upper_arm_m ?? 0.32, forearm: props.segments.forearm_m ?? 0.25,
}))
const feasible = computed(() => (answer.value?.reasons.length ?? 1) === 0)
const pose = computed(() => {
  if (!answer.value) return null
  return step.value === 0 ? poseAt(answer.value.start, 0) : poseAt(answer.value.path, step.value)
})
const steps = computed(() => Math.max(0, (answer.value?.phases.length ?? 1) - 1))
const barPath = computed(() => {
  const bar = answer.value?.path.points.bar
  return bar ? bar.x.map((x, i) => ({ x, z: bar.z[i] ?? 0 })) : []
})
const ghosts = computed(() => {
  const found: { pose: ReturnType<typeof poseAt>; name: string }[] = []
  if (step.value > 0) return found
  if (pinnedAnswer.value && pinned.value) found.push({ pose: poseAt(pinnedAnswer.value.start, 0), name: 'A' })
  if (answer.value && live.value.shoulder_offset_m < 0) found.push({ pose: poseAt(answer.value.natural.low, 0), name: 'low' })
  if (answer.value && tab.value === 'facts') found.push({ pose: poseAt(answer.value.natural.low, 0), name: 'too low' })
  const fault = tab.value === 'costs' && costs.data.value?.costs.find((c) => c.fault_id === faultShown.value)
  if (fault && fault.drawn) found.push({ pose: poseAt(fault.drawn, 0), name: fault.fault_id })
  return found
})
const phases = computed(() => {
  const names = answer.value?.phases ?? []
  return [...new Set(names)].map((name) => ({ name, first: names.indexOf(name), use: Math.max(...names.map((n, i) => (n === name ? Math.max(...Object.values(answer.value!.path.use).map((u) => u[i] ?? 0)) : 0))) }))
})
const signed = (value: number, text: (size: number) => string) => `${value >= 0 ? '+' : '−'}${text(Math.abs(value))}`
const against = computed(() => {
  const [a, b] = [pinnedAnswer.value, answer.value]
  if (!pinned.value || !a || !b) return null
  return {
    name: `${STYLE_NAMES[pinned.value.style]}, ${cm(pinned.value.stance_m, 0)}`,
    parts: [
      `${signed(b.predicted_max_kg - a.predicted_max_kg, kg)} predicted`, `back ${signed(b.back_deg - a.back_deg, (v) => `${v.toFixed(0)}°`)}`,
      `travel ${signed(b.travel_m - a.travel_m, cm)}`, `work ${signed(b.work_j - a.work_j, (v) => `${v.toFixed(0)} J`)}`, `hips ${signed(b.hip_over_knee_m - a.hip_over_knee_m, cm)}`,
    ],
  }
})
const AXES = [{ id: 'toe_out_deg', name: 'toes' }, { id: 'bar_offset_m', name: 'feet to bar' }, { id: 'grip_m', name: 'hands' }]
const mapRow = computed(() => (across.value === 'toe_out_deg' ? live.value.toe_out_deg : live.value[across.value] * 100))
const mapRowName = (row: string) => (across.value === 'toe_out_deg' ? `${row}°` : `${row} cm`)
function goOnMap(place: { row: string; stance_m: number }) {
  const value = Number(place.row)
  set({ stance_m: place.stance_m, [across.value]: across.value === 'toe_out_deg' ? value : value / 100 })
}
function choose(start: Start) {
  step.value = 0
  set(start)
}
function chooseStyle(style: string) {
  const leader = props.ranking.leaders.find((l) => l.setup.style === style)
  if (leader) choose(startOf(leader.setup))
}
defineExpose({ undo, redo, pin, set, canUndo, canRedo, isPinned: computed(() => pinned.value !== null), isFeasible: feasible, setup: live })
</script>

<template>
  <div class="bench">
    <section class="drawing" aria-label="Start bench">
      <div class="over-figure">
        <StartEntry :live="live" :load-kg="load" @set="set" @load="load = $event" />
        <p v-if="answer" class="live-max" aria-live="polite">
          <button v-if="feasible" class="linkish" :aria-expanded="openMax" @click="openMax = !openMax"><span class="big">{{ massOf(answer.predicted_max_kg, 0) }}</span> {{ massUnit }} predicted</button>
          <b v-else class="signal">Does not hold as drawn</b>
          <span v-if="feasible" class="small soft limit">{{ USE_NAMES[answer.limiter]?.toLowerCase() }} limit it</span>
        </p>
      </div>
      <p v-if="openMax && answer && feasible" class="note small">{{ answer.explanations.predicted_max }}.</p>
      <ul v-if="answer && !feasible" class="reasons note decide small"><li v-for="r in answer.reasons" :key="r" class="first">{{ r }}.</li></ul>
      <p v-if="problem" class="note decide small" role="alert">{{ problem.message }} <button class="linkish" @click="again">Try again</button></p>
      <div class="figures">
        <StartView
          v-if="pose" class="side-view" :pose="pose" :sizes="sizes" :toe-out-deg="live.toe_out_deg" :bar-offset-m="live.bar_offset_m" :shoulder-offset-m="live.shoulder_offset_m"
          :ghosts="ghosts" :bar-path="barPath" :infeasible="!feasible" :style-name="STYLE_NAMES[live.style] ?? ''"
          @begin="begin" @feet="change({ bar_offset_m: live.bar_offset_m + $event * 0.01 })" @hips="change({ shoulder_offset_m: live.shoulder_offset_m - $event * 0.01 })" @shoulders="change({ shoulder_offset_m: live.shoulder_offset_m + $event * 0.01 })"
        />
        <div class="feet sheet">
          <TopView
            :stance-m="live.stance_m" :toe-out-deg="live.toe_out_deg" :foot-m="sizes.foot" :grip-m="live.grip_m" :bar-offset-m="live.bar_offset_m" @begin="begin"
            @stance="change({ stance_m: live.stance_m + $event * 0.01 })" @toes="change({ toe_out_deg: live.toe_out_deg + $event })" @grip="change({ grip_m: live.grip_m + $event * 0.02 })"
          />
        </div>
      </div>
      <p v-if="against" class="small"><b>Against A</b> ({{ against.name }}): {{ against.parts.join(', ') }}</p>
      <div v-if="answer" class="way">
        <label class="small"><span class="soft">From the floor to lockout</span>
          <input v-model.number="step" type="range" min="0" :max="steps" :aria-valuetext="answer.phases[step]" aria-label="Way from the floor to lockout" /></label>
        <ol><li v-for="p in phases" :key="p.name"><button :class="{ on: answer.phases[step] === p.name }" @click="step = p.first"><span>{{ p.name }}</span><span class="small soft">{{ percent(p.use) }}</span></button></li></ol>
      </div>
    </section>
    <aside class="findings">
      <div class="tabs" role="tablist" aria-label="Findings">
        <button v-for="[id, name] in TABS" :id="`tab-${id}`" :key="id" role="tab" :aria-selected="tab === id" :class="{ on: tab === id }" @click="tab = id">{{ name }}</button>
      </div>
      <div role="tabpanel" :aria-labelledby="`tab-${tab}`">
        <template v-if="tab === 'styles'">
          <Styles :ranking="ranking" :live="live" :lifter-id="lifterId" :deciding="deciding.data.value" @choose="choose" @cancel="$emit('cancel')" @again="$emit('again')" />
          <section v-if="pose" class="mt-4"><h2>Use at {{ kg(load) }} <small>{{ answer?.phases[step] }}</small></h2><UseBars :use="pose.use" /></section>
          <p v-if="ranking.assumed_screens.length" class="note decide small mt-2"><b>Not screened:</b> {{ screensInWords(ranking.assumed_screens) }}. The usual values stand in and the bands are wider. <RouterLink :to="{ name: 'measure', params: { lifterId } }">Screen now</RouterLink></p>
          <p class="small soft mt-2">Stop at sharp, radiating or new pain. Keep the back's shape: growth of a curve is a fault. Holding the breath raises blood pressure.</p>
        </template>
        <Goals v-else-if="tab === 'goals'" :lifter-id="lifterId" lift="deadlift" :names="STYLE_NAMES" @choose="chooseStyle" />
        <Facts v-else-if="tab === 'facts' && answer" :answer="answer" :load-kg="load" />
        <Costs v-else-if="tab === 'costs' && costs.data.value" :answer="costs.data.value" :chosen="faultShown" :fault-name="faultName" @choose="faultShown = $event" />
        <SetupMap v-else-if="tab === 'map' && map.data.value" :map="map.data.value" :axes="AXES" :live="{ stance_m: live.stance_m, row: mapRow }" :row-name="mapRowName" @go="goOnMap" @across="across = $event as Across" />
        <section v-else-if="tab === 'history'">
          <h2>Settled so far</h2>
          <p v-if="!history.data.value?.length" class="soft">Nothing yet. What is settled stays here with its reason.</p>
          <div v-for="(h, i) in history.data.value ?? []" :key="h.setup_id" class="past">
            <p><b>{{ STYLE_NAMES[h.setup.style] }}, {{ cm(h.setup.stance_m, 0) }}, toes {{ h.setup.toe_out_deg.toFixed(0) }}°</b> <span v-if="i === 0" class="holds small">in force</span></p>
            <p class="small soft">predicted {{ kg(h.predicted_max_kg, 0) }}, model {{ h.model_version }}</p>
            <p v-if="h.reason" class="small">“{{ h.reason }}”</p>
            <button class="linkish small" @click="choose(startOf(h.setup))">put it on the bench</button>
          </div>
        </section>
        <p v-else class="soft">{{ costs.error.value?.message ?? map.error.value?.message ?? 'Computing …' }}</p>
      </div>
    </aside>
  </div>
</template>

<style scoped src="@/study/bench.css"></style>
<style scoped>
.past { border-top: 1px solid var(--line); padding: 6px 0; }
.way { border-top: 1px solid var(--line); }
.way label { display: grid; grid-template-columns: auto 1fr; gap: 10px; align-items: center; padding-top: 4px; }
.way input { accent-color: var(--ink); width: 100%; }
.way ol { display: grid; grid-template-columns: repeat(5, 1fr); list-style: none; margin: 0; padding: 0; }
.way button { width: 100%; text-align: left; font: inherit; color: inherit; background: none; border: 0; border-left: 1px solid var(--line); padding: 3px 2px 3px 7px; cursor: pointer; display: flex; flex-direction: column; }
.way button.on { border-left: 3px solid var(--signal); font-weight: 700; }
.way button:hover { background: var(--hair); }
@media (max-width: 760px) { .way ol { grid-template-columns: repeat(3, 1fr); } }
</style>
