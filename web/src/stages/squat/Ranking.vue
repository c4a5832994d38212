<script setup lang="ts">
// Best set-up of each bar position: predicted max, 80 % band, chance of best; and why not the rest.
import { computed } from 'vue'
import type { Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { BAR_NAMES, percent } from '@/shared/words'
import { sameSetup, type Setup } from './useSetup'

const props = defineProps<{ ranking: Schemas['RankingAnswer']; live: Setup }>()
defineEmits<{ choose: [setup: Setup]; why: [position: string] }>()
const { massOf, massUnit, cm } = useUnits()

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
  return (kg: number) => `${(((kg - low) / Math.max(high - low, 1)) * 100).toFixed(1)}%`
})
const heel = (m: number) => (m > 0 ? `${cm(m)} heel` : 'flat')
</script>

<template>
  <section aria-labelledby="ranking-title">
    <h2 id="ranking-title">Predicted max <small>at full depth, 80 % band, chance of best</small></h2>
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
          <span class="chance">
            <b>{{ ((leader.chance_best ?? 0) * 100).toFixed(0) }}</b> <span class="small soft">%</span>
          </span>
          <span class="visually-hidden">
            band {{ leader.band_kg?.map((v) => massOf(v, 0)).join(' to ') }} {{ massUnit }}, chance of being best
            {{ percent(leader.chance_best ?? 0) }}
          </span>
        </button>
      </li>
      <li v-for="(reasons, position) in ranking.why_not" :key="position" class="out">
        <p><b>{{ BAR_NAMES[position] }}</b> <span class="signal small">not feasible</span></p>
        <p v-for="reason in reasons" :key="reason" class="small soft">{{ reason }}.</p>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.ranks { list-style: none; padding: 0; margin: 8px 0 0; }
.rank { display: grid; grid-template-columns: 22px 1fr auto 46px; grid-template-rows: auto 14px; column-gap: 6px; align-items: start; width: 100%; text-align: left; background: none; border: 0; border-bottom: 1px solid var(--line); padding: 7px 0 5px 10px; font: inherit; color: inherit; cursor: pointer; margin-left: -10px; width: calc(100% + 10px); border-left: 3px solid transparent; }
.rank.on { background: var(--signal-wash); border-left-color: var(--signal); }
.rank:hover { background: var(--hair); }
.name b { display: block; line-height: 1.2; }
.max b { font-size: 19px; }
.band { grid-column: 2 / 4; position: relative; height: 10px; margin-top: 3px; background: linear-gradient(var(--line), var(--line)) center / 100% 1px no-repeat; }
.bar { position: absolute; top: 3px; height: 4px; background: var(--body-line); border-radius: 2px; }
.bar.first { background: var(--ink); }
.tick { position: absolute; top: 0; width: 2px; height: 10px; background: var(--signal); }
.chance { grid-column: 4; grid-row: 2; text-align: right; line-height: 1; align-self: center; }
.out { padding: 8px 0 8px 28px; border-bottom: 1px solid var(--line); }
</style>
