<script setup lang="ts">
import { say } from '@/words'
import { computed } from 'vue'
import { PLATFORM_KEYS } from '@/stages/log/keys'

const shown = defineModel<boolean>({ required: true })
const props = defineProps<{ platform: boolean }>()
const KEYS = [
  ['0', say('shared.the_floor')],
  ['1 … 9', say('shared.lifter_measure_squat_deadlift_log_prescribe')],
  ['Tab', say('shared.to_the_next_handle_of_the')],
  ['← → ↑ ↓', say('shared.nudge_the_focused_handle_by_one')],
  ['u, r', say('shared.undo_and_redo_a_change_of')],
  ['p', say('shared.pin_the_set_up_as_a')],
  [', .', say('shared.in_a_clip_one_picture_back')],
]
const ALWAYS = [
  ['/', say('shared.go_to_a_lifter_a_stage_a_fault')],
  ['?', say('shared.this_sheet')],
]
const keys = computed(() => [...(props.platform ? PLATFORM_KEYS : KEYS), ...ALWAYS])
</script>

<template>
  <v-dialog v-model="shown" aria-labelledby="keys-title">
    <v-card class="pa-6">
      <h1 id="keys-title">{{ say('shared.keys') }}</h1>
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
      <div class="mt-4">
        <v-btn @click="shown = false">{{ say('shared.close') }}</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>
