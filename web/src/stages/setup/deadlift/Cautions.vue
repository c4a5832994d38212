<script setup lang="ts">
import { say } from '@/words'
</script>

<script setup lang="ts"></script>

<template>
  <p class="small soft mt-2">{{ say('setup.stop_at_sharp_radiating_or_new') }}</p>
</template>
