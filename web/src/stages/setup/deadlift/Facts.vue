<script setup lang="ts">
// The live start in facts: hands, balance, natural start, let-go test, slack, and the way up.
import { say } from '@/words'
import { scaleBand, scaleLinear } from 'd3-scale'
import { computed, ref } from 'vue'
import { useUnits } from '@/shared/units'
import { handsOn } from '@/shared/words'
import type { DeadliftSetup, Shown } from '../liftPage'
import { isBehind } from './shoulders'

const props = defineProps<{ shown: Shown | null; live: DeadliftSetup; loadKg: number }>()
const answer = computed(() => props.shown?.start ?? null)
const { cm, kg, massOf, massUnit } = useUnits()
const bar = ref(0)
const bend = computed(() => answer.value?.bends[bar.value] ?? answer.value?.bends[0])
const room = computed(() => answer.value?.grip.room_m ?? 1)
const behind = computed(() => isBehind(props.live.shoulder_offset_m ?? 0))
const steps = computed(() => {
  const { rise_m = [], pull_kg = [] } = bend.value ?? {}
  return rise_m.map((rise, i) => ({ rise, pull: pull_kg[i] ?? 0 }))
})
const x = computed(() =>
  scaleBand(
    steps.value.map((_, i) => i),
    [10, 334],
  ).padding(0.3),
)
const y = computed(() => scaleLinear([0, Math.max(props.loadKg, 1)], [66, 14]))
</script>

<template>
  <p v-if="!answer" class="soft">{{ say('setup.computing') }}</p>
  <section v-else>
    <h2>
      {{ say('setup.the_start_in_facts') }}
      <small>{{ say('setup.at_load_kg', { loadKg: kg(loadKg) }) }}</small>
    </h2>
    <dl>
      <div>
        <dt>{{ say('setup.hips_over_knees') }}</dt>
        <dd>{{ cm(answer.hip_over_knee_m) }}</dd>
      </div>
      <div>
        <dt>{{ say('setup.back_above_level') }}</dt>
        <dd>{{ answer.back_deg.toFixed(0) }}°</dd>
      </div>
      <div>
        <dt>{{ say('setup.travel_lockout_at', { lockout_m: cm(answer.lockout_m, 0) }) }}</dt>
        <dd>{{ cm(answer.travel_m) }}</dd>
      </div>
      <div>
        <dt>{{ say('setup.work') }}</dt>
        <dd>{{ answer.work_j.toFixed(0) }} J</dd>
      </div>
      <div>
        <dt>{{ say('setup.lats_hold_back') }}</dt>
        <dd>{{ answer.lat_moment_nm.toFixed(0) }} N m</dd>
      </div>
      <div>
        <dt>{{ say('setup.hardest') }}</dt>
        <dd class="words">
          {{
            say('setup.hardest_phase_hardest_height_m_up', {
              hardest_phase: answer.hardest_phase,
              hardest_height_m: cm(answer.hardest_height_m, 0),
            })
          }}
        </dd>
      </div>
    </dl>
    <p class="small first">{{ answer.explanations.pace }}.</p>
    <p class="small first">{{ answer.explanations.balance }}.</p>
    <p class="small first" :class="{ signal: behind }">{{ answer.explanations.shoulders }}.</p>
    <p class="note small mt-2">
      <b>{{ say('setup.natural_start') }}</b>
      {{
        say('setup.squatted_behind_the_bar_the_hips', { cm: cm(0.04, 0), rise_m: cm(answer.natural.rise_m) })
      }}
      <b>{{ say('setup.let_go_of_the_bar') }}</b>
      {{
        answer.natural.let_go_m >= 0
          ? say('setup.the_body_stands_in_front_of', { let_go_m: cm(answer.natural.let_go_m) })
          : say('setup.you_would_fall_backward_the_bar')
      }}.
    </p>
    <h2 class="mt-4">{{ say('setup.hands') }}</h2>
    <p>
      {{ handsOn(answer.grip.ring_words, cm(answer.grip.grip_m, 0)) }}
    </p>
    <p v-if="room < 0.5" class="small" :class="room < -0.02 ? 'signal' : 'soft'">
      {{
        room >= 0
          ? say('setup.free_between_hands_and_legs', { room: cm(room) })
          : say('setup.the_hands_press_into_the_legs', { room: cm(-room) })
      }}.
    </p>
    <p class="small soft">{{ say('setup.double_overhand_to_learn_mixed_or') }}</p>
    <template v-if="bend">
      <h2 class="mt-4">
        {{ say('setup.slack') }}
        <select v-model="bar" :aria-label="say('setup.bar')">
          <option v-for="(b, i) in answer.bends" :key="b.bar" :value="i">
            {{ b.bar }}, {{ b.shaft_mm }} mm
          </option>
        </select>
      </h2>
      <p>
        {{ say('setup.the_hands_rise') }} <b>{{ cm(bend.slack_m) }}</b>
        {{ say('setup.before_the_plates_leave') }}
        <span class="small soft">{{
          say('setup.of_bend_the_pull_starts_at', {
            bend_m: cm(bend.bend_m),
            leaves_at_m: cm(bend.leaves_at_m),
            sleeve_ends_slack_m: cm(bend.sleeve_ends_slack_m),
          })
        }}</span>
      </p>
      <svg
        viewBox="0 0 340 84"
        role="img"
        :aria-label="steps.map((s) => `${cm(s.rise, 2)}: ${kg(s.pull, 0)}`).join('; ')"
      >
        <g v-for="(s, i) in steps" :key="i">
          <rect :x="x(i)" :y="y(s.pull)" :width="x.bandwidth()" :height="y(0) - y(s.pull)" class="step" />
          <text :x="(x(i) ?? 0) + x.bandwidth() / 2" :y="y(s.pull) - 4" text-anchor="middle">
            {{ massOf(s.pull, 0) }}
          </text>
          <text :x="(x(i) ?? 0) + x.bandwidth() / 2" y="79" text-anchor="middle" class="soft">
            {{ cm(s.rise) }}
          </text>
        </g>
      </svg>
      <p class="small soft">{{ say('setup.slack_trainer_feel_rise_in_these', { massUnit }) }}</p>
    </template>
    <h2 class="mt-4">{{ say('setup.each_centimetre') }}</h2>
    <p class="small">
      <template v-for="(v, name) in answer.per_cm" :key="name"
        >{{
          say('setup.more_travel_mm', {
            name,
            cm: cm(0.01, 1),
            travel_m: v.travel_m >= 0 ? '+' : '−',
            travel_m2: Math.abs(v.travel_m * 1000).toFixed(0),
            words:
              v.max_kg == null
                ? say('setup.no_longer_holds')
                : `${v.max_kg >= 0 ? '+' : '−'}${kg(Math.abs(v.max_kg))}`,
          })
        }}
      </template>
    </p>
    <p class="small soft">{{ say('setup.bar_height_counts_for_deficits_blocks') }}</p>
    <p class="small soft mt-2">{{ answer.explanations.moments }}. {{ answer.explanations.lats }}.</p>
  </section>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px 14px;
  margin: 8px 0;
}
dl div {
  border-top: 1px solid var(--ink);
  padding-top: 2px;
}
dt {
  font-size: 12px;
  color: var(--soft);
}
dd {
  margin: 0;
  font-size: 19px;
  font-weight: 700;
}
dd.words {
  font-size: 14px;
}
.step {
  fill: var(--body);
  stroke: var(--body-line);
}
text {
  font-size: 10px;
  fill: var(--ink);
}
select {
  font-size: 12px;
  margin-left: 8px;
}
svg {
  width: 100%;
}
</style>
