<script setup lang="ts">
// How deep the body goes with a neutral back, stance by stance, and what a centimetre costs.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { scaleLinear } from 'd3-scale'
import { computed, toRef } from 'vue'
import { depthQuery } from '@/shared/queries'
import { useUnits } from '@/shared/units'
import { percent } from '@/shared/words'
import type { Part, SquatSetup } from '../liftPage'
import { REST_MS } from '../useAnalysis'

const props = defineProps<{ lifterId: string; live: SquatSetup }>()
const emit = defineEmits<{ set: [part: Part] }>()
const { cm, kg } = useUnits()
const setup = refDebounced(toRef(props, 'live'), REST_MS)
const { data: answer, error } = useQuery(depthQuery(props.lifterId, setup))

const WIDTH = 360
const x = scaleLinear([0.26, 0.78], [34, WIDTH - 10])
const y = scaleLinear([0, 0.16], [60, 156])
const dots = computed(() =>
  (answer.value?.stance_m ?? []).map((stance, i) => ({
    stance,
    depth: answer.value?.below_parallel_m[i] ?? null,
  })),
)
const missing = computed(() => {
  const here = dots.value.reduce<(typeof dots.value)[number] | null>(
    (a, b) =>
      !a || Math.abs(b.stance - props.live.stance_m) < Math.abs(a.stance - props.live.stance_m) ? b : a,
    null,
  )
  const needed = answer.value?.competition_m ?? 0
  return here?.depth != null && here.depth < needed ? needed - here.depth : 0
})
const stand = (m: number) => emit('set', { stance_m: m })
</script>

<template>
  <p v-if="error" class="signal">{{ error.message }}</p>
  <p v-else-if="!answer" class="soft">{{ say('setup.computing') }}</p>
  <section v-else>
    <h2>
      {{ say('setup.depth') }} <small>{{ say('setup.natural_bottom_by_stance') }}</small>
    </h2>
    <svg
      :viewBox="`0 0 ${WIDTH} 176`"
      role="img"
      :aria-label="
        dots
          .map(
            (p) =>
              `${cm(p.stance, 0)}: ${p.depth === null ? 'closed' : cm(p.depth, 0) + (' ' + say('setup.below_parallel'))}`,
          )
          .join('; ')
      "
    >
      <line x1="30" :x2="WIDTH - 6" :y1="y(0)" :y2="y(0)" class="level" />
      <text x="2" :y="y(0) + 3">{{ say('setup.level') }}</text>
      <line
        x1="30"
        :x2="WIDTH - 6"
        :y1="y(answer.competition_m)"
        :y2="y(answer.competition_m)"
        class="needed"
      />
      <text :x="WIDTH - 6" :y="y(answer.competition_m) + 10" text-anchor="end">
        {{ say('setup.competition_depth') }}
      </text>
      <line :x1="x(live.stance_m)" :x2="x(live.stance_m)" y1="4" y2="164" class="here" />
      <g v-for="p in dots" :key="p.stance" class="dot" @click="stand(p.stance)">
        <template v-if="p.depth !== null">
          <line :x1="x(p.stance)" :x2="x(p.stance)" :y1="y(0)" :y2="y(p.depth)" class="stem" />
          <circle
            :cx="x(p.stance)"
            :cy="y(p.depth)"
            r="4"
            :class="p.depth >= answer.competition_m ? 'deep' : 'high'"
          />
        </template>
        <text v-else :x="x(p.stance)" :y="y(0) - 5" text-anchor="middle" class="closed">×</text>
        <text :x="x(p.stance)" y="174" text-anchor="middle">{{ cm(p.stance, 0).split(' ')[0] }}</text>
      </g>
    </svg>
    <p v-if="answer.widest_deep_enough_m" class="mt-1">
      <b>{{ cm(answer.widest_deep_enough_m, 0) }}</b> {{ say('setup.is_the_widest_stance_whose_natural') }}
      <button class="linkish small" @click="stand(answer.widest_deep_enough_m)">
        {{ say('setup.stand_there') }}
      </button>
    </p>
    <p v-else class="signal mt-1">{{ say('setup.at_no_stance_does_this_set') }}</p>
    <p v-if="missing" class="note decide small mt-2">
      {{ say('setup.training_stops_above_competition_depth_here', { missing: cm(missing, 0) }) }}
    </p>
    <p v-if="answer.per_cm_kg != null" class="mt-2">
      {{ say('setup.a_centimetre_deeper_costs') }} <b>{{ kg(answer.per_cm_kg) }}</b>
      <span class="soft">({{ percent(answer.per_cm_share ?? 0, 1) }})</span
      >{{
        say('setup.the_target_is_below_parallel', {
          target_below_parallel_m: cm(answer.target_below_parallel_m),
        })
      }}
    </p>
    <p class="small soft mt-1">{{ say('setup.dots_reach_as_deep_as_the') }}</p>
  </section>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
  margin-top: 4px;
}
.level {
  stroke: var(--ink);
  stroke-width: 1;
}
.needed {
  stroke: var(--signal);
  stroke-dasharray: 3 2;
}
.here {
  stroke: var(--signal);
  stroke-width: 0.8;
}
.stem {
  stroke: var(--body-line);
}
.deep {
  fill: var(--holds);
}
.high {
  fill: var(--sheet);
  stroke: var(--signal);
  stroke-width: 1.6;
}
.closed {
  fill: var(--signal);
  font-size: 12px;
}
text {
  font-size: 9.5px;
  fill: var(--soft);
}
.dot {
  cursor: pointer;
}
</style>
