<script setup lang="ts" generic="T extends string | number, Empty extends null | never = never">
// One of a few, all of them visible. Arrow keys move the choice; where nothing may be chosen too, a
// second press clears it.
const props = defineProps<{
  label: string
  options: readonly (readonly [T, string])[]
  clearable?: boolean
  loose?: boolean
}>()
const chosen = defineModel<T | Empty>({ required: true })

function press(id: T) {
  chosen.value = props.clearable && chosen.value === id ? (null as Empty) : id
}
function move(event: KeyboardEvent, at: number) {
  const by = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 }[event.key]
  if (!by) return
  event.preventDefault()
  event.stopPropagation()
  const next = (at + by + props.options.length) % props.options.length
  const option = props.options[next]
  if (!option) return
  chosen.value = option[0]
  const { currentTarget } = event
  if (currentTarget instanceof HTMLElement)
    currentTarget.parentElement?.querySelectorAll('button')[next]?.focus()
}
const reachable = (id: T, at: number) =>
  chosen.value === id || (at === 0 && !props.options.some(([other]) => other === chosen.value))
</script>

<template>
  <div class="one-of" :class="{ loose }" role="radiogroup" :aria-label="label">
    <button
      v-for="([id, name], i) in options"
      :key="id"
      type="button"
      role="radio"
      :aria-checked="chosen === id"
      :class="{ on: chosen === id }"
      :tabindex="reachable(id, i) ? 0 : -1"
      @click="press(id)"
      @keydown="move($event, i)"
    >
      {{ name }}
    </button>
  </div>
</template>

<style scoped>
.one-of {
  display: flex;
  flex-wrap: wrap;
}
button {
  font: inherit;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--line);
  min-height: 40px;
  padding: 4px 14px;
  cursor: pointer;
}
button + button {
  border-left: 0;
}
button:first-child {
  border-radius: 3px 0 0 3px;
}
button:last-child {
  border-radius: 0 3px 3px 0;
}
.loose {
  gap: 4px;
  align-items: center;
}
.loose button {
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 2px 9px;
  min-width: 40px;
}
.on,
.loose .on {
  background: var(--ink);
  color: var(--paper);
  border-color: var(--ink);
  font-weight: 700;
}
</style>
