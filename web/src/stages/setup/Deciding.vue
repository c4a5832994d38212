<script setup lang="ts">
// Which input decides between the leaders, and how far each must move.
import { ref } from 'vue'
import type { Schemas } from '@/shared/api'
import { useLift, type Lift } from '@/shared/lifts'
import { useUnits } from '@/shared/units'
import { percent } from '@/shared/words'

const props = defineProps<{ lift: Lift; deciding: Schemas['DecidingAnswer'] }>()
const { cm } = useUnits()
const { nameOf } = useLift(props.lift)
const open = ref(false)
function move(f: Schemas['FlipOut']): string {
  if (f.by == null) return 'nothing within three errors'
  const size =
    f.unit === 'm'
      ? cm(Math.abs(f.by))
      : f.unit === 'deg'
        ? `${Math.abs(f.by).toFixed(0)}°`
        : percent(Math.abs(f.by))
  return `${size} ${f.by > 0 ? 'more' : 'less'}: ${nameOf(f.to ?? '').toLowerCase()} leads (${f.errors?.toFixed(1)} of its errors)`
}
</script>

<template>
  <div class="note small mt-3">
    <p>
      <b>What decides.</b> <span class="first">{{ deciding.sentence }}.</span>
    </p>
    <button v-if="deciding.flips.length" class="linkish" :aria-expanded="open" @click="open = !open">
      {{ open ? 'Less' : 'Every input, and how far it must move' }}
    </button>
    <ul v-if="open">
      <li v-for="f in deciding.flips" :key="f.name">
        <b>{{ f.words }}</b> {{ f.measured ? '' : '(not measured)' }} <span class="soft">{{ move(f) }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
ul {
  margin: 6px 0 0;
  padding-left: 16px;
}
</style>
