<script setup lang="ts">
// The live start in facts: hands, balance, natural start, let-go test, slack, and the way up.
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
  <p v-if="!answer" class="soft">Computing …</p>
  <section v-else>
    <h2>
      The start in facts <small>at {{ kg(loadKg) }}</small>
    </h2>
    <dl>
      <div>
        <dt>Hips over knees</dt>
        <dd>{{ cm(answer.hip_over_knee_m) }}</dd>
      </div>
      <div>
        <dt>Back above level</dt>
        <dd>{{ answer.back_deg.toFixed(0) }}°</dd>
      </div>
      <div>
        <dt>Travel, lockout at {{ cm(answer.lockout_m, 0) }}</dt>
        <dd>{{ cm(answer.travel_m) }}</dd>
      </div>
      <div>
        <dt>Work</dt>
        <dd>{{ answer.work_j.toFixed(0) }} J</dd>
      </div>
      <div>
        <dt>Lats hold back</dt>
        <dd>{{ answer.lat_moment_nm.toFixed(0) }} N m</dd>
      </div>
      <div>
        <dt>Hardest</dt>
        <dd class="words">{{ answer.hardest_phase }}, {{ cm(answer.hardest_height_m, 0) }} up</dd>
      </div>
    </dl>
    <p class="small first">{{ answer.explanations.pace }}.</p>
    <p class="small first">{{ answer.explanations.balance }}.</p>
    <p class="small first" :class="{ signal: behind }">{{ answer.explanations.shoulders }}.</p>
    <p class="note small mt-2">
      <b>Natural start.</b> Squatted {{ cm(0.04, 0) }} behind the bar, the hips would sit
      {{ cm(answer.natural.rise_m) }} lower and rise that much before the plates leave: nothing is gained
      below it. <b>Let go of the bar:</b>
      {{
        answer.natural.let_go_m >= 0
          ? `the body stands ${cm(answer.natural.let_go_m)} in front of the heels and stays up`
          : 'you would fall backward: the bar is holding you'
      }}.
    </p>
    <h2 class="mt-4">Hands</h2>
    <p>
      {{ handsOn(answer.grip.ring_words, cm(answer.grip.grip_m, 0)) }}
    </p>
    <p v-if="room < 0.5" class="small" :class="room < -0.02 ? 'signal' : 'soft'">
      {{
        room >= 0 ? `${cm(room)} free between hands and legs` : `the hands press ${cm(-room)} into the legs`
      }}.
    </p>
    <p class="small soft">
      Double overhand to learn; mixed or hook from light loads on the way up, never only at the max. With a
      mixed grip keep the arms long: bent arms tear biceps. Straps: by the club's school.
    </p>
    <template v-if="bend">
      <h2 class="mt-4">
        Slack
        <select v-model="bar" aria-label="Bar">
          <option v-for="(b, i) in answer.bends" :key="b.bar" :value="i">
            {{ b.bar }}, {{ b.shaft_mm }} mm
          </option>
        </select>
      </h2>
      <p>
        The hands rise <b>{{ cm(bend.slack_m) }}</b> before the plates leave
        <span class="small soft"
          >({{ cm(bend.bend_m) }} of bend; the pull starts at {{ cm(bend.leaves_at_m) }}; with the plates at
          the sleeve ends {{ cm(bend.sleeve_ends_slack_m) }})</span
        >
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
      <p class="small soft">
        Slack trainer: feel {{ massUnit }} rise in these steps, and go only when the last is in the hands.
        Holding at about 90 % of the bar for 5 to 10 s teaches it.
      </p>
    </template>
    <h2 class="mt-4">Each centimetre</h2>
    <p class="small">
      <template v-for="(v, name) in answer.per_cm" :key="name"
        >{{ name }} {{ cm(0.01, 1) }} more: travel {{ v.travel_m >= 0 ? '+' : '−'
        }}{{ Math.abs(v.travel_m * 1000).toFixed(0) }} mm,
        {{ v.max_kg == null ? 'no longer holds' : `${v.max_kg >= 0 ? '+' : '−'}${kg(Math.abs(v.max_kg))}` }}.
      </template>
    </p>
    <p class="small soft">Bar height counts for deficits, blocks and smaller plates alike.</p>
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
