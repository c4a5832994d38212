<script setup lang="ts">
// Reasons, each with a way to the facts it rests on.
import type { Schemas } from '@/shared/api'
import { placeOf } from './words'

defineProps<{ reasons: readonly Schemas['Reason'][]; lifterId: string; lift: string }>()
const places = (b: Schemas['Reason'], lifterId: string, lift: string) => {
  const found = (b.facts ?? []).map((fact) => placeOf(fact, lifterId, lift, b.text))
  return found.filter((p, i) => found.findIndex((q) => q.name === p.name) === i)
}
</script>

<template>
  <ul class="reasons">
    <li v-for="b in reasons" :key="b.text">
      {{ b.text
      }}<template v-for="p in places(b, lifterId, lift)" :key="p.name"
        >, <RouterLink class="soft" :to="p.to">{{ p.name }}</RouterLink></template
      >.
    </li>
  </ul>
</template>

<style scoped>
.reasons {
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 3px;
  font-size: 12px;
  max-width: 76ch;
}
.reasons li {
  padding-left: 12px;
  text-indent: -12px;
}
.reasons li::before {
  content: '|';
  color: var(--signal);
  font-weight: 700;
  padding-right: 8px;
}
</style>
