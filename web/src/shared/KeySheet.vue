<script setup lang="ts">
import { computed } from 'vue'
import { PLATFORM_KEYS } from '@/stages/log/keys'

const shown = defineModel<boolean>({ required: true })
const props = defineProps<{ platform: boolean }>()
const KEYS = [
  ['0', 'the floor'],
  ['1 … 9', 'Lifter, Measure, Squat, Deadlift, Log, Prescribe, Review, Watch, Card of the open lifter'],
  ['Tab', 'to the next handle of the figure'],
  ['← → ↑ ↓', 'nudge the focused handle by one step, with Shift by five'],
  ['u, r', 'undo and redo a change of set-up'],
  ['p', 'pin the set-up as A, again to let it go'],
  [', .', 'in a clip: one picture back and on; space plays'],
]
const ALWAYS = [
  ['/', 'go to a lifter, a stage, a fault'],
  ['?', 'this sheet'],
]
const keys = computed(() => [...(props.platform ? PLATFORM_KEYS : KEYS), ...ALWAYS])
</script>

<template>
  <v-dialog v-model="shown" aria-labelledby="keys-title">
    <v-card class="pa-6">
      <h1 id="keys-title">Keys</h1>
      <table class="plain mt-3">
        <tbody>
          <tr v-for="[key, does] in keys" :key="key">
            <td style="width: 150px">
              <b>{{ key }}</b>
            </td>
            <td>{{ does }}</td>
          </tr>
        </tbody>
      </table>
      <div class="mt-4"><v-btn @click="shown = false">Close</v-btn></div>
    </v-card>
  </v-dialog>
</template>
