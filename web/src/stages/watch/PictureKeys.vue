<script setup lang="ts">
// One picture back, play or stop, one picture on; what stands beside them is given.
import { say } from '@/words'
defineProps<{ playing: boolean }>()
defineEmits<{ step: [by: number]; toggle: [] }>()
</script>

<template>
  <div class="keys no-print">
    <button type="button" class="key" :aria-label="say('watch.one_picture_back')" @click="$emit('step', -1)">
      ◂
    </button>
    <button
      type="button"
      class="key"
      :aria-label="playing ? say('watch.stop') : say('watch.play')"
      @click="$emit('toggle')"
    >
      {{ playing ? '❚❚' : '▶' }}
    </button>
    <button type="button" class="key" :aria-label="say('watch.one_picture_on')" @click="$emit('step', 1)">
      ▸
    </button>
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
  min-width: 40px;
}
</style>
