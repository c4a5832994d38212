<script setup lang="ts">
// The cues of the day: tick the one that is given in this set, swap one that does not land.
import { say } from '@/words'
import type { Schemas } from '@/shared/api'
import { useTryCue } from '@/shared/useTryCue'
import type { Lift } from './draft'

defineProps<{ lifterId: string; lift: Lift; cues: Schemas['CueAnswer'][]; mayWrite: boolean }>()
const given = defineModel<string>({ required: true })
const { tryCue, problem } = useTryCue()
</script>

<template>
  <section v-if="cues.length">
    <h2>{{ say('log.cues') }}</h2>
    <p v-for="c in cues" :key="c.text" class="cue">
      {{ c.text }}
      <button
        v-if="c.next_id && mayWrite"
        class="linkish small soft"
        :disabled="problem.busy.value"
        @click="tryCue(lifterId, lift, c.next_id)"
      >
        {{ say('log.another') }}
      </button>
      <label v-if="c.id" class="small soft tick"
        ><input type="checkbox" :checked="given === c.id" @change="given = given === c.id ? '' : c.id" />
        {{ say('log.given_in_this_set', { words: c.on_trial ? say('log.on_trial') : '' }) }}</label
      >
    </p>
    <p v-if="problem.message.value" class="small signal" role="alert">{{ problem.message.value }}</p>
  </section>
</template>

<style scoped>
.cue {
  border-left: 3px solid var(--holds);
  padding-left: 10px;
  margin-top: 6px;
}
.tick {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 28px;
}
</style>
