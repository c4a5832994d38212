<script setup lang="ts">
// Use of each capacity at a load; each opens its formula.
import { say } from '@/words'
import { computed, ref } from 'vue'
import { USE_NAMES, percent } from '@/shared/words'

const props = defineProps<{ use: Record<string, number>; explanations?: Record<string, string> }>()
const open = ref<string | null>(null)
const rows = computed(() => {
  const entries = Object.entries(props.use).filter(
    ([name, value]) => name !== 'knee_flexors' || value > 0.005,
  )
  const most = Math.max(...entries.map(([, value]) => value))
  return entries.map(([name, value]) => ({ name, value, limits: value === most }))
})
</script>

<template>
  <ul class="uses">
    <li v-for="row in rows" :key="row.name">
      <button
        class="use"
        :aria-expanded="open === row.name"
        @click="open = open === row.name ? null : row.name"
      >
        <span>{{ USE_NAMES[row.name] }}</span>
        <span class="track"
          ><span
            :class="['fill', { limits: row.limits }]"
            :style="{ width: `${Math.min(100, row.value * 100)}%` }"
        /></span>
        <b :class="{ signal: row.value > 1 }">{{ percent(row.value) }}</b>
      </button>
      <p v-if="open === row.name" class="why small">
        {{ explanations?.[row.name] ?? say('setup.the_exact_set_up_is_being') }}
      </p>
    </li>
  </ul>
</template>

<style scoped>
.uses {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
}
.use {
  display: grid;
  grid-template-columns: 104px 1fr 48px;
  gap: 10px;
  align-items: center;
  width: 100%;
  background: none;
  border: 0;
  padding: 1.5px 0;
  font: inherit;
  color: inherit;
  text-align: left;
  cursor: pointer;
}
.use b {
  text-align: right;
}
.track {
  height: 11px;
  background: var(--hair);
  display: block;
}
.fill {
  display: block;
  height: 100%;
  background: var(--holds);
}
.fill.limits {
  background: var(--signal);
}
.why {
  border-left: 2px solid var(--line);
  padding: 2px 0 6px 10px;
  margin: 2px 0;
}
</style>
