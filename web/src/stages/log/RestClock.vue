<script setup lang="ts">
// Time since the last set of this lifter; it outlives the page.
import { say } from '@/words'
import { useNow } from '@vueuse/core'
import { computed } from 'vue'

const props = defineProps<{ since: string | null; aimS?: number }>()
const now = useNow({ interval: 1000 })
const seconds = computed(() =>
  props.since ? Math.max(0, Math.floor((now.value.getTime() - Date.parse(props.since)) / 1000)) : null,
)
const shown = computed(() => {
  const s = seconds.value
  if (s === null || s > 5400) return null
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`
})
</script>

<template>
  <p v-if="shown" class="rest" role="timer" :aria-label="say('log.since_the_last_set', { shown })">
    <span class="big num">{{ shown }}</span> <span class="small soft">{{ say('log.rest') }}</span>
  </p>
</template>

<style scoped>
.rest {
  white-space: nowrap;
}
</style>
