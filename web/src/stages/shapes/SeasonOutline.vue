<script setup lang="ts">
// Twelve weeks of a shape, to scale: how heavy, how much, what each week is for; a week that is
// touched says what it asks.
import { say } from '@/words'
import { useElementSize } from '@vueuse/core'
import { scaleLinear, scaleSqrt } from 'd3-scale'
import { computed, ref } from 'vue'
import type { Schemas } from '@/shared/api'

const props = defineProps<{ weeks: Schemas['OutlinedWeek'][] }>()
const LEFT = 44
const TOP = 18
const FLOOR = 236
const HEIGHT = FLOOR + 38
const LETTER = 6.2
const frame = ref<HTMLElement | null>(null)
const { width } = useElementSize(frame, { width: 860, height: 0 })
const wide = computed(() => Math.max(width.value, 280))
const at = ref<number | null>(null)
const step = computed(() => (wide.value - LEFT) / Math.max(props.weeks.length, 1))
const y = scaleLinear([0.5, 1], [FLOOR, TOP])
const r = computed(() => scaleSqrt([0, 30], [0, Math.min(step.value / 4.2, 14)]))
const middle = (i: number) => LEFT + (i + 0.5) * step.value
const percent = (share: number) => `${Math.round(share * 100)} %`

type Part = 'main' | 'second' | 'volume'
const ASIDE: Record<Part, number> = { main: -0.16, second: 0.26, volume: 0.26 }
const marks = computed(() =>
  props.weeks.flatMap((week, i) => {
    const parts: [Part, Schemas['OutlinedDose'][]][] = [
      ['volume', week.volume ? [week.volume] : []],
      ['second', [week.second]],
      ['main', week.main],
    ]
    return parts.flatMap(([part, doses]) =>
      doses.map((dose, n) => ({
        key: `${week.number}-${part}-${n}`,
        part,
        x: middle(i) + ASIDE[part] * step.value,
        y: y(dose.share),
        r: Math.max(r.value(dose.reps), 2),
        words: say('shapes.words_about_share', { words: dose.words, share: percent(dose.share) }),
      })),
    )
  }),
)
const fits = (s: { role: string; from: number; to: number }) =>
  s.role.length * LETTER < (s.to - s.from + 1) * step.value
/** Weeks in a row that are for the same. */
const spans = computed(() => {
  const found: { role: string; from: number; to: number }[] = []
  props.weeks.forEach((week, i) => {
    const last = found.at(-1)
    if (last && last.role === week.role) last.to = i
    else found.push({ role: week.role, from: i, to: i })
  })
  return found
})
const saying = (week: Schemas['OutlinedWeek']) =>
  [
    say('shapes.main', {
      main: week.main.map((d) => `${d.words} (${percent(d.share)})`).join(say('shapes.then') + ' '),
    }),
    say('shapes.second_day', { words: week.second.words }),
    ...(week.volume ? [say('shapes.volume_day', { words: week.volume.words })] : []),
  ].join('; ')
const shown = computed(() => (at.value === null ? null : (props.weeks[at.value] ?? null)))
</script>

<template>
  <figure ref="frame" class="outline">
    <svg
      :width="wide"
      :height="HEIGHT"
      role="img"
      :aria-label="say('shapes.twelve_weeks_of_this_shape_share')"
      @mouseleave="at = null"
    >
      <g v-for="tick in [0.5, 0.6, 0.7, 0.8, 0.9, 1]" :key="tick">
        <line :x1="LEFT" :x2="wide" :y1="y(tick)" :y2="y(tick)" :class="['tick', { heavy: tick === 0.9 }]" />
        <text :x="LEFT - 8" :y="y(tick) + 4" text-anchor="end">{{ percent(tick) }}</text>
      </g>
      <g v-for="(week, i) in weeks" :key="week.number" @mouseenter="at = i" @click="at = i">
        <rect
          :x="middle(i) - step / 2"
          y="0"
          :width="step"
          :height="HEIGHT"
          :class="['week', { on: at === i, rest: week.role === 'light' }]"
        />
        <text :x="middle(i)" :y="FLOOR + 15" text-anchor="middle">{{ week.number }}</text>
      </g>
      <circle v-for="m in marks" :key="m.key" :cx="m.x" :cy="m.y" :r="m.r" :class="m.part" />
      <g v-for="s in spans" :key="s.from">
        <line
          :x1="middle(s.from) - step / 2 + 3"
          :x2="middle(s.to) + step / 2 - 3"
          :y1="FLOOR + 20"
          :y2="FLOOR + 20"
          class="span"
        />
        <text
          v-if="fits(s)"
          :x="(middle(s.from) + middle(s.to)) / 2"
          :y="FLOOR + 32"
          text-anchor="middle"
          class="role"
        >
          {{ s.role }}
        </text>
      </g>
    </svg>
    <figcaption class="small soft" aria-live="polite">
      <template v-if="shown"
        ><b>{{ say('shapes.week_number_role', { number: shown.number, role: shown.role }) }}</b>
        {{ saying(shown) }}</template
      ><template v-else>{{ say('shapes.black_is_the_main_day_open') }}</template>
    </figcaption>
    <ol class="visually-hidden">
      <li v-for="week in weeks" :key="week.number">{{ week.role }}: {{ saying(week) }}</li>
    </ol>
  </figure>
</template>

<style scoped>
.outline {
  margin: 0;
}
svg {
  display: block;
  max-width: 100%;
}
text {
  font-size: 11px;
  fill: var(--soft);
}
.role {
  font-size: 11px;
  fill: var(--ink);
}
.tick {
  stroke: var(--hair);
}
.tick.heavy {
  stroke: var(--line);
}
.span {
  stroke: var(--ink);
}
.week {
  fill: transparent;
}
.week.rest {
  fill: var(--hair);
}
.week.on {
  fill: var(--signal-wash);
}
circle {
  pointer-events: none;
}
.main {
  fill: var(--ink);
}
.second {
  fill: var(--sheet);
  stroke: var(--ink);
}
.volume {
  fill: var(--body);
  stroke: var(--body-line);
}
figcaption {
  min-height: 36px;
  padding-top: 4px;
}
</style>
