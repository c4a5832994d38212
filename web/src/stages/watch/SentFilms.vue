<script setup lang="ts">
// Films that the lifter sent by the own link and nobody looked at yet.
import { say } from '@/words'
import type { Schemas } from '@/shared/api'
import { useUnits } from '@/shared/units'
import { useSent } from '@/shared/useSent'
import { dayOf } from '@/shared/words'
import { VIEW } from './words'

type Sent = Schemas['SentAnswer']
const props = defineProps<{ lifterId: string }>()
const emit = defineEmits<{ open: [film: Blob, about: Sent] }>()
const { kg } = useUnits()
const { waiting, sayWord, message, busy, run } = useSent(() => props.lifterId, 'film')

async function open(about: Sent) {
  await run(async () => {
    const film = await fetch(`/api/lifters/${props.lifterId}/films/${about.item_id}`)
    if (!film.ok) throw new Error(say('watch.the_film_is_not_there_any'))
    emit('open', await film.blob(), about)
  })
}
</script>

<template>
  <section v-if="waiting.length" class="sent">
    <h2>
      {{ say('watch.sent_by_the_lifter') }} <small>{{ say('watch.kept_until_looked_at_21_days') }}</small>
    </h2>
    <ul>
      <li v-for="one in waiting" :key="one.item_id">
        <span
          ><b>{{ one.lift }} {{ kg(one.load_kg) }}</b
          >{{ one.view ? VIEW[one.view] : '' }}, {{ dayOf(one.performed_at) }}
          <span v-if="one.note" class="small">“{{ one.note }}”</span></span
        >
        <p class="acts">
          <button type="button" class="key yes" :disabled="busy" @click="open(one)">
            {{ say('watch.look_at_it') }}
          </button>
          <button type="button" class="key" :disabled="busy" @click="sayWord(one.item_id, 'declined')">
            {{ say('watch.delete_it') }}
          </button>
        </p>
      </li>
    </ul>
    <p v-if="message" class="signal small" role="alert">{{ message }}</p>
  </section>
</template>

<style scoped src="@/shared/sent.css"></style>
