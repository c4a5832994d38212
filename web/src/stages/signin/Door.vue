<script setup lang="ts">
// The page before the club: what Pavrik is, one form, the caution.
import { say } from '@/words'
defineProps<{ heading: string }>()
</script>

<template>
  <main class="door">
    <div class="plumb" aria-hidden="true" />
    <div class="words">
      <p class="brand" translate="no">Pavr<span class="signal">|</span>k</p>
      <h1>{{ heading }}</h1>
      <slot />
      <p class="soft small mt-8">{{ say('signin.lifting_can_hurt_people_pavrik_is') }}</p>
    </div>
  </main>
</template>

<style scoped>
.door {
  min-height: 100vh;
  display: grid;
  place-items: center;
  position: relative;
  padding: 24px;
}
.plumb {
  position: absolute;
  left: 18vw;
  top: 0;
  bottom: 12vh;
  border-left: 1.5px dashed var(--body-line);
}
.plumb::after {
  content: '';
  position: absolute;
  bottom: -18px;
  left: -8px;
  border: 7px solid transparent;
  border-top: 18px solid var(--ink);
  border-bottom: 0;
}
.words {
  max-width: 420px;
  width: 100%;
}
.brand {
  font-size: 28px;
  font-weight: 800;
}
@media (max-width: 760px) {
  .plumb {
    display: none;
  }
}
</style>
