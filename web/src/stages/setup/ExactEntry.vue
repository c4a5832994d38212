<script setup lang="ts">
// Exact entry beside the drawing: every axis of the lift, typed in the coach's units.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed, nextTick, ref, watch } from 'vue'
import { useLift, type Axis } from '@/shared/lifts'
import { equipmentQuery } from '@/shared/queries'
import { useUnits } from '@/shared/units'
import { isDeadlift, styleOf, type LiftPage, type Part, type Setup } from './liftPage'

const props = defineProps<{ page: LiftPage; live: Setup; loadKg: number; barHeightM?: number | null }>()
const emit = defineEmits<{ set: [part: Part]; load: [kg: number] }>()
const { lengthOf, lengthUnit, massOf, massUnit, readLength, readMass } = useUnits()
const { styles, axes, nameOf } = useLift(props.page.id)
const equipment = useQuery(equipmentQuery)
const MOST_KG = 600
/** Words short enough for a field, where the axis's own are not. */
const SHORT: Record<string, string> = {
  toe_out_deg: say('setup.toes'),
  heel_lift_m: say('setup.heel'),
  bar_offset_m: say('setup.ahead'),
  shoulder_offset_m: say('setup.shoulder'),
  bar_height_m: say('setup.height'),
  grip_m: say('setup.hands'),
}
const fields = computed(() => axes.value.filter(({ id }) => id !== 'shoulder_offset_m'))
const label = (axis: Axis) =>
  `${SHORT[axis.id] ?? nameOf(axis.words.slice(0, 1).toUpperCase() + axis.words.slice(1))} ${axis.unit === 'deg' ? '°' : lengthUnit.value}`
const special = computed(() =>
  props.page.id === 'squat'
    ? (equipment.data.value?.bars ?? []).filter((b) => b.beyond_shoulder_m !== null)
    : [],
)

const text = ref<Record<string, string>>({})
const wrong = ref<Record<string, string>>({})
function valueOf(axis: Axis): number {
  const held = Object.entries(props.live).find(([name]) => name === axis.id)?.[1]
  if (typeof held === 'number') return held
  return axis.id === 'bar_height_m' ? (props.barHeightM ?? 0) : 0
}
const said = (axis: Axis, value: number) =>
  axis.unit === 'deg'
    ? value.toFixed(0)
    : `${value < 0 ? '−' : ''}${lengthOf(Math.abs(value), axis.id === 'stance_m' && lengthUnit.value === 'cm' ? 0 : 1)}`
const drawn = computed<Record<string, string>>(() => ({
  load: massOf(props.loadKg),
  ...Object.fromEntries(fields.value.map((axis) => [axis.id, said(axis, valueOf(axis))])),
}))
/** A field follows the drawing where its own number moved; what is being typed elsewhere stays. */
watch(
  drawn,
  (now, before) => {
    const moved = Object.keys(now).filter((id) => now[id] !== before?.[id])
    for (const id of moved) follow(id)
  },
  { immediate: true },
)
function follow(id: string) {
  text.value = { ...text.value, [id]: drawn.value[id] ?? '' }
  wrong.value = { ...wrong.value, [id]: '' }
}

function read(axis: Axis, typed: string): number {
  const trimmed = typed.trim().replace('−', '-')
  if (axis.unit === 'deg') return Number(trimmed)
  return trimmed.startsWith('-') ? -readLength(trimmed.slice(1)) : readLength(trimmed)
}
function take(axis: Axis) {
  const value = read(axis, text.value[axis.id] ?? '')
  const { reach_low: low, reach_high: high } = axis
  const inside = Number.isFinite(value) && value >= low - 1e-9 && value <= high + 1e-9
  const range =
    axis.unit === 'deg'
      ? say('setup.low_to_high', { low, high })
      : say('setup.axis_to_axis2_length_unit', {
          axis: said(axis, low),
          axis2: said(axis, high),
          lengthUnit: lengthUnit.value,
        })
  wrong.value = { ...wrong.value, [axis.id]: inside ? '' : range }
  if (!inside) return
  emit('set', { [axis.id]: value })
  void nextTick(() => follow(axis.id))
}
function takeLoad() {
  const kg = readMass(text.value.load ?? '')
  const inside = kg >= 0 && kg <= MOST_KG
  wrong.value = {
    ...wrong.value,
    load: inside ? '' : say('setup.n_0_to', { MOST_KG: massOf(MOST_KG, 0), massUnit: massUnit.value }),
  }
  if (!inside) return
  emit('load', kg)
  void nextTick(() => follow('load'))
}
const chosen = computed(() =>
  isDeadlift(props.live) ? props.live.style : (props.live.specialty?.name ?? styleOf(props.live)),
)
function takeStyle(event: Event) {
  const name = (event.target as HTMLSelectElement).value
  const bar = special.value.find((b) => b.name === name)
  if (!bar) return emit('set', props.page.inStyle(name))
  emit('set', {
    bar_position: 'high',
    specialty: {
      name: bar.name,
      beyond_shoulder_m: bar.beyond_shoulder_m ?? 0,
      forward_m: bar.forward_m ?? 0,
      holds_lean_deg: bar.holds_lean_deg ?? 38,
      handles: bar.handles,
    },
  })
}
</script>

<template>
  <div class="entry">
    <label class="style">
      <span class="small soft">{{ page.id === 'squat' ? say('setup.bar') : say('setup.style') }}</span>
      <select :value="chosen" @change="takeStyle">
        <option v-for="s in styles" :key="s.id" :value="s.id">{{ nameOf(s.id) }}</option>
        <option v-for="b in special" :key="b.bar_id" :value="b.name">{{ b.name }}</option>
      </select>
    </label>
    <label v-for="axis in fields" :key="axis.id" :title="axis.words">
      <span class="small soft">{{ label(axis) }}</span>
      <input v-model="text[axis.id]" inputmode="decimal" @change="take(axis)" />
      <span v-if="wrong[axis.id]" class="small signal" role="alert">{{ wrong[axis.id] }}</span>
    </label>
    <label>
      <span class="small soft">{{ say('setup.load_mass_unit', { massUnit }) }}</span>
      <input v-model="text.load" inputmode="decimal" @change="takeLoad" />
      <span v-if="wrong.load" class="small signal" role="alert">{{ wrong.load }}</span>
    </label>
  </div>
</template>

<style scoped>
.entry {
  display: flex;
  gap: 5px;
  flex-wrap: wrap;
}
label {
  display: flex;
  flex-direction: column;
  width: 57px;
}
label.style {
  width: 106px;
}
label span {
  white-space: nowrap;
}
label span[role='alert'] {
  white-space: normal;
}
input,
select {
  font: inherit;
  font-weight: 600;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 4px 5px;
  height: 32px;
  width: 100%;
  font-variant-numeric: tabular-nums;
}
input:hover,
select:hover {
  border-color: var(--ink);
}
</style>
