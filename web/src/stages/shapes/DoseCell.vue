<script setup lang="ts">
// Doses as they are written, one a line; what is being typed is never written over.
import { computed, ref, watch } from 'vue'

defineProps<{ label: string; placeholder: string; wrong?: string }>()
const cell = defineModel<string>({ required: true })
const onLines = (words: string) => words.replace(/\s*;\s*/g, '\n')
const inOne = (lines: string) =>
  lines
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean)
    .join('; ')
const typed = ref(onLines(cell.value))
watch(cell, (now) => {
  if (inOne(typed.value) !== now) typed.value = onLines(now)
})
const rows = computed(() => Math.max(typed.value.split('\n').length, 1))
</script>

<template>
  <textarea
    v-model="typed"
    :rows="rows"
    :aria-label="label"
    :aria-invalid="!!wrong"
    :placeholder="placeholder"
    maxlength="200"
    @input="cell = inOne(typed)"
  />
  <p v-if="wrong" class="signal small" role="alert">{{ wrong }}</p>
</template>

<style scoped>
textarea {
  display: block;
  font: inherit;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 3px;
  width: 100%;
  min-width: 112px;
  min-height: 36px;
  padding: 7px 8px;
  resize: none;
}
textarea::placeholder {
  color: var(--soft);
  font-style: italic;
}
textarea[aria-invalid='true'] {
  border-color: var(--signal);
}
</style>
