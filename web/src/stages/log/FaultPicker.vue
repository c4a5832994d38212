<script setup lang="ts">
// Two taps: the phase, then the fault; this lifter's frequent ones first.
import { computed, ref } from 'vue'
import type { Schemas } from '@/shared/api'

const props = defineProps<{
  catalogue: Schemas['CatalogueAnswer']
  lift: string
  rep: number
  frequent: Record<string, number>
}>()
const emit = defineEmits<{ seen: [fault: { fault_id: string; phase: string; severity: number }]; close: [] }>()
const phase = ref<string | null>(null)
const severity = ref(2)

const ofLift = computed(() => props.catalogue.faults.filter((f) => f.lift === props.lift))
const phases = computed(() => {
  const weight = (p: string) => ofLift.value.filter((f) => f.phases.includes(p)).reduce((n, f) => n + (props.frequent[f.id] ?? 0), 0)
  return (props.catalogue.phases[props.lift] ?? []).map((name) => ({ name, count: weight(name) }))
})
const faults = computed(() =>
  ofLift.value
    .filter((f) => phase.value && f.phases.includes(phase.value))
    .sort((a, b) => (props.frequent[b.id] ?? 0) - (props.frequent[a.id] ?? 0)),
)
const SEVERITIES = ['slight', 'clear', 'lift-ending']
</script>

<template>
  <div class="picker">
    <p class="head"><b>Fault in rep {{ rep }}</b> <button class="linkish" @click="emit('close')">Done</button></p>
    <div class="severity" role="radiogroup" aria-label="How severe">
      <button v-for="(name, i) in SEVERITIES" :key="name" role="radio" :aria-checked="severity === i + 1" :class="{ on: severity === i + 1 }" @click="severity = i + 1">{{ name }}</button>
    </div>
    <div class="phases">
      <button v-for="p in phases" :key="p.name" :class="{ on: phase === p.name }" @click="phase = p.name">
        {{ p.name }} <span v-if="p.count" class="small soft">{{ p.count }}</span>
      </button>
    </div>
    <div v-if="phase" class="faults">
      <button v-for="f in faults" :key="f.id" @click="emit('seen', { fault_id: f.id, phase: phase!, severity })">
        <b>{{ f.name }}</b><span class="small soft">{{ f.seen }}</span>
      </button>
    </div>
    <p v-else class="soft small">First the phase in which it was seen.</p>
  </div>
</template>

<style scoped>
.picker { display: grid; gap: 10px; }
.head { display: flex; justify-content: space-between; }
button { font: inherit; color: inherit; cursor: pointer; }
.severity, .phases { display: flex; flex-wrap: wrap; gap: 6px; }
.severity button, .phases button, .faults button { background: var(--sheet); border: 1px solid var(--line); border-radius: 3px; min-height: 44px; padding: 6px 12px; text-align: left; }
.severity button { min-height: 36px; }
.on { border-color: var(--signal) !important; box-shadow: inset 0 -2px 0 var(--signal); }
.faults { display: grid; grid-template-columns: repeat(auto-fill, minmax(220px, 1fr)); gap: 6px; }
.faults button { display: flex; flex-direction: column; }
.faults button:hover, .phases button:hover { border-color: var(--ink); }
</style>
