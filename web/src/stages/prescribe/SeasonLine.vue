<script setup lang="ts">
// The season as one picture, a strip per lift: what the log says of the max, what was done, what is
// asked, and what is allowed of it; to scale.
import { say } from '@/words'
import { extent } from 'd3-array'
import { scaleLinear, scaleTime, type ScaleLinear } from 'd3-scale'
import { area, line } from 'd3-shape'
import { computed } from 'vue'
import { useUnits } from '@/shared/units'
import { seasonOf, type MaxPoint, type Season, type SoFar } from './season'
import { isoDay, now as clockNow } from '@/shared/clock'
import type { Plan } from './usePlan'

const props = withDefaults(defineProps<{ plan: Plan; openDay: string | null; soFar?: SoFar[] }>(), {
  soFar: () => [],
})
const emit = defineEmits<{ open: [dayId: string] }>()
const { kg, massOf } = useUnits()
const W = 640
const LEFT = 34
const RIGHT = 92
const STRIP = 84
const FOOT = 16

const seasons = computed(() => seasonOf(props.plan, props.soFar))
const today = Date.parse(isoDay(clockNow()))
const height = computed(() => seasons.value.length * STRIP + FOOT)
const x = computed(() => {
  const days = props.plan.weeks.flatMap((w) => w.days.map((d) => Date.parse(d.on)))
  const before = seasons.value.flatMap((s) => [
    ...s.done.map((d) => d.on),
    ...s.max.slice(1).map((m) => m.on),
  ])
  const [from = 0, to = 1] = extent([...days, ...before])
  return scaleTime([from, Math.max(to, from + 86_400_000)], [LEFT, W - RIGHT]).clamp(true)
})
const xAt = (on: number) => x.value(on)

function scaleOf(season: Season, top: number): ScaleLinear<number, number> {
  const [low = 0, high = 1] = extent([
    ...season.planned.flatMap((s) => [s.kg, s.intent ?? s.kg]),
    ...season.done.map((d) => d.kg),
    ...season.max.flatMap((m) => [m.low, m.high]),
    ...season.expected.map((e) => e.kg),
  ])
  const room = Math.max((high - low) * 0.06, 2)
  return scaleLinear([low - room, high + room], [top + STRIP - 6, top + 6])
}
const strips = computed(() =>
  seasons.value.map((season, i) => {
    const y = scaleOf(season, i * STRIP)
    const way = line<{ on: number; kg: number }>(
      (p) => xAt(p.on),
      (p) => y(p.kg),
    )
    const band = area<MaxPoint>(
      (p) => xAt(p.on),
      (p) => y(p.low),
      (p) => y(p.high),
    )
    const now = season.max.at(-1)
    return {
      ...season,
      y,
      top: i * STRIP,
      band: band(season.max) ?? '',
      mid: way(season.max) ?? '',
      ahead: way(now ? [now, ...season.expected] : season.expected) ?? '',
      way: way(season.planned) ?? '',
      marks: (y.ticks(3) as number[]).filter((t) => y(t) > i * STRIP + 8),
    }
  }),
)
const words = computed(() =>
  seasons.value
    .map((s) => {
      const now = s.max.at(-1)
      const max = now
        ? say('prescribe.max_today_about_likely_to', {
            kg: kg(now.kg, 0),
            low: massOf(now.low, 0),
            high: kg(now.high, 0),
          })
        : ''
      const held = s.planned.filter((p) => p.intent !== null).length
      return say('prescribe.from_to', {
        lift: s.lift,
        kg: kg(s.first.kg),
        kg2: kg(s.last.kg),
        max,
        held: held ? say('prescribe.held_below_what_is_asked', { held }) : '',
      })
    })
    .join('; '),
)
const starts = computed(() =>
  props.plan.weeks.flatMap((w) =>
    w.days[0] ? [{ n: w.number, role: w.role, x: xAt(Date.parse(w.days[0].on)) }] : [],
  ),
)
const anyHeld = computed(() => seasons.value.some((s) => s.planned.some((p) => p.intent !== null)))
const anyDone = computed(() => seasons.value.some((s) => s.done.length))
const anyMax = computed(() => seasons.value.some((s) => s.max.length))
</script>

<template>
  <figure v-if="strips.length" class="season">
    <svg
      :viewBox="`0 0 ${W} ${height}`"
      role="img"
      :aria-label="say('prescribe.main_work_over_the_season', { words })"
    >
      <g v-for="s in starts" :key="s.n">
        <line :x1="s.x" :x2="s.x" y1="4" :y2="height - FOOT" :class="['tick', s.role]" />
        <text :x="s.x" :y="height - 4" class="week" text-anchor="middle">{{ s.n }}</text>
      </g>
      <g v-for="s in strips" :key="s.lift" :class="s.lift">
        <line v-if="s.top" :x1="LEFT" :x2="W - RIGHT" :y1="s.top" :y2="s.top" class="tick" />
        <text v-for="t in s.marks" :key="t" :x="LEFT - 6" :y="s.y(t) + 3" text-anchor="end" class="week">
          {{ massOf(t, 0) }}
        </text>
        <path :d="s.band" class="band" />
        <path :d="s.mid" class="mid" />
        <path :d="s.ahead" class="ahead" />
        <path :d="s.way" class="way" />
        <template v-for="d in s.done" :key="d.on">
          <circle v-if="!d.missed" :cx="xAt(d.on)" :cy="s.y(d.kg)" r="2.6" class="done">
            <title>{{ kg(d.kg) }}, {{ d.words }}</title>
          </circle>
          <path v-else :d="`M${xAt(d.on) - 3},${s.y(d.kg) - 3}l6,6m0,-6l-6,6`" class="missed">
            <title>{{ say('prescribe.kg_missed', { kg: kg(d.kg) }) }}</title>
          </path>
        </template>
        <template v-for="(p, i) in s.planned" :key="i">
          <path
            v-if="p.intent !== null"
            :d="`M${xAt(p.on) - 4},${s.y(p.intent)}h8m-4,0V${s.y(p.kg)}`"
            class="held"
          />
          <circle
            :cx="xAt(p.on)"
            :cy="s.y(p.kg)"
            :r="p.day === openDay ? 5 : 3"
            :class="['dot', { open: p.day === openDay }]"
            @click="emit('open', p.day)"
          >
            <title>
              {{ kg(p.kg)
              }}{{ p.intent === null ? '' : say('prescribe.intent_asked', { intent: kg(p.intent) }) }}
            </title>
          </circle>
        </template>
        <text :x="xAt(s.last.on) + 9" :y="s.y(s.last.kg) + 4" class="name">
          {{ s.lift }} {{ massOf(s.last.kg, 1) }}
        </text>
      </g>
      <line v-if="anyMax" :x1="xAt(today)" :x2="xAt(today)" y1="0" :y2="height - FOOT" class="today" />
    </svg>
    <figcaption class="small soft">
      <span><i class="hollow" /> {{ say('prescribe.planned') }}</span>
      <span v-if="anyHeld"><b class="tee">┬</b> {{ say('prescribe.asked_held_below') }}</span>
      <span v-if="anyDone"><i class="full" /> {{ say('prescribe.done') }}</span>
      <span v-if="anyMax"><i class="area" /> {{ say('prescribe.max_as_the_log_tells_it') }}</span>
      <span v-if="anyMax"><i class="dash" /> {{ say('prescribe.expected') }}</span>
    </figcaption>
  </figure>
</template>

<style scoped>
.season {
  margin: 0;
}
svg {
  width: 100%;
  display: block;
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
.band {
  fill: var(--line);
  opacity: 0.55;
}
.mid,
.ahead {
  fill: none;
  stroke: var(--soft);
  stroke-width: 1;
}
.ahead {
  stroke-dasharray: 4 3;
}
.way {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.2;
}
.dot {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.2;
  cursor: pointer;
}
.dot.open {
  stroke: var(--signal);
  stroke-width: 2.4;
}
.done {
  fill: var(--ink);
}
.missed,
.held {
  fill: none;
  stroke: var(--signal);
  stroke-width: 1.4;
}
.today {
  stroke: var(--signal);
  stroke-width: 1;
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
figcaption {
  display: flex;
  gap: 4px 16px;
  flex-wrap: wrap;
  padding-left: 34px;
}
i {
  display: inline-block;
  vertical-align: middle;
  width: 8px;
  height: 8px;
  border-radius: 50%;
  margin-right: 3px;
}
.hollow {
  border: 1.5px solid var(--ink);
}
.full {
  background: var(--ink);
}
.area,
.dash {
  border-radius: 0;
  width: 16px;
}
.area {
  background: var(--line);
}
.dash {
  height: 0;
  border-top: 1px dashed var(--soft);
}
.tee {
  color: var(--signal);
}
</style>
