<script setup lang="ts">
// Best set-up of each bar position: predicted max, 80 % band, chance of best; and why not the rest.
import { computed, ref } from 'vue'
import type { Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { BAR_NAMES, otherBodies, percent, type BarPosition } from '@/shared/words'
import WhyNot from './WhyNot.vue'
import { sameSetup, type Setup } from './useSetup'

const props = defineProps<{ ranking: Schemas['RankingAnswer']; live: Setup; lifterId: string; deciding?: Schemas['DecidingAnswer'] }>()
defineEmits<{ choose: [setup: Setup]; cancel: []; again: [] }>()
const { massOf, massUnit, cm, kg } = useUnits()
const asked = ref<string | null>(null)
const openFlips = ref(false)

const asSetup = (c: Schemas['CandidateOut']): Setup => ({
  bar_position: c.setup.bar_position as Setup['bar_position'],
  stance_m: c.setup.stance_m,
  toe_out_deg: Math.round(c.setup.toe_out_deg),
  heel_lift_m: c.setup.heel_lift_m,
})
const scale = computed(() => {
  const all = props.ranking.leaders.flatMap((l) => [l.predicted_max_kg, ...(l.band_kg ?? [])])
  const low = Math.min(...all)
  const high = Math.max(...all)
  return (value: number) => `${(((value - low) / Math.max(high - low, 1)) * 100).toFixed(1)}%`
})
const heel = (m: number) => (m > 0 ? `${cm(m)} heel` : 'flat')
const closed = computed(() => Object.keys(props.ranking.why_not) as BarPosition[])
const rest = computed(() => otherBodies(props.ranking.leaders.map((l) => l.chance_best)))
const move = (f: Schemas['FlipOut']) => {
  if (f.by === null || f.by === undefined) return 'nothing within three errors'
  const size = f.unit === 'm' ? cm(Math.abs(f.by)) : f.unit === 'deg' ? `${Math.abs(f.by).toFixed(0)}°` : percent(Math.abs(f.by))
  return `${size} ${f.by > 0 ? 'more' : 'less'}: ${BAR_NAMES[f.to ?? '']?.toLowerCase()} leads (${f.errors?.toFixed(1)} of its errors)`
}
</script>

<template>
  <section aria-labelledby="ranking-title">
    <h2 id="ranking-title">Predicted max <small>at full depth, 80 % band, chance of best</small></h2>
    <p v-if="ranking.job" class="job small" role="status">
      <progress :value="ranking.job.progress" max="1" aria-label="Bodies drawn" />
      <template v-if="ranking.job.state === 'running'">How sure? {{ percent(ranking.job.progress) }} of the bodies drawn <button class="linkish" @click="$emit('cancel')">Cancel</button></template>
      <template v-else>Not sure how sure: the drawing of bodies was {{ ranking.job.state }}. <button class="linkish" @click="$emit('again')">Draw them</button></template>
    </p>
    <ol class="ranks">
      <li v-for="(leader, i) in ranking.leaders" :key="leader.setup.bar_position">
        <button :class="['rank', { on: sameSetup(asSetup(leader), live) }]" @click="$emit('choose', asSetup(leader))">
          <span class="place soft">{{ i + 1 }}</span>
          <span class="name">
            <b>{{ BAR_NAMES[leader.setup.bar_position] }}</b>
            <span class="small soft">{{ cm(leader.setup.stance_m, 0) }} · {{ leader.setup.toe_out_deg.toFixed(0) }}° · {{ heel(leader.setup.heel_lift_m) }}</span>
          </span>
          <span class="max"><b>{{ massOf(leader.predicted_max_kg, 0) }}</b> <span class="small soft">{{ massUnit }}</span></span>
          <span class="band" aria-hidden="true">
            <span
              v-if="leader.band_kg?.length" :class="['bar', { first: i === 0 }]"
              :style="{ left: scale(leader.band_kg[0] ?? 0), right: `calc(100% - ${scale(leader.band_kg[1] ?? 0)})` }"
            />
            <span class="tick" :style="{ left: scale(leader.predicted_max_kg) }" />
          </span>
          <span v-if="leader.chance_best != null" class="chance">
            <b>{{ (leader.chance_best * 100).toFixed(0) }}</b> <span class="small soft">%</span>
          </span>
          <span v-if="leader.band_kg" class="visually-hidden">
            band {{ leader.band_kg.map((v) => massOf(v, 0)).join(' to ') }} {{ massUnit }}, chance of being best
            {{ percent(leader.chance_best ?? 0) }}
          </span>
        </button>
      </li>
      <li v-for="position in closed" :key="position" class="out">
        <p class="line">
          <span><b>{{ BAR_NAMES[position] }}</b> <span class="signal small">not feasible</span></span>
          <button class="linkish small" :aria-expanded="asked === position" @click="asked = asked === position ? null : position">Why not {{ BAR_NAMES[position]?.toLowerCase() }}?</button>
        </p>
        <WhyNot v-if="asked === position" :lifter-id="lifterId" :position="position" @choose="$emit('choose', $event)" />
        <p v-else class="small soft clip first">{{ ranking.why_not[position]?.[0] }}</p>
      </li>
    </ol>
    <p v-if="rest" class="small soft mt-2">{{ rest }}</p>
    <div v-if="deciding" class="note small mt-3">
      <p><b>What decides.</b> <span class="first">{{ deciding.sentence }}.</span></p>
      <button v-if="deciding.flips.length" class="linkish" :aria-expanded="openFlips" @click="openFlips = !openFlips">{{ openFlips ? 'Less' : 'Every input, and how far it must move' }}</button>
      <ul v-if="openFlips" class="flips">
        <li v-for="f in deciding.flips" :key="f.name"><b>{{ f.words }}</b> {{ f.measured ? '' : '(not measured)' }} <span class="soft">{{ move(f) }}</span></li>
      </ul>
    </div>
    <p class="small soft mt-2">{{ ranking.feasible_count }} set-ups hold, {{ ranking.rejected_count }} do not. {{ ranking.strengths === 'nothing' ? 'Strengths are assumptions: no lift is known.' : `Strengths from own lifts: ${ranking.strengths}.` }} <template v-if="ranking.leaders.length">Bodies drawn with seed {{ ranking.seed }}. {{ kg(ranking.leaders[0]!.predicted_max_kg, 0) }} is where the first capacity is used up.</template></p>
    <p v-for="told in ranking.lifts_told" :key="told" class="small mt-2"><span class="first">{{ told }}.</span></p>
  </section>
</template>

<style scoped>
.ranks { list-style: none; padding: 0; margin: 8px 0 0; }
.rank { display: grid; grid-template-columns: 22px 1fr auto 46px; grid-template-rows: auto 14px; column-gap: 6px; align-items: start; text-align: left; background: none; border: 0; border-bottom: 1px solid var(--line); padding: 7px 0 5px 10px; font: inherit; color: inherit; cursor: pointer; margin-left: -10px; width: calc(100% + 10px); border-left: 3px solid transparent; }
.rank.on { background: var(--signal-wash); border-left-color: var(--signal); }
.rank:hover { background: var(--hair); }
.name b { display: block; line-height: 1.2; }
.max b { font-size: 19px; }
.band { grid-column: 2 / 4; position: relative; height: 10px; margin-top: 3px; background: linear-gradient(var(--line), var(--line)) center / 100% 1px no-repeat; }
.bar { position: absolute; top: 3px; height: 4px; background: var(--body-line); border-radius: 2px; }
.bar.first { background: var(--ink); }
.tick { position: absolute; top: 0; width: 2px; height: 10px; background: var(--signal); }
.chance { grid-column: 4; grid-row: 2; text-align: right; line-height: 1; align-self: center; }
.out { padding: 8px 0 8px 22px; border-bottom: 1px solid var(--line); }
.line { display: flex; justify-content: space-between; gap: 8px; }
.clip { white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.job { display: flex; gap: 8px; align-items: center; margin-top: 4px; }
progress { width: 90px; height: 6px; accent-color: var(--ink); }
.flips { margin: 6px 0 0; padding-left: 16px; }
</style>
