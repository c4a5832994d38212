<script setup lang="ts">
// What coaches did to the plan by hand, with the way back, and what it runs against.
import { say } from '@/words'
import { useEventListener } from '@vueuse/core'
import { computed } from 'vue'
import { uuid7, type Schemas } from '@/shared/api'
import type { PlanEdit } from './usePlan'

const props = defineProps<{ hand: Schemas['Hand']; mayWrite: boolean; busy: boolean }>()
const emit = defineEmits<{ edit: [PlanEdit] }>()
const edits = computed(() => [...(props.hand.edits ?? [])].reverse())
const last = computed(() => (props.mayWrite ? (props.hand.last ?? null) : null))
const undo = (id: string) => emit('edit', { kind: 'undo', edit_id: uuid7(), reason: '', undoes: id })

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement && ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName)
useEventListener('keydown', (event) => {
  if (event.key !== 'z' || !(event.ctrlKey || event.metaKey) || typing(event.target)) return
  if (!last.value || props.busy) return
  event.preventDefault()
  undo(last.value)
})
</script>

<template>
  <section
    v-if="edits.length || hand.concerns?.length"
    class="hand small"
    :aria-label="say('prescribe.by_hand')"
  >
    <p v-for="c in hand.concerns ?? []" :key="c.text" class="note decide first">{{ c.text }}.</p>
    <div v-if="edits.length" class="line">
      <details>
        <summary>
          {{ say('prescribe.by_hand_2', { edits: edits.length }) }}
          <span class="soft">{{ edits[0]!.words }}</span>
        </summary>
        <p v-for="e in edits" :key="e.edit_id" class="edit">
          <span>{{ e.words }}</span> <span class="soft">{{ e.coach }}</span>
          <button v-if="mayWrite" class="linkish" :disabled="busy" @click="undo(e.edit_id)">
            {{ say('prescribe.take_back') }}
          </button>
        </p>
      </details>
      <button
        v-if="last"
        class="linkish"
        :disabled="busy"
        :title="say('prescribe.ctrl_z')"
        @click="undo(last)"
      >
        {{ say('prescribe.undo') }}
      </button>
    </div>
  </section>
</template>

<style scoped>
.hand {
  display: grid;
  gap: 6px;
}
.line {
  display: flex;
  gap: 16px;
  align-items: baseline;
}
summary {
  cursor: pointer;
  padding: 4px 0;
}
.edit {
  display: flex;
  gap: 10px;
  border-top: 1px solid var(--hair);
  padding: 3px 0;
}
</style>
