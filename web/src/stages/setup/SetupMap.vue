<script setup lang="ts">
// Predicted max over stance and another axis, with borders where the limiter changes. The cross is
// the live set-up: drag it, or move it with the arrow keys.
import { say } from '@/words'
import { computed } from 'vue'
import type { Schemas } from '@/shared/api'
import { inDrawing } from '@/figure/inDrawing'
import { nearest } from '@/shared/lifts'
import { useUnits } from '@/shared/units'
import { LIMIT_NAMES } from '@/shared/words'

const props = defineProps<{
  map: Schemas['MapAnswer']
  axes: { id: string; name: string }[]
  live: { stance_m: number; row: string | number }
  rowName: (row: string) => string
  note?: string
}>()
const emit = defineEmits<{ go: [place: { row: string; stance_m: number }]; across: [axis: string] }>()
const { kg, cm } = useUnits()
const W = 360
const LEFT = 46
const TOP = 6

const columns = computed(() => props.map.stance_m.length)
const rows = computed(() => props.map.rows)
const cell = computed(() => ({
  w: (W - LEFT - 4) / columns.value,
  h: Math.max(11, Math.min(42, 230 / rows.value.length)),
}))
const height = computed(() => TOP + cell.value.h * rows.value.length + 26)
const range = computed(() => {
  const feasible = props.map.kg.flat().filter((v) => v > 0)
  return { low: Math.min(...feasible), high: Math.max(...feasible) }
})
function shade(value: number): string {
  if (value <= 0) return 'url(#closed)'
  const share = (value - range.value.low) / Math.max(range.value.high - range.value.low, 1)
  return `color-mix(in srgb, var(--holds) ${(12 + 78 * share).toFixed(0)}%, var(--sheet))`
}
const borders = computed(() => {
  const { w, h } = cell.value
  const lines: string[] = []
  props.map.limit.forEach((row, r) =>
    row.forEach((limit, c) => {
      const x = LEFT + c * w
      const y = TOP + r * h
      if (c + 1 < row.length && row[c + 1] !== limit) lines.push(`M${x + w} ${y}v${h}`)
      const below = props.map.limit[r + 1]?.[c]
      if (below !== undefined && below !== limit) lines.push(`M${x} ${y + h}h${w}`)
    }),
  )
  return lines.join('')
})
const here = computed(() => {
  const column = nearest(props.map.stance_m, props.live.stance_m)
  const row =
    typeof props.live.row === 'string'
      ? Math.max(0, rows.value.indexOf(props.live.row))
      : nearest(rows.value.map(Number), props.live.row)
  return { row, column, x: LEFT + (column + 0.5) * cell.value.w, y: TOP + (row + 0.5) * cell.value.h }
})
const best = computed(() => {
  let [row, column] = [0, 0]
  props.map.kg.forEach((values, r) =>
    values.forEach((v, c) => {
      if (v > (props.map.kg[row]?.[column] ?? 0)) [row, column] = [r, c]
    }),
  )
  return { x: LEFT + (column + 0.5) * cell.value.w, y: TOP + (row + 0.5) * cell.value.h }
})
const words = computed(() => {
  const { row, column } = here.value
  const value = props.map.kg[row]?.[column] ?? 0
  const limit = LIMIT_NAMES[props.map.limit[row]?.[column] ?? ''] ?? ''
  const place = `${props.rowName(rows.value[row] ?? '')}, ${cm(props.map.stance_m[column] ?? 0, 0)}`
  return value > 0
    ? say('setup.place_kg_limit_limit', { place, kg: kg(value, 0), limit: limit.toLowerCase() })
    : say('setup.closed_by', { place, limit: limit.toLowerCase() })
})
function go(row: number, column: number) {
  const r = Math.min(rows.value.length - 1, Math.max(0, row))
  const c = Math.min(columns.value - 1, Math.max(0, column))
  const [name, stance] = [rows.value[r], props.map.stance_m[c]]
  if (name !== undefined && stance !== undefined) emit('go', { row: name, stance_m: stance })
}
function key(event: KeyboardEvent) {
  const step = event.shiftKey ? 5 : 1
  const by = {
    ArrowLeft: { row: 0, column: -step },
    ArrowRight: { row: 0, column: step },
    ArrowUp: { row: -1, column: 0 },
    ArrowDown: { row: 1, column: 0 },
  }[event.key]
  if (!by) return
  event.preventDefault()
  go(here.value.row + by.row, here.value.column + by.column)
}
function point(event: PointerEvent) {
  if (event.type === 'pointermove' && event.buttons === 0) return
  const at = inDrawing(event)
  go(Math.floor((at.y - TOP) / cell.value.h), Math.floor((at.x - LEFT) / cell.value.w))
}
</script>

<template>
  <section>
    <h2>
      {{ say('setup.map') }} <small>{{ say('setup.predicted_max_stance_against') }}</small>
      <span class="axes" role="radiogroup" :aria-label="say('setup.other_axis')">
        <button
          v-for="a in axes"
          :key="a.id"
          role="radio"
          :aria-checked="map.across === a.id"
          :class="{ on: map.across === a.id }"
          @click="emit('across', a.id)"
        >
          {{ a.name }}
        </button>
      </span>
    </h2>
    <svg :viewBox="`0 0 ${W} ${height}`" class="map" @pointerdown="point" @pointermove="point">
      <defs>
        <pattern id="closed" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="5" height="5" fill="var(--paper)" />
          <line x1="0" x2="0" y1="0" y2="5" stroke="var(--line)" />
        </pattern>
      </defs>
      <g v-for="(name, r) in rows" :key="name">
        <text :x="LEFT - 4" :y="TOP + (r + 0.5) * cell.h + 3.4" text-anchor="end">
          {{ r % (cell.h < 13 ? 2 : 1) === 0 ? rowName(name).replace(' ' + say('setup.bar_2'), '') : '' }}
        </text>
        <rect
          v-for="(value, c) in map.kg[r]"
          :key="c"
          :x="LEFT + c * cell.w"
          :y="TOP + r * cell.h"
          :width="cell.w + 0.3"
          :height="cell.h + 0.3"
          :fill="shade(value)"
        />
      </g>
      <path :d="borders" class="border" />
      <circle :cx="best.x" :cy="best.y" r="4.5" class="best" />
      <g v-for="c in columns" :key="c">
        <text v-if="(c - 1) % 4 === 0" :x="LEFT + (c - 0.5) * cell.w" :y="height - 12" text-anchor="middle">
          {{ cm(map.stance_m[c - 1] ?? 0, 0).split(' ')[0] }}
        </text>
      </g>
      <text :x="W - 4" :y="height - 1" text-anchor="end">
        {{ say('setup.stance_split', { split: cm(0.1).split(' ')[1] }) }}
      </text>
      <g
        class="cross"
        role="slider"
        tabindex="0"
        :aria-label="say('setup.set_up_on_the_map')"
        :aria-valuetext="words"
        :aria-valuenow="here.column"
        aria-valuemin="0"
        :aria-valuemax="columns - 1"
        @keydown="key"
      >
        <circle :cx="here.x" :cy="here.y" r="8" class="halo" />
        <path :d="`M${here.x - 8} ${here.y}h16M${here.x} ${here.y - 8}v16`" />
      </g>
    </svg>
    <p aria-live="polite">
      <b>{{ words }}</b>
    </p>
    <p class="small soft">
      {{
        say('setup.darker_lifts_more_from_to_lines', { low: kg(range.low, 0), high: kg(range.high, 0), note })
      }}
    </p>
  </section>
</template>

<style scoped>
.map {
  width: 100%;
  display: block;
  touch-action: none;
  cursor: crosshair;
  margin-top: 6px;
}
text {
  font-size: 9.5px;
  fill: var(--soft);
}
.border {
  stroke: var(--ink);
  stroke-width: 0.8;
  fill: none;
}
.best {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
}
.cross {
  outline: none;
}
.cross path {
  stroke: var(--signal);
  stroke-width: 2;
}
.halo {
  fill: none;
  stroke: transparent;
}
.cross:focus-visible .halo {
  stroke: var(--signal);
  stroke-width: 1.6;
}
.axes {
  display: inline-flex;
  gap: 4px;
  margin-left: 6px;
}
.axes button {
  font: inherit;
  font-weight: 400;
  background: none;
  border: 0;
  border-bottom: 1px dotted var(--soft);
  color: var(--soft);
  cursor: pointer;
  padding: 0 2px;
}
.axes .on {
  color: var(--ink);
  font-weight: 700;
  border-bottom: 2px solid var(--signal);
}
</style>
