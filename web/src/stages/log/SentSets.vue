<script setup lang="ts">
// Sets that the lifter did alone and sent by the own link: they count once a coach says so.
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
    <h2>Sent by the lifter <small>counts once you say so</small></h2>
    <ul>
      <li v-for="one in waiting" :key="one.item_id">
        <p>
          <b class="num"
            >{{ one.reps }}{{ one.missed_reps ? `+${one.missed_reps} missed` : '' }} ×
            {{ kg(one.load_kg, 2) }}</b
          >
          <span v-if="typeof one.rpe === 'number'"> @ {{ one.rpe }}</span>
          <span class="small soft"> {{ one.lift }}, {{ dayOf(one.performed_at) }}</span>
        </p>
        <p v-if="one.note" class="small">“{{ one.note }}”</p>
        <p v-if="mayWrite" class="acts">
          <button type="button" class="key yes" :disabled="busy" @click="sayWord(one.item_id, 'accepted')">
            Count it
          </button>
          <button type="button" class="key" :disabled="busy" @click="sayWord(one.item_id, 'declined')">
            Leave it out
          </button>
        </p>
      </li>
    </ul>
    <p v-if="message" class="signal small" role="alert">{{ message }}</p>
  </section>
</template>

<style scoped src="@/shared/sent.css"></style>
