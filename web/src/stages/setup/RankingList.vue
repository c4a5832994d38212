<script setup lang="ts">
// Best set-up of each style: predicted max, 80 % band, chance of best; and why not the rest.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import type { Schemas } from '@/shared/api'
import { useLift } from '@/shared/lifts'
import { useUnits } from '@/shared/units'
import { clipsQuery } from '@/shared/queries'
import { dayOf, percent } from '@/shared/words'
import BandLine from './BandLine.vue'
import Deciding from './Deciding.vue'
import WhyNot from './WhyNot.vue'
import { styleOf, type Leader, type LiftPage, type Part, type Ranking, type Setup } from './liftPage'
import { sameSetup } from './useSetup'

const props = defineProps<{
  page: LiftPage
  ranking: Ranking
  live: Setup
  lifterId: string
  deciding?: Schemas['DecidingAnswer']
}>()
defineEmits<{ choose: [setup: Part]; cancel: []; again: [] }>()
const units = useUnits()
const { massOf, massUnit, kg } = units
const { nameOf, isRival } = useLift(props.page.id)
const asked = ref<string | null>(null)

/** Then no single reading is asked for. */
const isDecided = computed(() => ['clear', 'does_not_matter'].includes(props.ranking.verdict.kind))
const span = computed(() => {
  const all = props.ranking.leaders.flatMap((l) => [l.predicted_max_kg, ...(l.band_kg ?? [])])
  return [Math.min(...all), Math.max(...all)] as const
})
const closed = computed(() => Object.keys(props.ranking.why_not))
const competes = (leader: Leader) => isRival(styleOf(leader.setup))
const familyOf = (leader: Leader) =>
  props.ranking.families.find(({ styles }) => styles.includes(styleOf(leader.setup)))
/** The family's chance stands at the first of its leaders. */
const leads = (leader: Leader) => {
  const styles = familyOf(leader)?.styles ?? []
  return props.ranking.leaders.find((l) => styles.includes(styleOf(l.setup))) === leader
}
const range = (leader: Leader) => {
  const [low = 0, high = 0] = leader.stance_range_m ?? []
  return high - low < 0.015
    ? ''
    : say('setup.as_good_from_to', { low: units.cm(low, 0), high: units.cm(high, 0) })
}
const clips = useQuery(clipsQuery(props.lifterId))
/** What the newest film of a style shows of the back as the plates leave. */
const onFilm = (leader: Leader) => {
  const clip = clips.data.value?.clips.find(
    (c) => c.lift === props.page.id && c.style === styleOf(leader.setup) && c.back_deg != null,
  )
  return clip
    ? say('setup.back_on_film', {
        back_deg: clip.back_deg?.toFixed(0),
        load_kg: kg(clip.load_kg, 0),
        filmed_on: dayOf(clip.filmed_on),
      })
    : ''
}
const rest = computed(() => {
  const left = props.ranking.none_clearly_best
  return left == null || left < 0.005 ? '' : say('setup.none_clearly_best', { left: percent(left) })
})
const isLive = (leader: Leader) => sameSetup(props.page.setupOf(leader.setup), props.live)
const trunk = (leader: Leader) => {
  const above = (props.page.trunkDeg(leader) * Math.PI) / 180
  return { x: 4 + 26 * Math.cos(above), y: 28 - 26 * Math.sin(above) }
}
</script>

<template>
  <section aria-labelledby="ranking-title">
    <h2 id="ranking-title">
      {{ page.rankingTitle }} <small>{{ page.rankingNote }}</small>
    </h2>
    <p v-if="ranking.job" class="job small" role="status">
      <progress :value="ranking.job.progress" max="1" :aria-label="say('setup.checking_how_sure')" />
      <template v-if="ranking.job.state === 'running'"
        >{{ say('setup.checking_how_sure_this_is', { progress: percent(ranking.job.progress) }) }}
        <button class="linkish" @click="$emit('cancel')">{{ say('setup.cancel') }}</button></template
      >
      <template v-else
        >{{ say('setup.how_sure_this_is_was_not', { state: ranking.job.state }) }}
        <button class="linkish" @click="$emit('again')">{{ say('setup.check_it') }}</button></template
      >
    </p>
    <ol class="ranks">
      <li v-for="leader in ranking.leaders" :key="styleOf(leader.setup)">
        <button
          :class="['rank', { on: isLive(leader) }]"
          :aria-pressed="isLive(leader)"
          @click="$emit('choose', page.setupOf(leader.setup))"
        >
          <svg viewBox="0 0 34 32" class="glyph" aria-hidden="true">
            <line x1="2" x2="32" y1="28" y2="28" class="level" />
            <line x1="4" y1="28" :x2="trunk(leader).x" :y2="trunk(leader).y" class="trunk" />
          </svg>
          <span class="name">
            <b>{{ nameOf(styleOf(leader.setup)) }}</b>
            <span class="small soft">{{ page.placed(page.setupOf(leader.setup), units) }}</span>
          </span>
          <span class="max"
            ><b>{{ massOf(leader.predicted_max_kg, 0) }}</b>
            <span class="small soft">{{ massUnit }}</span></span
          >
          <BandLine :span="span" :band="leader.band_kg" :at="leader.predicted_max_kg" />
          <span v-if="leader.chance_best != null && competes(leader)" class="chance">
            <template v-if="leads(leader)"
              ><b>{{ (leader.chance_best * 100).toFixed(0) }}</b> <span class="small soft">%</span></template
            >
            <span v-else class="small soft">{{ say('setup.same') }}</span>
          </span>
          <span class="small facts pairs">
            <span v-for="[named, value] in page.facts(leader, units)" :key="named"
              ><span class="soft">{{ named }}</span> {{ value }}<span class="visually-hidden">, </span></span
            >
          </span>
          <span v-if="onFilm(leader)" class="small facts">{{ onFilm(leader) }}</span>
          <span v-if="range(leader)" class="small soft facts">{{ range(leader) }}</span>
          <span v-if="leader.limited_by" class="small soft facts">{{
            say('setup.limited_by', { limited_by: leader.limited_by })
          }}</span>
          <span v-for="over in leader.oversteps" :key="over" class="small signal facts first">{{
            over
          }}</span>
          <span v-if="leader.band_kg" class="visually-hidden">
            {{
              say('setup.band_chance_of_being_best', {
                band_kg: leader.band_kg.map((v) => massOf(v, 0)).join(' ' + say('setup.to') + ' '),
                massUnit,
                chance_best: percent(leader.chance_best ?? 0),
              })
            }}
          </span>
        </button>
      </li>
      <li v-for="style in closed" :key="style" class="out">
        <p class="line">
          <span
            ><b>{{ nameOf(style) }}</b> <span class="signal small">{{ say('setup.closed') }}</span></span
          >
          <button
            class="linkish small"
            :aria-expanded="asked === style"
            @click="asked = asked === style ? null : style"
          >
            {{ say('setup.why_not', { style: nameOf(style).toLowerCase() }) }}
          </button>
        </p>
        <WhyNot
          v-if="asked === style"
          :page="page"
          :lifter-id="lifterId"
          :style="style"
          @choose="$emit('choose', $event)"
        />
        <p v-else class="small soft clip first">{{ ranking.why_not[style]?.[0] }}</p>
      </li>
    </ol>
    <p v-if="rest" class="small soft mt-2">{{ rest }}</p>
    <p v-if="ranking.families.length > 1" class="note small mt-2">
      <b>{{ say('setup.what_a_wrong_choice_costs') }}</b>
      <span class="first">{{ ranking.verdict.sentence }}.</span>
      <span v-for="f in ranking.families" :key="f.styles[0]" class="cost"
        >{{ f.styles.map((style) => nameOf(style)).join(' ' + say('setup.or') + ' ') }}
        <b>{{ kg(f.expected_loss_kg) }}</b></span
      >
    </p>
    <Deciding v-if="deciding && !isDecided" :lift="page.id" :deciding="deciding" />
    <p v-for="n in page.notes(ranking)" :key="n.text" class="note small mt-2">
      <b v-if="n.title">{{ n.title }}</b> <span class="first">{{ n.text }}.</span>
    </p>
    <p class="small soft mt-2">
      {{
        ranking.strengths === 'nothing'
          ? say('setup.strengths_are_assumptions_no_lift_is')
          : say('setup.strengths_from_own_lifts', { strengths: ranking.strengths })
      }}
    </p>
    <details class="small soft mt-2">
      <summary>{{ say('setup.how_this_was_worked_out') }}</summary>
      <p>
        {{
          say('setup.set_ups_hold_do_not', {
            feasible_count: ranking.feasible_count,
            rejected_count: ranking.rejected_count,
          })
        }}
        <template v-if="ranking.leaders[0]">{{
          say('setup.is_the_load_at_which_the', {
            predicted_max_kg: kg(ranking.leaders[0].predicted_max_kg, 0),
            seed: ranking.seed,
          })
        }}</template>
      </p>
    </details>
    <p v-for="told in ranking.lifts_told" :key="told" class="small mt-2">
      <span class="first">{{ told }}.</span>
    </p>
  </section>
</template>

<style scoped>
.ranks {
  list-style: none;
  padding: 0;
  margin: 8px 0 0;
}
.rank {
  display: grid;
  grid-template-columns: 38px 1fr auto 46px;
  column-gap: 6px;
  align-items: start;
  text-align: left;
  background: none;
  border: 0;
  border-bottom: 1px solid var(--line);
  padding: 6px 0 5px 8px;
  font: inherit;
  color: inherit;
  cursor: pointer;
  margin-left: -10px;
  width: calc(100% + 10px);
  border-left: 3px solid transparent;
}
.rank.on {
  background: var(--signal-wash);
  border-left-color: var(--signal);
}
.rank:hover {
  background: var(--hair);
}
.glyph {
  width: 34px;
  grid-row: 1 / 3;
}
.level {
  stroke: var(--line);
  stroke-width: 1.4;
}
.trunk {
  stroke: var(--ink);
  stroke-width: 3;
  stroke-linecap: round;
}
.name b {
  display: block;
  line-height: 1.2;
}
.max b {
  font-size: 19px;
}
.chance {
  grid-column: 4;
  text-align: right;
  line-height: 1;
}
.facts {
  grid-column: 2 / 5;
  margin-top: 2px;
}
.pairs {
  display: grid;
  grid-template-columns: repeat(3, auto);
  column-gap: 10px;
}
.out {
  padding: 7px 0 7px 22px;
  border-bottom: 1px solid var(--line);
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 8px;
}
.clip {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.job {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-top: 4px;
}
progress {
  width: 90px;
  height: 6px;
  accent-color: var(--ink);
}
.cost {
  display: flex;
  justify-content: space-between;
}
</style>
