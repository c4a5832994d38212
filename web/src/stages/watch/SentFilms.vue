<script setup lang="ts">
// Films that the lifter sent by the own link and nobody looked at yet.
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answered, client, once, uuid7, type Schemas } from '@/shared/api'
import { sentQuery } from '@/shared/queries'
import { useUnits } from '@/shared/units'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import { dayOf } from '@/shared/words'
import { VIEW } from './words'

type Sent = Schemas['SentAnswer']
const props = defineProps<{ lifterId: string }>()
const emit = defineEmits<{ open: [film: Blob, about: Sent] }>()
const { kg } = useUnits()
const forget = useForget()
const { message, busy, run } = useProblem()
const sent = useQuery(computed(() => sentQuery(props.lifterId)))
const waiting = computed(() =>
  (sent.data.value ?? []).filter((s) => s.kind === 'film' && s.state === 'waits'),
)

async function open(about: Sent) {
  await run(async () => {
    const film = await fetch(`/api/lifters/${props.lifterId}/films/${about.item_id}`)
    if (!film.ok) throw new Error('the film is not there any more: the lifter may have taken it back')
    emit('open', await film.blob(), about)
  })
}
async function decline(about: Sent) {
  const id = uuid7()
  const said = await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/sent/{item_id}/words', {
        params: { path: { lifter_id: props.lifterId, item_id: about.item_id }, ...once(id) },
        body: { word_id: id, word: 'declined' },
      }),
    ),
  )
  if (said) await forget(props.lifterId)
}
</script>

<template>
  <section v-if="waiting.length" class="sent">
    <h2>Sent by the lifter <small>kept until looked at, 21 days at most</small></h2>
    <ul>
      <li v-for="one in waiting" :key="one.item_id">
        <span
          ><b>{{ one.lift }} {{ kg(one.load_kg) }}</b
          >{{ one.view ? VIEW[one.view] : '' }}, {{ dayOf(one.performed_at) }}
          <span v-if="one.note" class="small">“{{ one.note }}”</span></span
        >
        <button type="button" class="key yes" :disabled="busy" @click="open(one)">Look at it</button>
        <button type="button" class="key" :disabled="busy" @click="decline(one)">Delete it</button>
      </li>
    </ul>
    <p v-if="message" class="signal small" role="alert">{{ message }}</p>
  </section>
</template>

<style scoped>
.sent {
  border-left: 3px solid var(--signal);
  padding-left: 12px;
  margin-bottom: 16px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 4px 0 0;
}
li {
  display: flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
  padding: 5px 0;
}
.key {
  padding: 2px 12px;
}
.yes {
  border-color: var(--ink);
  font-weight: 600;
}
</style>
