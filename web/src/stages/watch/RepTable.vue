<script setup lang="ts">
// Rep by rep: how long, how fast, and what a view has to say besides.
import { say } from '@/words'
import { speedText, type Reading } from './words'

defineProps<{ reading: Reading }>()
defineEmits<{ go: [time: number] }>()
defineSlots<{
  heads(): unknown
  cells(of: { rep: Reading['reps'][number]; at: number }): unknown
}>()
</script>

<template>
  <h2 class="mt-4">{{ say('watch.rep_by_rep') }}</h2>
  <div class="scroll">
    <table class="plain num">
      <thead>
        <tr>
          <th scope="col">{{ say('watch.rep') }}</th>
          <th scope="col">{{ say('watch.down') }}</th>
          <th scope="col">{{ say('watch.up') }}</th>
          <th scope="col">{{ say('watch.mean_speed') }}</th>
          <slot name="heads" />
        </tr>
      </thead>
      <tbody>
        <tr v-for="(rep, at) in reading.reps" :key="rep.number">
          <th scope="row">
            <button type="button" class="linkish" @click="$emit('go', rep.turn_s)">{{ rep.number }}</button>
          </th>
          <td>{{ rep.down_s.toFixed(2) }} s</td>
          <td>{{ rep.up_s.toFixed(2) }} s</td>
          <td>{{ speedText(rep.mean_m_s) }}</td>
          <slot name="cells" :rep="rep" :at="at" />
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped src="./sheet.css"></style>
