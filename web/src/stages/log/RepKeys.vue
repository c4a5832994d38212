<script setup lang="ts">
// Rep by rep: good, miss, or a fault in two touches, phase then fault, this lifter's likeliest first.
import { SIDES } from '@/shared/words'
import { say } from '@/words'
import { computed, ref } from 'vue'
import OneOf from '@/shared/OneOf.vue'
import type { Schemas } from '@/shared/api'
import type { Draft } from './draft'
import { FAULT_KEYS, PHASE_KEYS } from './keys'

const props = defineProps<{
  draft: Draft
  catalogue: Schemas['CatalogueAnswer']
  frequent: Schemas['FrequentAnswer'][]
  silenced: string[]
  disabled: boolean
}>()
const emit = defineEmits<{
  rep: [kind: 'good' | 'miss']
  fault: [fault: { fault_id: string; phase: string }, sameRep: boolean]
  change: [change: { severity?: number; side?: 'left' | 'right' | null }]
  undo: []
}>()
const phase = ref<string | null>(null)
const sameRep = ref(false)

const hidden = computed(() => new Set([...props.catalogue.hidden, ...props.silenced]))
const ofLift = computed(() =>
  props.catalogue.faults.filter((f) => f.lift === props.draft.lift && !hidden.value.has(f.id)),
)
const phases = computed(() =>
  (props.catalogue.phases[props.draft.lift] ?? []).map((name, i) => ({
    name,
    key: PHASE_KEYS[i],
    often: props.frequent.some((f) => f.phase === name),
  })),
)
const countOf = (id: string) =>
  props.frequent.find((f) => f.fault_id === id && f.phase === phase.value)?.count ?? 0
const faults = computed(() =>
  ofLift.value
    .filter((f) => phase.value !== null && f.phases.includes(phase.value))
    .sort((a, b) => countOf(b.id) - countOf(a.id)),
)
const usual = computed(() =>
  props.frequent
    .map((f) => ({ ...f, name: ofLift.value.find((known) => known.id === f.fault_id)?.name }))
    .filter((f) => f.name)
    .slice(0, 3),
)
const nameOf = (id: string) => props.catalogue.faults.find((f) => f.id === id)?.name ?? id
const last = computed(() => props.draft.faults.at(-1))
const SEVERITIES: [number, string][] = [
  [1, 'slight'],
  [2, 'clear'],
  [3, say('log.lift_ending')],
]

function pick(fault_id: string, of: string) {
  emit('fault', { fault_id, phase: of }, sameRep.value)
  phase.value = null
  sameRep.value = false
}
/** A key of the platform; true when it was one of these. */
function press(key: string): boolean {
  if (props.disabled) return false
  const at = phase.value === null ? -1 : FAULT_KEYS.indexOf(key)
  const fault = at >= 0 ? faults.value[at] : undefined
  const opened = phases.value[PHASE_KEYS.indexOf(key)]
  if (fault && phase.value !== null) pick(fault.id, phase.value)
  else if (key === 'Escape' && phase.value !== null) phase.value = null
  else if (opened) phase.value = opened.name
  else if (key === 'g' || key === ' ') emit('rep', 'good')
  else if (key === 'm') emit('rep', 'miss')
  else if (key === 's') sameRep.value = !sameRep.value
  else if (key === '-' || key === '=')
    emit('change', {
      severity: Math.min(3, Math.max(1, (last.value?.severity ?? 2) + (key === '=' ? 1 : -1))),
    })
  else if (key === '[' || key === ']') emit('change', { side: key === '[' ? 'left' : 'right' })
  else if (key === 'Backspace') emit('undo')
  else return false
  return true
}
defineExpose({ press, picking: computed(() => phase.value !== null) })
</script>

<template>
  <div class="rep-keys">
    <div class="reps" aria-live="polite" :aria-label="say('log.reps_of_this_set')">
      <span
        v-for="(r, i) in draft.reps"
        :key="i"
        :class="['rep', r, { faulty: draft.faults.some((f) => f.rep === i + 1) }]"
        >{{ i + 1 }}</span
      >
      <span v-if="!draft.reps.length" class="soft">{{ say('log.no_rep_yet') }}</span>
      <button class="linkish small undo" :disabled="!draft.past.length || disabled" @click="emit('undo')">
        {{ say('log.undo_the_last') }}
      </button>
    </div>
    <div class="keys">
      <button class="key good" :disabled="disabled" @click="emit('rep', 'good')">
        {{ say('log.good') }} <kbd>g</kbd>
      </button>
      <button class="key miss" :disabled="disabled" @click="emit('rep', 'miss')">
        {{ say('log.miss') }} <kbd>m</kbd>
      </button>
    </div>
    <p class="small soft lead">
      {{
        say('log.fault_the', {
          the: phase === null ? say('log.the_phase') : say('log.and_now_what_was_seen', { phase }),
        })
      }}
      <label v-if="draft.reps.length" class="same"
        ><input v-model="sameRep" type="checkbox" /> {{ say('log.also_in_rep', { reps: draft.reps.length }) }}
        <kbd>s</kbd></label
      >
    </p>
    <template v-if="phase === null">
      <div class="grid phases">
        <button
          v-for="p in phases"
          :key="p.name"
          :class="['tile', { often: p.often }]"
          :disabled="disabled"
          @click="phase = p.name"
        >
          {{ p.name }} <kbd>{{ p.key }}</kbd>
        </button>
      </div>
      <div v-if="usual.length" class="usual">
        <button
          v-for="f in usual"
          :key="f.fault_id + f.phase"
          class="tile often"
          :disabled="disabled"
          @click="pick(f.fault_id, f.phase)"
        >
          <b>{{ f.name }}</b>
          <span class="small soft">{{
            say('log.phase_count_lately', { phase: f.phase, count: f.count })
          }}</span>
        </button>
      </div>
    </template>
    <div v-else class="grid">
      <button
        v-for="(f, i) in faults"
        :key="f.id"
        :class="['tile fault', { often: countOf(f.id) }]"
        :disabled="disabled"
        @click="pick(f.id, phase)"
      >
        <span
          ><b>{{ f.name }}</b> <kbd>{{ FAULT_KEYS[i] }}</kbd></span
        ><span class="small soft">{{ f.seen }}</span>
      </button>
      <button class="tile" @click="phase = null">
        {{ say('log.another_phase') }} <kbd>{{ say('log.esc') }}</kbd>
      </button>
    </div>
    <div v-if="last" class="last small">
      <span
        >{{ say('log.rep', { rep: last.rep }) }} <b>{{ nameOf(last.fault_id) }}</b>, {{ last.phase }}</span
      >
      <OneOf
        :model-value="last.severity"
        :label="say('log.how_severe')"
        :options="SEVERITIES"
        loose
        @update:model-value="emit('change', { severity: $event })"
      />
      <OneOf
        :model-value="last.side"
        :label="say('log.which_side')"
        :options="[
          ['left', SIDES.left],
          ['right', SIDES.right],
        ]"
        clearable
        loose
        @update:model-value="emit('change', { side: $event })"
      />
    </div>
  </div>
</template>

<style scoped>
.rep-keys {
  display: grid;
  gap: 10px;
}
button {
  font: inherit;
  color: inherit;
  cursor: pointer;
}
button:disabled {
  opacity: 0.5;
  cursor: default;
}
.reps {
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
  min-height: 38px;
  align-items: center;
}
.rep {
  width: 36px;
  height: 36px;
  border-radius: 50%;
  display: grid;
  place-items: center;
  font-weight: 700;
  border: 2px solid var(--holds);
}
.rep.faulty {
  border-color: var(--signal);
  border-style: dashed;
}
.rep.miss {
  border: 2px solid var(--signal);
  background: var(--signal);
  color: var(--paper);
}
.undo {
  margin-left: auto;
  min-height: 32px;
}
.keys {
  display: grid;
  grid-template-columns: 1.8fr 1fr;
  gap: 8px;
}
.key {
  font-size: 19px;
  font-weight: 700;
  min-height: 60px;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 3px;
  border-bottom-width: 4px;
}
.key.good {
  border-bottom-color: var(--holds);
}
.key.miss {
  border-bottom-color: var(--signal);
}
.lead {
  display: flex;
  justify-content: space-between;
}
.same {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 28px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(160px, 1fr));
  gap: 6px;
}
.grid.phases {
  grid-template-columns: repeat(auto-fill, minmax(104px, 1fr));
}
.usual {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.tile {
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 3px;
  min-height: 44px;
  padding: 6px 10px;
  text-align: left;
}
.tile.fault {
  display: flex;
  flex-direction: column;
}
.tile.often {
  border-left: 3px solid var(--signal);
}
.tile:hover,
.key:hover {
  border-color: var(--ink);
}
.last {
  display: flex;
  gap: 8px 14px;
  flex-wrap: wrap;
  align-items: center;
  border-top: 1px solid var(--line);
  padding-top: 8px;
}
</style>
