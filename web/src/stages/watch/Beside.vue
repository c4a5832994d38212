<script setup lang="ts">
// Two clips side by side: one scale, one floor, each over its own mid-foot, at the same share of the way.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { clipQuery, clipsQuery } from '@/shared/queries'
import { useUnits } from '@/shared/units'
import { dayOf } from '@/shared/words'
import { bestSpeed, centimetres, degrees, momentAt, speedText, type Reading } from './words'

const props = defineProps<{ reading: Reading; lifterId: string }>()
const { kg } = useUnits()
const clips = useQuery(clipsQuery(props.lifterId))
const others = computed(() =>
  (clips.data.value?.clips ?? []).filter(
    (c) =>
      c.view === 'side' && c.lift === props.reading.lift && c.clip_id !== props.reading.clip_id && c.reps > 0,
  ),
)
const chosen = ref('')
const other = useQuery(
  computed(() => ({ ...clipQuery(props.lifterId, chosen.value), enabled: chosen.value !== '' })),
)
const share = ref(25)
const pair = computed(() => {
  const second = other.data.value as Reading | undefined
  if (!second) return []
  return [second, props.reading].map((reading) => ({ reading, at: momentAt(reading, share.value / 100) }))
})
const APART = 130
const x = (i: number) => 70 + i * APART
const line = (places: [number, number][], i: number) =>
  places.map(([a, b]) => `${x(i) + a * 100},${190 - b * 100}`).join(' ')
</script>

<template>
  <section v-if="others.length" class="beside">
    <h2 class="mt-4">{{ say('watch.beside_another_clip') }}</h2>
    <label class="labelled small soft"
      >{{ say('watch.earlier') }}
      <select v-model="chosen">
        <option value="">{{ say('watch.none') }}</option>
        <option v-for="c in others" :key="c.clip_id" :value="c.clip_id">
          {{ dayOf(c.filmed_on) }}, {{ kg(c.load_kg) }}, {{ c.overall }}
        </option>
      </select></label
    >
    <template v-if="pair.length">
      <svg viewBox="0 30 270 170" role="img" :aria-label="say('watch.both_at_the_same_share_of')">
        <line x1="0" x2="270" y1="190" y2="190" class="floor" />
        <g v-for="(one, i) in pair" :key="one.reading.clip_id">
          <line :x1="x(i)" :x2="x(i)" y1="10" y2="190" class="plumb" />
          <polyline :points="line(one.at.way, i)" class="way" />
          <polyline :points="line(one.at.joints, i)" class="limbs" />
          <circle
            v-if="one.at.bar"
            :cx="x(i) + one.at.bar[0] * 100"
            :cy="190 - one.at.bar[1] * 100"
            r="3"
            class="bar"
          />
        </g>
      </svg>
      <label class="small slider"
        >{{ say('watch.share_of_the_way_up', { share }) }}
        <input v-model.number="share" type="range" min="0" max="100" step="5" />
      </label>
      <table class="plain num">
        <thead>
          <tr>
            <th scope="col" />
            <th v-for="one in pair" :key="one.reading.clip_id" scope="col">
              {{ dayOf(one.reading.filmed_on) }}, {{ kg(one.reading.load_kg) }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">{{ say('watch.trunk_leans') }}</th>
            <td v-for="one in pair" :key="one.reading.clip_id">
              {{ one.reading.camera.angles_told ? degrees(one.at.lean) : say('watch.cannot_tell') }}
            </td>
          </tr>
          <tr>
            <th scope="row">{{ say('watch.hip_above_floor') }}</th>
            <td v-for="one in pair" :key="one.reading.clip_id">{{ centimetres(one.at.hip) }}</td>
          </tr>
          <tr>
            <th scope="row">{{ say('watch.mean_speed_best_rep') }}</th>
            <td v-for="one in pair" :key="one.reading.clip_id">
              {{ speedText(bestSpeed(one.reading)) }}
            </td>
          </tr>
        </tbody>
      </table>
    </template>
  </section>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 560px;
  background: var(--sheet);
  border: 1px solid var(--line);
  margin-top: 8px;
}
svg * {
  vector-effect: non-scaling-stroke;
}
.floor {
  stroke: var(--line);
}
.plumb {
  stroke: var(--signal);
  stroke-dasharray: 5 4;
}
.way {
  fill: none;
  stroke: var(--signal);
  stroke-width: 1.25;
}
.limbs {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
  stroke-linejoin: round;
}
.bar {
  fill: var(--signal);
}
.slider {
  display: grid;
  max-width: 560px;
}
.slider input {
  accent-color: var(--ink);
}
select {
  padding: 6px;
}
</style>
