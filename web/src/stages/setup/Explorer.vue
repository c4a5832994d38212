<script setup lang="ts">
// The explorer: a figure and feet that answer while dragging, findings beside them.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import TopView from '@/figure/TopView.vue'
import { poseAt } from '@/figure/pose'
import { useLift } from '@/shared/lifts'
import { catalogueQuery } from '@/shared/queries'
import { useUnits } from '@/shared/units'
import { givesOutFirst, screensInWords } from '@/shared/words'
import Costs from './Costs.vue'
import ExactEntry from './ExactEntry.vue'
import Goals from './Goals.vue'
import History from './History.vue'
import RankingList from './RankingList.vue'
import SetupMap from './SetupMap.vue'
import UseBars from './UseBars.vue'
import Way from './Way.vue'
import { isDeadlift, styleOf, type LiftPage, type Part, type Ranking, type Setup } from './liftPage'
import { useAnalysis } from './useAnalysis'
import { useSetup } from './useSetup'

const props = defineProps<{
  page: LiftPage
  lifterId: string
  ranking: Ranking
  start: Setup
  startLoad: number
  segments: Record<string, number>
  hopM: number | null
}>()
defineEmits<{ cancel: []; again: [] }>()
const { page, lifterId } = props
const units = useUnits()
const { cm, kg, massOf, massUnit } = units
const { axes, names, nameOf } = useLift(page.id)
const { live, pinned, canUndo, canRedo, begin, change, set, move, undo, redo, pin } = useSetup(
  props.start,
  axes.value,
)
const load = ref(props.startLoad)
const { shown, problem, again } = page.useShown(lifterId, live, load)
const { shown: pinnedShown } = page.useShown(lifterId, pinned, load)

const step = ref<number | null>(null)
const openMax = ref(false)
const TABS = [
  { id: 'ranking', name: say('setup.ranking') },
  { id: 'goals', name: say('setup.goal') },
  { id: 'costs', name: say('setup.faults') },
  { id: 'map', name: say('setup.map') },
  ...page.tabs,
  { id: 'history', name: say('setup.settled') },
]
const tab = ref('ranking')
const own = computed(() => page.tabs.find(({ id }) => id === tab.value))
const across = ref(page.maps[0]?.id ?? '')
const { costs, map, deciding, history } = useAnalysis(page.id, lifterId, live, load, tab, across)
const waited = computed(() => ({ costs, map })[tab.value])
const faultShown = ref<string | null>(null)
const catalogue = useQuery(catalogueQuery)
const faultName = (id: string) => catalogue.data.value?.faults.find((f) => f.id === id)?.name ?? id

const sizes = computed(() => ({
  foot: props.segments.foot_m ?? 0.266,
  ankleHeight: props.segments.ankle_height_m ?? 0.068,
  upperArm: props.segments.upper_arm_m ?? 0.32,
  forearm: props.segments.forearm_m ?? 0.25,
}))
const feasible = computed(() => shown.value?.reasons.length === 0)
const way = computed(() => shown.value?.way ?? null)
const pose = computed(() =>
  step.value === null || !way.value ? (shown.value?.pose ?? null) : poseAt(way.value, step.value),
)
const barPath = computed(() => {
  const bar = way.value?.points.bar
  return bar ? bar.x.map((x, i) => ({ x, z: bar.z[i] ?? 0 })) : []
})
const ghosts = computed(() => {
  if (!shown.value || step.value !== null) return []
  const found = page.ghosts(shown.value, live.value, tab.value)
  if (pinnedShown.value) found.push({ pose: pinnedShown.value.pose, name: 'A' })
  const fault =
    tab.value === 'costs' ? costs.data.value?.costs.find((c) => c.fault_id === faultShown.value) : undefined
  if (fault?.drawn)
    found.push({
      pose: poseAt(fault.drawn, Math.max(0, fault.drawn.pitch_deg.length - 1)),
      name: faultName(fault.fault_id),
    })
  return found
})
const barName = computed(
  () => (isDeadlift(live.value) ? undefined : live.value.specialty?.name) ?? nameOf(styleOf(live.value)),
)
const against = computed(() => {
  if (!pinned.value || !pinnedShown.value || !shown.value) return null
  return {
    name: `${nameOf(styleOf(pinned.value))}, ${cm(pinned.value.stance_m, 0)}, ${pinned.value.toe_out_deg}°`,
    parts: page.against(shown.value, pinnedShown.value, units),
  }
})
function choose(setup: Part) {
  step.value = null
  set(setup)
}
function chooseStyle(style: string) {
  const leader = props.ranking.leaders.find((l) => styleOf(l.setup) === style)
  if (leader) choose(page.setupOf(leader.setup))
}
const goOnMap = (place: { row: string; stance_m: number }) =>
  set({ stance_m: place.stance_m, ...page.mapPart(place.row, across.value) })

defineExpose({
  undo,
  redo,
  pin,
  set,
  canUndo,
  canRedo,
  isPinned: computed(() => pinned.value !== null),
  isFeasible: feasible,
  setup: live,
})
</script>

<template>
  <div class="explorer">
    <section class="drawing" :aria-label="say('setup.set_up')">
      <div class="over-figure">
        <ExactEntry
          :page="page"
          :live="live"
          :load-kg="load"
          :bar-height-m="shown?.start?.setup.bar_height_m"
          @set="choose"
          @load="load = $event"
        />
        <p v-if="shown" class="live-max" aria-live="polite">
          <button v-if="feasible" class="linkish" :aria-expanded="openMax" @click="openMax = !openMax">
            <span class="big">{{ massOf(shown.predictedMaxKg, 0) }}</span>
            {{ say('setup.mass_unit_predicted', { massUnit }) }}
          </button>
          <b v-else class="signal">{{ say('setup.cannot_be_held_as_drawn') }}</b>
          <span v-if="feasible" class="small soft limit"
            >{{ givesOutFirst(shown.limiter)
            }}{{ shown.exact ? '' : ' ' + say('setup.nearest_computed') }}</span
          >
        </p>
      </div>
      <p v-if="openMax && shown?.explanations.predicted_max && feasible" class="note small">
        {{ shown.explanations.predicted_max }}.
      </p>
      <ul v-if="shown && !feasible" class="reasons note decide small">
        <li v-for="r in shown.reasons" :key="r" class="first">{{ r }}.</li>
      </ul>
      <p v-if="problem" class="note decide small" role="alert">
        {{ problem.message }} <button class="linkish" @click="again">{{ say('setup.try_again') }}</button>
      </p>
      <div class="figures">
        <component
          :is="page.figure"
          v-if="pose"
          class="side-view"
          :pose="pose"
          :sizes="sizes"
          :live="live"
          :bar-name="barName"
          :ghosts="ghosts"
          :bar-path="barPath"
          :infeasible="!feasible"
          @begin="begin"
          @move="move"
          @change="change"
        />
        <div class="feet sheet">
          <TopView
            :stance-m="live.stance_m"
            :toe-out-deg="live.toe_out_deg"
            :foot-m="sizes.foot"
            :grip-m="isDeadlift(live) ? live.grip_m : undefined"
            :bar-offset-m="isDeadlift(live) ? (live.bar_offset_m ?? 0) : undefined"
            @begin="begin"
            @stance="move('stance_m', $event * 0.01)"
            @toes="move('toe_out_deg', $event)"
            @grip="move('grip_m', $event * 0.02)"
          />
          <p v-if="hopM" class="small soft hop">{{ say('setup.hop_and_land', { hopM: cm(hopM, 0) }) }}</p>
        </div>
      </div>
      <p v-if="against" class="against small">
        <b>{{ say('setup.against_a') }}</b> ({{ against.name }}): {{ against.parts.join(', ') }}
      </p>
      <Way v-if="shown" v-model="step" :shown="shown" />
    </section>

    <aside class="findings">
      <div class="tabs" role="tablist" :aria-label="say('setup.findings')">
        <button
          v-for="{ id, name } in TABS"
          :id="`tab-${id}`"
          :key="id"
          role="tab"
          :aria-selected="tab === id"
          :class="{ on: tab === id }"
          @click="tab = id"
        >
          {{ name }}
        </button>
      </div>
      <div role="tabpanel" :aria-labelledby="`tab-${tab}`">
        <template v-if="tab === 'ranking'">
          <RankingList
            :page="page"
            :ranking="ranking"
            :live="live"
            :lifter-id="lifterId"
            :deciding="deciding.data.value"
            @choose="choose"
            @cancel="$emit('cancel')"
            @again="$emit('again')"
          />
          <section v-if="pose && shown" class="mt-4">
            <h2>
              {{ say('setup.use_at', { load: kg(load) }) }}
              <small>{{ step === null ? shown.home : say('setup.in_the_chosen_phase') }}</small>
            </h2>
            <UseBars :use="pose.use" :explanations="step === null ? shown.explanations : undefined" />
          </section>
          <p v-if="ranking.assumed_screens.length" class="note decide small mt-2">
            <b>{{ say('setup.not_screened') }}</b>
            {{
              say('setup.the_usual_values_stand_in_and', {
                assumed_screens: screensInWords(ranking.assumed_screens),
              })
            }}
            <RouterLink :to="{ name: 'measure', params: { lifterId } }">{{
              say('setup.screen_now')
            }}</RouterLink>
          </p>
          <component :is="page.beside" :lifter-id="lifterId" :live="live" :load-kg="load" :shown="shown" />
        </template>
        <Goals
          v-else-if="tab === 'goals'"
          :lifter-id="lifterId"
          :lift="page.id"
          :names="names"
          @choose="chooseStyle"
        />
        <History
          v-else-if="tab === 'history'"
          :page="page"
          :history="history.data.value ?? []"
          @choose="choose"
        />
        <component
          :is="own.component"
          v-else-if="own"
          :lifter-id="lifterId"
          :live="live"
          :load-kg="load"
          :shown="shown"
          @set="set"
        />
        <Costs
          v-else-if="tab === 'costs' && costs.data.value"
          :answer="costs.data.value"
          :chosen="faultShown"
          :fault-name="faultName"
          @choose="faultShown = $event"
        />
        <SetupMap
          v-else-if="tab === 'map' && map.data.value"
          :map="map.data.value"
          :axes="page.maps"
          :live="{ stance_m: live.stance_m, row: page.mapRow(live, across, shown) }"
          :row-name="(row) => page.mapRowName(row, across)"
          :note="page.mapNote(across)"
          @go="goOnMap"
          @across="across = $event"
        />
        <p v-else-if="waited?.error.value" class="signal">{{ waited.error.value.message }}</p>
        <p v-else class="soft">{{ say('setup.computing') }}</p>
      </div>
    </aside>
  </div>
</template>

<style scoped src="./explorer.css"></style>
<style scoped>
.hop {
  text-align: center;
  padding-bottom: 2px;
}
</style>
