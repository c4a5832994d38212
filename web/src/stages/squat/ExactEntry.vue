<script setup lang="ts">
// Exact entry beside the drawing: numbers typed in the coach's units, bar and heel by steps.
import { ref, watch } from 'vue'
import { useUnits } from '@/shared/units'
import { BAR_NAMES, BAR_ORDER } from '@/shared/words'
import type { Schemas } from '@/shared/api'
import type { Setup } from './useSetup'

const props = defineProps<{ live: Setup; loadKg: number; bars: Schemas['BarAnswer'][] }>()
const emit = defineEmits<{ set: [part: Partial<Setup>]; load: [kg: number] }>()
const { lengthOf, lengthUnit, massOf, massUnit, readLength, readMass } = useUnits()

const stance = ref('')
const toes = ref('')
const heel = ref('')
const load = ref('')
const wrong = ref<Record<string, string>>({})
watch(
  () => [props.live, props.loadKg, lengthUnit.value, massUnit.value] as const,
  () => {
    stance.value = lengthOf(props.live.stance_m, lengthUnit.value === 'cm' ? 0 : 1)
    toes.value = String(props.live.toe_out_deg)
    heel.value = lengthOf(props.live.heel_lift_m)
    load.value = massOf(props.loadKg)
    wrong.value = {}
  },
  { immediate: true, deep: true },
)

function take(field: string, value: number, low: number, high: number, range: string, accept: () => void) {
  const inside = Number.isFinite(value) && value >= low - 1e-9 && value <= high + 1e-9
  wrong.value = { ...wrong.value, [field]: inside ? '' : range }
  if (inside) accept()
}
function takeBar(name: string) {
  const bar = props.bars.find((b) => b.name === name)
  if (!bar) return emit('set', { bar_position: name as Setup['bar_position'], specialty: undefined })
  emit('set', {
    bar_position: 'high',
    specialty: {
      name: bar.name, beyond_shoulder_m: bar.beyond_shoulder_m ?? 0, forward_m: bar.forward_m ?? 0,
      holds_lean_deg: bar.holds_lean_deg ?? 38, handles: bar.handles,
    },
  })
}
const takeStance = () => {
  const m = readLength(stance.value)
  take('stance', m, 0.24, 0.8, '24 to 80 cm', () => emit('set', { stance_m: m }))
}
const takeToes = () => {
  const degrees = Number(toes.value)
  take('toes', degrees, 0, 45, '0 to 45°', () => emit('set', { toe_out_deg: degrees }))
}
const takeHeel = () => {
  const m = readLength(heel.value)
  take('heel', m, 0, 0.03, '0 to 3 cm', () => emit('set', { heel_lift_m: m }))
}
const takeLoad = () => {
  const kg = readMass(load.value)
  take('load', kg, 0, 500, '0 to 500 kg', () => emit('load', kg))
}
</script>

<template>
  <div class="entry">
    <label class="bar">
      <span class="small soft">Bar</span>
      <select :value="live.specialty?.name ?? live.bar_position" @change="takeBar(($event.target as HTMLSelectElement).value)">
        <option v-for="b in BAR_ORDER" :key="b" :value="b">{{ BAR_NAMES[b] }}</option>
        <option v-for="b in bars" :key="b.bar_id" :value="b.name">{{ b.name }}</option>
      </select>
    </label>
    <label
      v-for="f in [
        { id: 'stance', label: `Stance, ${lengthUnit}` }, { id: 'toes', label: 'Toes out, °' },
        { id: 'heel', label: `Heel, ${lengthUnit}` }, { id: 'load', label: `Load, ${massUnit}` },
      ]" :key="f.id"
    >
      <span class="small soft">{{ f.label }}</span>
      <input v-if="f.id === 'stance'" v-model="stance" inputmode="decimal" @change="takeStance" />
      <input v-else-if="f.id === 'toes'" v-model="toes" inputmode="decimal" @change="takeToes" />
      <input v-else-if="f.id === 'heel'" v-model="heel" inputmode="decimal" @change="takeHeel" />
      <input v-else v-model="load" inputmode="decimal" @change="takeLoad" />
      <span v-if="wrong[f.id]" class="small signal" role="alert">{{ wrong[f.id] }}</span>
    </label>
  </div>
</template>

<style scoped>
.entry { display: flex; gap: 8px; flex-wrap: wrap; }
label { display: flex; flex-direction: column; width: 74px; }
label.bar { width: 104px; }
input, select { font: inherit; font-weight: 600; color: var(--ink); background: var(--sheet); border: 1px solid var(--line); border-radius: 3px; padding: 4px 7px; height: 32px; width: 100%; font-variant-numeric: tabular-nums; }
input:hover, select:hover { border-color: var(--ink); }
</style>
