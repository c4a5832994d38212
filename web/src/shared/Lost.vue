<script setup lang="ts">
import { say } from '@/words'
</script>

<template>
  <main class="pa-8">
    <h1>{{ say('shared.there_is_nothing_at_this_address') }}</h1>
    <p class="mt-2">
      {{ say('shared.the_lifter_or_stage_may_have') }}
      <RouterLink to="/">{{ say('shared.back_to_the_floor') }}</RouterLink>
    </p>
  </main>
</template>
