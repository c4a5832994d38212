<script setup lang="ts">
// Reasons, each with a way to the facts it rests on: two at once, the others behind "more".
import { say } from '@/words'
import { computed, ref } from 'vue'
import type { Schemas } from '@/shared/api'
import { placeOf } from './words'

const props = defineProps<{ reasons: readonly Schemas['Reason'][]; lifterId: string; lift: string }>()
const AT_ONCE = 2
const all = ref(false)
const shown = computed(() => (all.value ? props.reasons : props.reasons.slice(0, AT_ONCE)))
const more = computed(() => props.reasons.length - AT_ONCE)
const places = (b: Schemas['Reason'], lifterId: string, lift: string) => {
  const found = (b.facts ?? []).map((fact) => placeOf(fact, lifterId, lift))
  return found.filter((p, i) => found.findIndex((q) => q.name === p.name) === i)
}
</script>

<template>
  <ul class="reasons">
    <li v-for="b in shown" :key="b.text">
      {{ b.text
      }}<template v-for="p in places(b, lifterId, lift)" :key="p.name"
        >, <RouterLink class="soft" :to="p.to">{{ p.name }}</RouterLink></template
      >.
    </li>
    <li v-if="more > 0" class="plain no-print">
      <button type="button" class="linkish soft" :aria-expanded="all" @click="all = !all">
        {{ all ? say('prescribe.fewer') : say('prescribe.more', { more }) }}
      </button>
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
.reasons li:not(.plain)::before {
  content: '|';
  color: var(--signal);
  font-weight: 700;
  padding-right: 8px;
}
</style>
