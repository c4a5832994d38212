<script setup lang="ts">
// Exact entry beside the drawing: numbers typed in the coach's units.
import { ref, watch } from 'vue'
import { useUnits } from '@/shared/units'
import { STYLE_NAMES, STYLE_ORDER, type PullStyle } from '@/shared/words'
import type { Start } from './usePull'

const props = defineProps<{ live: Start; loadKg: number }>()
const emit = defineEmits<{ set: [part: Partial<Start>]; load: [kg: number] }>()
const { lengthOf, lengthUnit, massOf, massUnit, readLength, readMass } = useUnits()
type Field = 'stance_m' | 'toe_out_deg' | 'grip_m' | 'bar_offset_m' | 'bar_height_m' | 'load'
const HEIGHT: Partial<Record<PullStyle, number>> = { trap_high: 0.3, deficit: 0.175, block: 0.325, romanian: 0.305 }
const FIELDS: { id: Field; label: string; low: number; high: number; range: string }[] = [
  { id: 'stance_m', label: 'Stance', low: 0.1, high: 1.1, range: '10 to 110 cm' },
  { id: 'toe_out_deg', label: 'Toes', low: 0, high: 55, range: '0 to 55°' },
  { id: 'grip_m', label: 'Hands', low: 0.3, high: 1, range: '30 to 100 cm' },
  { id: 'bar_offset_m', label: 'Ahead', low: -0.03, high: 0.1, range: '−3 to 10 cm' },
  { id: 'bar_height_m', label: 'Height', low: 0.1, high: 0.7, range: '10 to 70 cm' },
  { id: 'load', label: 'Load', low: 0, high: 600, range: '0 to 600 kg' },
]
const text = ref({} as Record<Field, string>)
const wrong = ref<Partial<Record<Field, string>>>({})
watch(
  () => [props.live, props.loadKg, lengthUnit.value, massUnit.value] as const,
  () => {
    const l = props.live
    text.value = { stance_m: lengthOf(l.stance_m), toe_out_deg: String(l.toe_out_deg), grip_m: lengthOf(l.grip_m), bar_offset_m: lengthOf(l.bar_offset_m), bar_height_m: lengthOf(l.bar_height_m ?? HEIGHT[l.style] ?? 0.225), load: massOf(props.loadKg) }
    wrong.value = {}
  },
  { immediate: true, deep: true },
)
const unit = (id: Field) => (id === 'toe_out_deg' ? '°' : id === 'load' ? massUnit.value : lengthUnit.value)
function length(typed: string): number {
  const t = typed.trim().replace('−', '-')
  return t.startsWith('-') ? -readLength(t.slice(1)) : readLength(t)
}
function take(f: (typeof FIELDS)[number]) {
  const typed = text.value[f.id]
  const value = f.id === 'toe_out_deg' ? Number(typed) : f.id === 'load' ? readMass(typed) : length(typed)
  const inside = Number.isFinite(value) && value >= f.low - 1e-9 && value <= f.high + 1e-9
  wrong.value = { ...wrong.value, [f.id]: inside ? '' : f.range }
  if (!inside) return
  if (f.id === 'load') emit('load', value)
  else emit('set', { [f.id]: value })
}
</script>

<template>
  <div class="entry">
    <label class="style"><span class="small soft">Style</span>
      <select :value="live.style" @change="$emit('set', { style: ($event.target as HTMLSelectElement).value as PullStyle, bar_height_m: null })"><option v-for="s in STYLE_ORDER" :key="s" :value="s">{{ STYLE_NAMES[s] }}</option></select>
    </label>
    <label v-for="f in FIELDS" :key="f.id" :title="f.id === 'bar_offset_m' ? 'bar in front of mid-foot' : undefined"><span class="small soft">{{ f.label }} {{ unit(f.id) }}</span>
      <input v-model="text[f.id]" inputmode="decimal" @change="take(f)" />
      <span v-if="wrong[f.id]" class="small signal" role="alert">{{ wrong[f.id] }}</span>
    </label>
  </div>
</template>

<style scoped>
.entry { display: flex; gap: 5px; flex-wrap: wrap; }
label { display: flex; flex-direction: column; width: 58px; }
label.style { width: 104px; }
label span { white-space: nowrap; }
input, select { font: inherit; font-weight: 600; color: var(--ink); background: var(--sheet); border: 1px solid var(--line); border-radius: 3px; padding: 4px 5px; height: 32px; width: 100%; font-variant-numeric: tabular-nums; }
input:hover, select:hover { border-color: var(--ink); }
</style>
