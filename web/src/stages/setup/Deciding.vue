<script setup lang="ts">
// Which input decides between the leaders, and how far each must move.
import { say } from '@/words'
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
  if (f.by == null) return say('setup.nothing_within_three_errors')
  const size =
    f.unit === 'm'
      ? cm(Math.abs(f.by))
      : f.unit === 'deg'
        ? `${Math.abs(f.by).toFixed(0)}°`
        : percent(Math.abs(f.by))
  return say('setup.leads_of_its_errors', {
    size,
    by: f.by > 0 ? 'more' : 'less',
    to: nameOf(f.to ?? '').toLowerCase(),
    errors: f.errors?.toFixed(1),
  })
}
</script>

<template>
  <div class="note small mt-3">
    <p>
      <b>{{ say('setup.what_decides') }}</b> <span class="first">{{ deciding.sentence }}.</span>
    </p>
    <button v-if="deciding.flips.length" class="linkish" :aria-expanded="open" @click="open = !open">
      {{ open ? say('setup.less') : say('setup.every_input_and_how_far_it') }}
    </button>
    <ul v-if="open">
      <li v-for="f in deciding.flips" :key="f.name">
        <b>{{ f.words }}</b> {{ f.measured ? '' : say('setup.not_measured') }}
        <span class="soft">{{ move(f) }}</span>
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
