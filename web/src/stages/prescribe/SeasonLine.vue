<script setup lang="ts">
// The season as one line per lift: every main session at its load, caps dashed, to scale.
import { extent } from 'd3-array'
import { scaleLinear, scaleTime } from 'd3-scale'
import { line } from 'd3-shape'
import { computed } from 'vue'
import { useUnits } from '@/shared/units'
import type { Plan } from './usePlan'

const props = defineProps<{ plan: Plan; openDay: string | null }>()
const emit = defineEmits<{ open: [dayId: string] }>()
const { kg, massOf } = useUnits()
const W = 640
const H = 116
const LEFT = 34
const RIGHT = 88

interface Session {
  lift: string
  day: string
  on: number
  kg: number
}
const sessions = computed<Session[]>(() =>
  props.plan.weeks.flatMap((w) =>
    w.days.flatMap((d) =>
      d.lines.flatMap((l) =>
        l.kind === 'main' && l.load_kg !== null && !l.overruled?.dropped && !l.until_rpe
          ? [{ lift: l.lift, day: d.day_id, on: Date.parse(d.on), kg: l.load_kg }]
          : [],
      ),
    ),
  ),
)
const x = computed(() => {
  const [from = 0, to = 1] = extent(props.plan.weeks.flatMap((w) => w.days.map((d) => Date.parse(d.on))))
  return scaleTime([from, Math.max(to, from + 86_400_000)], [LEFT, W - RIGHT])
})
const y = computed(() => {
  const [low = 0, high = 1] = extent(sessions.value, (s) => s.kg)
  const room = Math.max((high - low) * 0.12, 2)
  return scaleLinear([low - room, high + room], [H - 20, 12])
})
const drawn = computed(() =>
  line<Session>(
    (s) => x.value(s.on),
    (s) => y.value(s.kg),
  ),
)
const lifts = computed(() =>
  [...new Set(sessions.value.map(({ lift }) => lift))].flatMap((lift) => {
    const own = sessions.value.filter((s) => s.lift === lift)
    const [first, last] = [own[0], own.at(-1)]
    return first && last ? [{ lift, own, first, last, path: drawn.value(own) ?? '' }] : []
  }),
)
const words = computed(() =>
  lifts.value.map((l) => `${l.lift} from ${kg(l.first.kg)} to ${kg(l.last.kg)}`).join('; '),
)
const starts = computed(() =>
  props.plan.weeks.flatMap((w) =>
    w.days[0] ? [{ n: w.number, role: w.role, x: x.value(Date.parse(w.days[0].on)) }] : [],
  ),
)
</script>

<template>
  <svg
    v-if="sessions.length"
    class="season"
    :viewBox="`0 0 ${W} ${H}`"
    role="img"
    :aria-label="`Main work over the season: ${words}`"
  >
    <g v-for="s in starts" :key="s.n">
      <line :x1="s.x" :x2="s.x" y1="6" :y2="H - 18" :class="['tick', s.role]" />
      <text :x="s.x" :y="H - 6" class="week" text-anchor="middle">{{ s.n }}</text>
    </g>
    <g v-for="l in lifts" :key="l.lift" :class="l.lift">
      <path :d="l.path" class="way" />
      <circle
        v-for="s in l.own"
        :key="s.day + s.kg"
        :cx="x(s.on)"
        :cy="y(s.kg)"
        :r="s.day === openDay ? 5 : 3"
        :class="['dot', { open: s.day === openDay }]"
        @click="emit('open', s.day)"
      />
      <text :x="x(l.last.on) + 8" :y="y(l.last.kg) + 4" class="name">
        {{ l.lift }} {{ massOf(l.last.kg, 1) }}
      </text>
      <text :x="LEFT - 6" :y="y(l.first.kg) + 4" text-anchor="end" class="week">
        {{ massOf(l.first.kg, 1) }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
.season {
  width: 100%;
  max-height: 150px;
}
.tick {
  stroke: var(--hair);
  stroke-width: 1;
}
.tick.light {
  stroke: var(--holds);
  stroke-dasharray: 2 2;
}
.tick.test {
  stroke: var(--signal);
}
.way {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.2;
}
.deadlift .way {
  stroke-dasharray: 5 3;
}
.dot {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.2;
  cursor: pointer;
}
.deadlift .dot {
  fill: var(--ink);
}
.dot.open {
  stroke: var(--signal);
  stroke-width: 2.4;
}
.name {
  font-size: 10px;
  fill: var(--ink);
  font-weight: 600;
}
.week {
  font-size: 9px;
  fill: var(--soft);
}
</style>
