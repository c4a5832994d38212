<script setup lang="ts">
// A number with its band on a line that all of a list share.
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'

const props = defineProps<{ span: readonly [number, number]; band?: number[] | null; at: number }>()
const x = computed(() => scaleLinear([props.span[0], Math.max(props.span[1], props.span[0] + 1)], [0, 100]))
const ends = computed(() => {
  const [low, high] = props.band ?? []
  return low === undefined || high === undefined
    ? null
    : { left: `${x.value(low)}%`, right: `${100 - x.value(high)}%` }
})
</script>

<template>
  <span class="line" aria-hidden="true">
    <span v-if="ends" class="band" :style="ends" />
    <span class="at" :style="{ left: `${x(at)}%` }" />
  </span>
</template>

<style scoped>
.line {
  grid-column: 2 / 4;
  position: relative;
  height: 10px;
  margin-top: 3px;
  background: linear-gradient(var(--line), var(--line)) center / 100% 1px no-repeat;
}
.band {
  position: absolute;
  top: 3px;
  height: 4px;
  background: var(--body-line);
  border-radius: 2px;
}
.at {
  position: absolute;
  top: 0;
  width: 2px;
  height: 10px;
  background: var(--signal);
}
</style>
