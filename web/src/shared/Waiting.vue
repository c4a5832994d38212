<script setup lang="ts">
import { say } from '@/words'
defineProps<{ error?: Error | null; what: string }>()
defineEmits<{ again: [] }>()
</script>

<template>
  <div class="waiting" role="status">
    <template v-if="error">
      <p>
        <b>{{ say('shared.did_not_load', { what }) }}</b> {{ error.message }}
      </p>
      <v-btn class="mt-3" @click="$emit('again')">{{ say('shared.try_again') }}</v-btn>
    </template>
    <template v-else>
      <span class="bob" aria-hidden="true" />
      <p class="soft">{{ what }} …</p>
    </template>
  </div>
</template>

<style scoped>
.waiting {
  padding: 48px 26px;
  text-align: center;
}
.bob {
  display: block;
  width: 2px;
  height: 60px;
  margin: 0 auto 12px;
  transform-origin: top;
  background: repeating-linear-gradient(var(--body-line) 0 8px, transparent 8px 12px);
  animation: swing 1.4s ease-in-out infinite alternate;
}
@keyframes swing {
  from {
    transform: rotate(-14deg);
  }
  to {
    transform: rotate(14deg);
  }
}
</style>
