<script setup lang="ts">
// What has just been taken away, and the way back.
import { say } from '@/words'
defineProps<{ told: string }>()
defineEmits<{ back: [] }>()
</script>

<template>
  <p class="note mt-2" role="status">
    {{ told }}. <button class="linkish" @click="$emit('back')">{{ say('shared.put_it_back') }}</button>
  </p>
</template>
