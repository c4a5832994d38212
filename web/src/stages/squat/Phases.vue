<script setup lang="ts">
// The phases of the lift; choosing one shows the path's pose there and its largest use.
import { computed } from 'vue'
import type { Schemas } from '@/shared/api'
import { nearest, useLifts } from '@/shared/useLifts'
import { USE_NAMES, percent } from '@/shared/words'

const props = defineProps<{ path: Schemas['ExactSetupAnswer'] | null; chosen: string | null }>()
defineEmits<{ choose: [phase: string | null] }>()
const { squatPhases } = useLifts()

const shown = computed(() =>
  squatPhases.value.map(({ id, name, progress }) => {
    const path = props.path
    if (!path) return { id, name, text: '' }
    const index = nearest(path.progress, progress)
    const uses = Object.entries(path.path.use).map(([use, values]) => [use, values[index] ?? 0] as const)
    const most = uses.reduce((a, b) => (b[1] > a[1] ? b : a))
    return { id, name, text: `${USE_NAMES[most[0]]} ${percent(most[1]).replace(' ', '\u00a0')}` }
  }),
)
</script>

<template>
  <ol class="phases" aria-label="Phases of the lift">
    <li v-for="phase in shown" :key="phase.id">
      <button
        :class="{ on: phase.id === (chosen ?? 'bottom') }"
        @click="$emit('choose', phase.id === 'bottom' ? null : phase.id)"
      >
        <span>{{ phase.name }}</span>
        <span class="small soft">{{ phase.text }}</span>
      </button>
    </li>
  </ol>
</template>

<style scoped>
.phases { display: grid; grid-template-columns: 0.85fr 1fr 1.1fr 1.25fr 1fr 0.85fr; list-style: none; padding: 0; margin: 0; border-top: 1px solid var(--line); }
button { width: 100%; min-height: 50px; text-align: left; background: none; border: 0; border-left: 1px solid var(--line); padding: 6px 2px 6px 7px; font: inherit; color: inherit; cursor: pointer; display: flex; flex-direction: column; }
button.on { border-left: 3px solid var(--signal); font-weight: 700; }
button:hover { background: var(--hair); }
@media (max-width: 760px) { .phases { grid-template-columns: repeat(3, 1fr); } }
</style>
