<script setup lang="ts">
// Styles side by side at the start: back angle drawn, travel, work, use, predicted max, chance.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answered, client, type Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { STYLE_NAMES, USE_NAMES, otherBodies, percent, type PullStyle } from '@/shared/words'
import { sameStart, startOf, type Start } from './usePull'

const props = defineProps<{ ranking: Schemas['DeadliftRankingAnswer']; live: Start; lifterId: string; deciding?: Schemas['DecidingAnswer'] }>()
defineEmits<{ choose: [start: Start]; cancel: []; again: [] }>()
const { massOf, massUnit, cm, kg } = useUnits()
const asked = ref<PullStyle | null>(null)
const whyNot = useQuery({
  queryKey: ['pull-why-not', props.lifterId, asked],
  enabled: computed(() => asked.value !== null),
  queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/deadlift/why-not', { params: { path: { lifter_id: props.lifterId }, query: { style: asked.value! } } })),
})
const scale = computed(() => {
  const all = props.ranking.leaders.flatMap((l) => [l.predicted_max_kg, ...(l.band_kg ?? [])])
  const [low, high] = [Math.min(...all), Math.max(...all)]
  return (value: number) => `${(((value - low) / Math.max(high - low, 1)) * 100).toFixed(1)}%`
})
const closed = computed(() => Object.keys(props.ranking.why_not) as PullStyle[])
const rest = computed(() => otherBodies(props.ranking.leaders.filter((l) => !l.setup.style.startsWith('trap')).map((l) => l.chance_best)))
const line = (deg: number) => ({ x: 4 + 26 * Math.cos((deg * Math.PI) / 180), y: 28 - 26 * Math.sin((deg * Math.PI) / 180) })
</script>

<template>
  <section aria-labelledby="styles-title">
    <h2 id="styles-title">Styles side by side <small>best start of each, at its predicted max</small></h2>
    <p v-if="ranking.job" class="job small" role="status">
      <progress :value="ranking.job.progress" max="1" aria-label="Bodies drawn" />
      <template v-if="ranking.job.state === 'running'">How sure? {{ percent(ranking.job.progress) }} of the bodies drawn <button class="linkish" @click="$emit('cancel')">Cancel</button></template>
      <template v-else>Not sure how sure: the drawing was {{ ranking.job.state }}. <button class="linkish" @click="$emit('again')">Draw them</button></template>
    </p>
    <ol class="styles">
      <li v-for="l in ranking.leaders" :key="l.setup.style">
        <button :class="['style', { on: sameStart(startOf(l.setup), live) }]" @click="$emit('choose', startOf(l.setup))">
          <svg viewBox="0 0 34 32" class="back" aria-hidden="true"><line x1="2" x2="32" y1="28" y2="28" class="level" /><line x1="4" y1="28" :x2="line(l.back_deg).x" :y2="line(l.back_deg).y" class="trunk" /></svg>
          <span class="name"><b>{{ STYLE_NAMES[l.setup.style] }}</b>
            <span class="small soft">{{ cm(l.setup.stance_m, 0) }} · {{ l.setup.toe_out_deg.toFixed(0) }}° · hands {{ cm(l.setup.grip_m, 0) }}</span>
          </span>
          <span class="max"><b>{{ massOf(l.predicted_max_kg, 0) }}</b> <span class="small soft">{{ massUnit }}</span></span>
          <span class="band" aria-hidden="true">
            <span v-if="l.band_kg?.length" class="bar" :style="{ left: scale(l.band_kg[0] ?? 0), right: `calc(100% - ${scale(l.band_kg[1] ?? 0)})` }" />
            <span class="tick" :style="{ left: scale(l.predicted_max_kg) }" />
          </span>
          <span v-if="l.chance_best != null && !l.setup.style.startsWith('trap')" class="chance"><b>{{ (l.chance_best * 100).toFixed(0) }}</b> <span class="small soft">%</span></span>
          <span class="small soft facts">back {{ l.back_deg.toFixed(0) }}° · travel {{ cm(l.travel_m, 0) }} · {{ l.work_j.toFixed(0) }} J · opens {{ l.hip_abduction_deg.toFixed(0) }}°, turns {{ l.hip_rotation_deg.toFixed(0) }}°, closes {{ l.hip_closing_deg.toFixed(0) }}° · {{ USE_NAMES[l.limiter]?.toLowerCase() }} limit</span>
        </button>
      </li>
      <li v-for="style in closed" :key="style" class="out">
        <p class="line">
          <span><b>{{ STYLE_NAMES[style] }}</b> <span class="signal small">does not hold</span></span>
          <button class="linkish small" :aria-expanded="asked === style" @click="asked = asked === style ? null : style">Why not {{ STYLE_NAMES[style]?.toLowerCase() }}?</button>
        </p>
        <div v-if="asked === style" class="why small">
          <p v-if="whyNot.isPending.value" class="soft">Pulling every lever …</p>
          <template v-else-if="whyNot.data.value">
            <p v-for="b in whyNot.data.value.binding" :key="b" class="first">{{ b }}.</p>
            <p v-if="whyNot.data.value.remedies.length"><b>The smallest change that opens it</b></p>
            <ul><li v-for="r in whyNot.data.value.remedies" :key="r.words"><b>{{ r.words }}</b>: {{ kg(r.predicted_max_kg, 0) }}</li></ul>
            <p v-if="!whyNot.data.value.remedies.length">No single lever opens it: pull from blocks or take the trap bar.</p>
          </template>
        </div>
        <p v-else class="small soft clip first">{{ ranking.why_not[style]?.[0] }}</p>
      </li>
    </ol>
    <p v-if="rest" class="small soft mt-2">{{ rest }}</p>
    <p v-if="ranking.coach_rule" class="note small mt-3"><b>The coach's rule.</b> <span class="first">{{ ranking.coach_rule }}.</span></p>
    <p v-if="deciding" class="note small mt-2"><b>What decides.</b> <span class="first">{{ deciding.sentence }}.</span></p>
    <p v-for="a in ranking.advice" :key="a" class="note small mt-2 first">{{ a }}.</p>
    <p class="small soft mt-2"><b>Both lifts.</b> <span class="first">{{ ranking.both_lifts }}.</span></p>
    <p class="small soft mt-1">{{ ranking.feasible_count }} starts hold, {{ ranking.rejected_count }} do not. A trap bar stands beside the others: it is no rival in the sport.</p>
  </section>
</template>

<style scoped>
.styles { list-style: none; padding: 0; margin: 8px 0 0; }
.style { display: grid; grid-template-columns: 38px 1fr auto 46px; column-gap: 6px; align-items: start; text-align: left; background: none; border: 0; border-bottom: 1px solid var(--line); padding: 6px 0 5px 8px; font: inherit; color: inherit; cursor: pointer; margin-left: -10px; width: calc(100% + 10px); border-left: 3px solid transparent; }
.style.on { background: var(--signal-wash); border-left-color: var(--signal); }
.style:hover { background: var(--hair); }
.back { width: 34px; grid-row: 1 / 3; }
.level { stroke: var(--line); stroke-width: 1.4; }
.trunk { stroke: var(--ink); stroke-width: 3; stroke-linecap: round; }
.name b { display: block; line-height: 1.2; }
.max b { font-size: 19px; }
.band { grid-column: 2 / 4; position: relative; height: 10px; margin-top: 3px; background: linear-gradient(var(--line), var(--line)) center / 100% 1px no-repeat; }
.bar { position: absolute; top: 3px; height: 4px; background: var(--body-line); border-radius: 2px; }
.tick { position: absolute; top: 0; width: 2px; height: 10px; background: var(--signal); }
.chance { grid-column: 4; text-align: right; line-height: 1; }
.facts { grid-column: 2 / 5; margin-top: 2px; }
.out { padding: 7px 0 7px 22px; border-bottom: 1px solid var(--line); }
.line { display: flex; justify-content: space-between; gap: 8px; }
.clip { white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.why { border-left: 2px solid var(--line); padding-left: 10px; margin-top: 4px; }
ul { margin: 2px 0; padding-left: 18px; }
.job { display: flex; gap: 8px; align-items: center; margin-top: 4px; }
progress { width: 90px; height: 6px; accent-color: var(--ink); }
</style>
