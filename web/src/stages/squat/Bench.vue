<script setup lang="ts">
// The bench itself: side view and feet that answer while dragging, findings beside them.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, toRef } from 'vue'
import SideView from '@/figure/SideView.vue'
import TopView from '@/figure/TopView.vue'
import { poseAt } from '@/figure/pose'
import type { Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { nearest, useLifts } from '@/shared/useLifts'
import { BAR_NAMES, USE_NAMES, screensInWords, type BarPosition } from '@/shared/words'
import Costs from '@/study/Costs.vue'
import SetupMap from '@/study/SetupMap.vue'
import Depth from './Depth.vue'
import ExactEntry from './ExactEntry.vue'
import Furniture from './Furniture.vue'
import Goals from '@/study/Goals.vue'
import History from './History.vue'
import Paths from './Paths.vue'
import Phases from './Phases.vue'
import Ranking from './Ranking.vue'
import UseBars from './UseBars.vue'
import { fromGrid, useBench } from './useBench'
import { barName, useSetup, type Setup } from './useSetup'
import { useStudy, type Across } from './useStudy'
import { catalogueQuery, equipmentQuery } from '@/shared/queries'

const props = defineProps<{
  lifterId: string
  ranking: Schemas['RankingAnswer']
  start: Setup
  startLoad: number
  segments: Record<string, number>
  hopM: number | null
}>()
defineEmits<{ cancel: []; again: [] }>()
const { cm, kg, massOf, massUnit } = useUnits()
const { live, pinned, canUndo, canRedo, begin, change, set, stepBar, undo, redo, pin } = useSetup(props.start)
const load = ref(props.startLoad)
const { shown, path, furniture, problem, gridOf, again } = useBench(props.lifterId, live, toRef(load))
const phase = ref<string | null>(null)
const openMax = ref(false)

const TABS = [
  ['ranking', 'Ranking'], ['goals', 'Goal'], ['costs', 'Faults'], ['map', 'Map'], ['path', 'Path'], ['depth', 'Depth'], ['history', 'Settled'],
] as const
const tab = ref<string>('ranking')
const across = ref<Across>('bar_position')
const { costs, paths, depth, map, deciding, history } = useStudy(props.lifterId, live, load, tab, across)
const faultShown = ref<string | null>(null)
const equipment = useQuery(equipmentQuery)
const catalogue = useQuery(catalogueQuery)
const specialty = computed(() => (equipment.data.value?.bars ?? []).filter((b) => b.beyond_shoulder_m !== null))
const faultName = (id: string) => catalogue.data.value?.faults.find((f) => f.id === id)?.name ?? id

const sizes = computed(() => ({
  foot: props.segments.foot_m ?? 0.266,
  ankleHeight: props.segments.ankle_height_m ?? 0.068,
  upperArm: props.segments.upper_arm_m ?? 0.32,
  forearm: props.segments.forearm_m ?? 0.25,
}))
const { squatPhases } = useLifts()
const pose = computed(() => {
  const judged = squatPhases.value.find(({ id }) => id === phase.value)
  if (!judged || !path.value) return shown.value?.pose ?? null
  return poseAt(path.value.path, nearest(path.value.progress, judged.progress))
})
const barPath = computed(() => {
  const bar = path.value?.path.points.bar
  return bar ? bar.x.map((x, i) => ({ x, z: bar.z[i] ?? 0 })) : []
})
const ghosts = computed(() => {
  const found = []
  if (pinned.value && !pinned.value.specialty && phase.value === null) {
    const grid = gridOf(pinned.value.bar_position)
    if (grid) found.push({ pose: fromGrid(grid, pinned.value).pose, toeOutDeg: pinned.value.toe_out_deg, name: 'A' })
  }
  const fault = tab.value === 'costs' && costs.data.value?.costs.find((c) => c.fault_id === faultShown.value)
  if (fault && fault.drawn) {
    const last = (fault.drawn.pitch_deg.length || 1) - 1
    found.push({ pose: poseAt(fault.drawn, last), toeOutDeg: live.value.toe_out_deg, name: faultName(fault.fault_id) })
  }
  return found
})
const against = computed(() => {
  const grid = pinned.value && gridOf(pinned.value.bar_position)
  if (!pinned.value || !grid || !shown.value) return null
  const a = fromGrid(grid, pinned.value)
  const [now, then] = [shown.value.pose, a.pose]
  return {
    name: `${barName(pinned.value)}, ${cm(pinned.value.stance_m, 0)}, ${pinned.value.toe_out_deg}°`,
    parts: [
      signed(shown.value.predictedMaxKg - a.predictedMaxKg, kg) + ' predicted',
      `hip arm ${signed(now.arms.hip - then.arms.hip, cm)}`,
      `knee arm ${signed(now.arms.knee - then.arms.knee, cm)}`,
      `lean ${signed((now.angles.trunk_lean ?? 0) - (then.angles.trunk_lean ?? 0), (v) => `${v.toFixed(0)}°`)}`,
      ...Object.keys(now.use)
        .filter((u) => Math.abs((now.use[u] ?? 0) - (then.use[u] ?? 0)) >= 0.02)
        .map((u) => `${USE_NAMES[u]?.toLowerCase()} ${signed(100 * ((now.use[u] ?? 0) - (then.use[u] ?? 0)), (v) => `${v.toFixed(0)} %`)}`),
    ],
  }
})
function signed(value: number, text: (size: number) => string): string {
  return `${value >= 0 ? '+' : '−'}${text(Math.abs(value))}`
}
const feasible = computed(() => (shown.value?.reasons.length ?? 1) === 0)
function chooseLeader(position: string) {
  const leader = props.ranking.leaders.find((l) => l.setup.bar_position === position)
  if (leader) set({ bar_position: position as BarPosition, stance_m: leader.setup.stance_m, toe_out_deg: leader.setup.toe_out_deg, heel_lift_m: leader.setup.heel_lift_m, specialty: undefined })
}
const AXES = [{ id: 'bar_position', name: 'bar position' }, { id: 'toe_out_deg', name: 'toes' }, { id: 'shank_deg', name: 'shin' }]
const mapRow = computed(() => (across.value === 'bar_position' ? live.value.bar_position : across.value === 'toe_out_deg' ? live.value.toe_out_deg : (pose.value?.angles.shank ?? 25)))
const mapRowName = (row: string) => BAR_NAMES[row] ?? `${row}°`
function goOnMap(place: { row: string; stance_m: number }) {
  const other = across.value === 'bar_position' ? { bar_position: place.row as BarPosition, specialty: undefined } : across.value === 'toe_out_deg' ? { toe_out_deg: Number(place.row) } : {}
  set({ stance_m: place.stance_m, ...other })
}
const whole = (setup: Setup) => set({ ...setup, specialty: setup.specialty })

defineExpose({ undo, redo, pin, set, canUndo, canRedo, isPinned: computed(() => pinned.value !== null), isFeasible: feasible, setup: live })
</script>

<template>
  <div class="bench">
    <section class="drawing" aria-label="Bench">
      <div class="over-figure">
        <ExactEntry :live="live" :load-kg="load" :bars="specialty" @set="set" @load="load = $event" />
        <p v-if="shown" class="live-max" aria-live="polite">
          <button v-if="feasible" class="linkish" :aria-expanded="openMax" @click="openMax = !openMax">
            <span class="big">{{ massOf(shown.predictedMaxKg, 0) }}</span> {{ massUnit }} predicted
          </button>
          <b v-else class="signal">Not feasible as drawn</b>
          <span v-if="feasible" class="small soft limit">{{ USE_NAMES[shown.limiter]?.toLowerCase() }} limit it{{ shown.exact ? '' : ' (nearest computed)' }}</span>
        </p>
      </div>
      <p v-if="openMax && path && feasible" class="note small">{{ path.explanations.predicted_max }}.</p>
      <ul v-if="shown && !feasible" class="reasons note decide small">
        <li v-for="r in shown.reasons" :key="r">{{ r }}.</li>
      </ul>
      <p v-if="problem" class="note decide small" role="alert">
        {{ problem.message }} <button class="linkish" @click="again">Try again</button>
      </p>
      <div class="figures">
        <SideView
          v-if="pose" class="side-view" :pose="pose" :sizes="sizes" :toe-out-deg="live.toe_out_deg" :heel-lift-m="live.heel_lift_m"
          :bar-name="barName(live)" :ghosts="ghosts" :bar-path="barPath" :infeasible="!feasible"
          @begin="begin" @bar="stepBar" @heel="change({ heel_lift_m: live.heel_lift_m + $event * 0.01 })"
        />
        <div class="feet sheet">
          <TopView
            :stance-m="live.stance_m" :toe-out-deg="live.toe_out_deg" :foot-m="sizes.foot" @begin="begin"
            @stance="change({ stance_m: live.stance_m + $event * 0.01 })" @toes="change({ toe_out_deg: live.toe_out_deg + $event })"
          />
          <p v-if="hopM" class="small soft hop">hop and land: {{ cm(hopM, 0) }}</p>
        </div>
      </div>
      <p v-if="against" class="against small"><b>Against A</b> ({{ against.name }}): {{ against.parts.join(', ') }}</p>
      <Phases :path="path" :chosen="phase" @choose="phase = $event" />
    </section>

    <aside class="findings">
      <div class="tabs" role="tablist" aria-label="Findings">
        <button v-for="[id, name] in TABS" :id="`tab-${id}`" :key="id" role="tab" :aria-selected="tab === id" :class="{ on: tab === id }" @click="tab = id">{{ name }}</button>
      </div>
      <div role="tabpanel" :aria-labelledby="`tab-${tab}`">
        <template v-if="tab === 'ranking'">
          <Ranking :ranking="ranking" :live="live" :lifter-id="lifterId" :deciding="deciding.data.value" @choose="whole" @cancel="$emit('cancel')" @again="$emit('again')" />
          <section v-if="pose" class="mt-4">
            <h2>Use at {{ kg(load) }} <small>{{ phase === null ? 'bottom of the squat' : 'in the chosen phase' }}</small></h2>
            <UseBars :use="pose.use" :explanations="phase === null ? path?.explanations : undefined" />
          </section>
          <p v-if="path" class="small mt-2">
            <b>Hip in space:</b> {{ path.explanations.hip_in_space }}
          </p>
          <p class="note small mt-3">
            The leg moments do not depend on where the bar sits: same floor force, same knee, same hip. Its place decides
            the lean, and through it the back, the hips' closing and what the shoulders bear.
          </p>
          <p v-if="ranking.assumed_screens.length" class="note decide small mt-2">
            <b>Not screened:</b> {{ screensInWords(ranking.assumed_screens) }}. The usual values stand in and the bands are wider.
            <RouterLink :to="{ name: 'measure', params: { lifterId } }">Screen now</RouterLink>
          </p>
          <Furniture v-if="furniture" :furniture="furniture" />
        </template>
        <Goals v-else-if="tab === 'goals'" :lifter-id="lifterId" lift="squat" :names="BAR_NAMES" @choose="chooseLeader" />
        <p v-else-if="tab !== 'history' && !{ costs, map, path: paths, depth }[tab]?.data.value" class="soft">
          <template v-if="{ costs, map, path: paths, depth }[tab]?.error.value"><span class="signal">{{ { costs, map, path: paths, depth }[tab]?.error.value?.message }}</span></template>
          <template v-else>Computing …</template>
        </p>
        <Costs v-else-if="tab === 'costs'" :answer="costs.data.value!" :chosen="faultShown" :fault-name="faultName" @choose="faultShown = $event" />
        <SetupMap
          v-else-if="tab === 'map'" :map="map.data.value!" :axes="AXES" :live="{ stance_m: live.stance_m, row: mapRow }" :row-name="mapRowName"
          :note="across === 'shank_deg' ? 'The shin is found, not set: the cross moves along the stance only.' : ''" @go="goOnMap" @across="across = $event as Across"
        />
        <Paths v-else-if="tab === 'path'" :answer="paths.data.value!" :load-kg="load" />
        <Depth v-else-if="tab === 'depth'" :answer="depth.data.value!" :stance-m="live.stance_m" @stance="set({ stance_m: $event })" />
        <History v-else :history="history.data.value ?? []" @choose="whole" />
      </div>
    </aside>
  </div>
</template>

<style scoped src="@/study/bench.css"></style>
<style scoped>
.hop { text-align: center; padding-bottom: 2px; }
</style>
