<script setup lang="ts">
// Sets that the lifter did alone and sent by the own link: they count once a coach says so.
import { say } from '@/words'
import { useSession } from '@/shared/session'
import { useUnits } from '@/shared/units'
import { useSent } from '@/shared/useSent'
import { dayOf } from '@/shared/words'

const props = defineProps<{ lifterId: string }>()
const { kg } = useUnits()
const { mayWrite } = useSession()
const { waiting, sayWord, message, busy } = useSent(() => props.lifterId, 'set')
</script>

<template>
  <section v-if="waiting.length" class="sent">
    <h2>
      {{ say('log.sent_by_the_lifter') }} <small>{{ say('log.counts_once_you_say_so') }}</small>
    </h2>
    <ul>
      <li v-for="one in waiting" :key="one.item_id">
        <p>
          <b class="num"
            >{{ one.reps
            }}{{ one.missed_reps ? say('log.missed_reps_missed', { missed_reps: one.missed_reps }) : '' }} ×
            {{ kg(one.load_kg, 2) }}</b
          >
          <span v-if="typeof one.rpe === 'number'"> @ {{ one.rpe }}</span>
          <span class="small soft">{{ ' ' }}{{ one.lift }}, {{ dayOf(one.performed_at) }}</span>
        </p>
        <p v-if="one.note" class="small">“{{ one.note }}”</p>
        <p v-if="mayWrite" class="acts">
          <button type="button" class="key yes" :disabled="busy" @click="sayWord(one.item_id, 'accepted')">
            {{ say('log.count_it') }}
          </button>
          <button type="button" class="key" :disabled="busy" @click="sayWord(one.item_id, 'declined')">
            {{ say('log.leave_it_out') }}
          </button>
        </p>
      </li>
    </ul>
    <p v-if="message" class="signal small" role="alert">{{ message }}</p>
  </section>
</template>

<style scoped src="@/shared/sent.css"></style>
