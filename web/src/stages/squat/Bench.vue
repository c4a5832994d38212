<script setup lang="ts">
// The bench itself: side view and feet that answer while dragging, ranking and use beside them.
import { computed, ref, toRef } from 'vue'
import SideView from '@/figure/SideView.vue'
import TopView from '@/figure/TopView.vue'
import { poseAt } from '@/figure/pose'
import type { Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { BAR_NAMES, USE_NAMES } from '@/shared/words'
import ExactEntry from './ExactEntry.vue'
import Phases from './Phases.vue'
import Ranking from './Ranking.vue'
import UseBars from './UseBars.vue'
import { fromGrid, useBench } from './useBench'
import { useSetup, type Setup } from './useSetup'

const props = defineProps<{
  lifterId: string
  ranking: Schemas['RankingAnswer']
  start: Setup
  startLoad: number
  segments: Record<string, number>
}>()
const { cm, kg, massOf, massUnit } = useUnits()
const { live, pinned, canUndo, canRedo, begin, change, set, stepBar, undo, redo, pin } = useSetup(props.start)
const load = ref(props.startLoad)
const { shown, path, furniture, problem, gridOf, again } = useBench(props.lifterId, live, toRef(load))
const phase = ref<number | null>(null)
const openMax = ref(false)

const sizes = computed(() => ({
  foot: props.segments.foot_m ?? 0.266,
  ankleHeight: props.segments.ankle_height_m ?? 0.068,
  upperArm: props.segments.upper_arm_m ?? 0.32,
  forearm: props.segments.forearm_m ?? 0.25,
}))
const PHASE_PROGRESS = [0, 0.5, 1, 0.8, 0.5, 0]
const pose = computed(() => {
  if (phase.value === null || !path.value) return shown.value?.pose ?? null
  const wanted = PHASE_PROGRESS[phase.value] ?? 1
  const steps = path.value.progress
  const index = steps.reduce((b, p, i) => (Math.abs(p - wanted) < Math.abs((steps[b] ?? 9) - wanted) ? i : b), 0)
  return poseAt(path.value.path, index)
})
const barPath = computed(() => {
  const bar = path.value?.path.points.bar
  return bar ? bar.x.map((x, i) => ({ x, z: bar.z[i] ?? 0 })) : []
})
const ghosts = computed(() => {
  const found = []
  if (pinned.value && phase.value === null) {
    const grid = gridOf(pinned.value.bar_position)
    if (grid) found.push({ pose: fromGrid(grid, pinned.value).pose, toeOutDeg: pinned.value.toe_out_deg, name: 'A' })
  }
  return found
})
const against = computed(() => {
  const grid = pinned.value && gridOf(pinned.value.bar_position)
  if (!pinned.value || !grid || !shown.value) return null
  const a = fromGrid(grid, pinned.value)
  return { name: `${BAR_NAMES[pinned.value.bar_position]}, ${cm(pinned.value.stance_m, 0)}, ${pinned.value.toe_out_deg}°`, kg: shown.value.predictedMaxKg - a.predictedMaxKg, hip: shown.value.pose.arms.hip - a.pose.arms.hip, knee: shown.value.pose.arms.knee - a.pose.arms.knee }
})
const signed = (value: number, text: string) => `${value >= 0 ? '+' : '−'}${text}`
const feasible = computed(() => (shown.value?.reasons.length ?? 1) === 0)

defineExpose({ undo, redo, pin, canUndo, canRedo, isPinned: computed(() => pinned.value !== null), isFeasible: feasible, setup: live })
</script>

<template>
  <div class="bench">
    <section class="drawing" aria-label="Bench">
      <div class="over-figure">
        <ExactEntry :live="live" :load-kg="load" @set="set" @load="load = $event" />
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
          :bar-name="BAR_NAMES[live.bar_position] ?? ''" :ghosts="ghosts" :bar-path="barPath" :infeasible="!feasible"
          @begin="begin" @bar="stepBar" @heel="change({ heel_lift_m: live.heel_lift_m + $event * 0.01 })"
        />
        <div class="feet sheet">
          <TopView
            :stance-m="live.stance_m" :toe-out-deg="live.toe_out_deg" :foot-m="sizes.foot" @begin="begin"
            @stance="change({ stance_m: live.stance_m + $event * 0.01 })" @toes="change({ toe_out_deg: live.toe_out_deg + $event })"
          />
        </div>
      </div>
      <p v-if="against" class="against small">
        <b>Against A</b> ({{ against.name }}):
        {{ signed(against.kg, kg(Math.abs(against.kg))) }} predicted, hip arm {{ signed(against.hip, cm(Math.abs(against.hip))) }},
        knee arm {{ signed(against.knee, cm(Math.abs(against.knee))) }}
      </p>
      <Phases :path="path" :chosen="phase" @choose="phase = $event" />
    </section>

    <aside class="findings">
      <Ranking :ranking="ranking" :live="live" @choose="set" />
      <section v-if="pose" class="mt-4">
        <h2>Use at {{ kg(load) }} <small>{{ phase === null ? 'bottom of the squat' : 'in the chosen phase' }}</small></h2>
        <UseBars :use="pose.use" :explanations="phase === null ? path?.explanations : undefined" />
      </section>
      <p class="note small mt-3">
        The leg moments do not depend on where the bar sits: same floor force, same knee, same hip. Its place decides
        the lean, and through it the back, the hips' closing and what the shoulders bear.
      </p>
      <p v-if="ranking.assumed_screens.length" class="note decide small mt-2">
        <b>Not screened:</b> {{ ranking.assumed_screens.join(', ') }}. The usual values stand in and the bands are wider.
        <RouterLink :to="{ name: 'measure', params: { lifterId } }">Screen now</RouterLink>
      </p>
      <section v-if="furniture" class="mt-4">
        <h2>Hands and rack</h2>
        <p>{{ furniture.grip.ring_words }} <span class="soft small">({{ cm(furniture.grip.grip_m, 0) }}, {{ furniture.grip.set_by_screen ? 'narrowest bearable' : 'usual start, no shoulder screen' }})</span></p>
        <div v-for="rack in furniture.racks" :key="rack.rack" class="rack">
          <p class="small"><b>{{ rack.rack }}</b></p>
          <dl>
            <div><dt class="small soft">hook hole, {{ cm(rack.dip_m, 0) }} dip</dt><dd>{{ rack.hook_hole ?? '–' }}</dd></div>
            <div><dt class="small soft">pin hole, {{ cm(rack.safety_below_m, 0) }} under</dt><dd>{{ rack.safety_hole ?? '–' }}</dd></div>
          </dl>
          <p v-if="rack.problem" class="small signal">{{ rack.problem }}</p>
        </div>
        <p class="small soft mt-2">Set the pins before loading; squat heavy only with pins or spotters.</p>
      </section>
    </aside>
  </div>
</template>

<style scoped>
.bench { display: grid; grid-template-columns: minmax(0, 1fr) 412px; min-height: calc(100vh - 65px); }
.drawing { padding: 10px 22px 8px; display: flex; flex-direction: column; gap: 6px; min-width: 0; border-right: 1px solid var(--line); }
.over-figure { display: flex; justify-content: space-between; align-items: flex-end; gap: 12px; }
.limit { display: block; margin-top: 3px; }
.live-max { min-height: 46px; text-align: right; line-height: 1.15; }
.figures { position: relative; flex: 1; min-height: 0; }
.side-view { height: calc(100vh - 214px); min-height: 340px; }
.feet { position: absolute; right: 0; top: 4px; width: 196px; padding: 4px; background: var(--sheet); }
.reasons { list-style: none; margin: 0; }
.findings { padding: 14px 20px 24px; background: var(--sheet); overflow-y: auto; max-height: calc(100vh - 65px); }
.rack { margin-top: 8px; border-top: 1px solid var(--line); padding-top: 4px; }
.rack dl { display: flex; gap: 24px; margin: 0; }
.rack dl div { display: flex; flex-direction: column-reverse; }
.rack dd { margin: 0; font-size: 19px; font-weight: 700; line-height: 1.2; }
@media (max-width: 1080px) {
  .bench { grid-template-columns: 1fr; }
  .findings { max-height: none; }
}
@media (max-width: 760px) {
  .drawing { padding: 10px 12px; border: 0; }
  .over-figure { flex-wrap: wrap; }
  .live-max { text-align: left; }
  .feet { position: static; width: 100%; max-width: 300px; margin: 8px auto; }
  .side-view { min-height: 300px; max-height: 70vh; }
}
</style>
