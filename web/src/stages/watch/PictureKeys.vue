<script setup lang="ts">
// One picture back, play or stop, one picture on; what stands beside them is given.
defineProps<{ playing: boolean }>()
defineEmits<{ step: [by: number]; toggle: [] }>()
</script>

<template>
  <div class="keys no-print">
    <button type="button" aria-label="One picture back" @click="$emit('step', -1)">◂</button>
    <button type="button" :aria-label="playing ? 'Stop' : 'Play'" @click="$emit('toggle')">
      {{ playing ? '❚❚' : '▶' }}
    </button>
    <button type="button" aria-label="One picture on" @click="$emit('step', 1)">▸</button>
    <slot />
  </div>
</template>

<style scoped>
.keys {
  display: flex;
  gap: 6px;
  align-items: center;
  flex-wrap: wrap;
}
button {
  font: inherit;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 3px;
  min-width: 40px;
  min-height: 36px;
  cursor: pointer;
}
</style>
