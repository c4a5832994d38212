<script setup lang="ts">
// A file of this device to be read.
defineProps<{ name: string; says: string; accept: string }>()
const emit = defineEmits<{ chosen: [file: File] }>()
function choose(event: Event) {
  const file = event.target instanceof HTMLInputElement ? event.target.files?.[0] : undefined
  if (file) emit('chosen', file)
}
</script>

<template>
  <label class="file">
    <b>{{ name }}</b>
    <span class="soft small">{{ says }}</span>
    <input type="file" :accept="accept" @change="choose" />
  </label>
</template>

<style scoped>
.file {
  display: grid;
  gap: 6px;
  border: 1px dashed var(--body-line);
  border-radius: 3px;
  padding: 18px;
  background: var(--sheet);
  cursor: pointer;
  width: 100%;
}
</style>
