<script setup lang="ts">
// Sets that the lifter did alone and sent by the own link: they count once a coach says so.
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answered, client, once, uuid7 } from '@/shared/api'
import { sentQuery } from '@/shared/queries'
import { useSession } from '@/shared/session'
import { useUnits } from '@/shared/units'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import { dayOf } from '@/shared/words'

const props = defineProps<{ lifterId: string }>()
const { kg } = useUnits()
const { mayWrite } = useSession()
const forget = useForget()
const { message, busy, run } = useProblem()
const sent = useQuery(computed(() => sentQuery(props.lifterId)))
const waiting = computed(() => (sent.data.value ?? []).filter((s) => s.kind === 'set' && s.state === 'waits'))

async function say(itemId: string, word: 'accepted' | 'declined') {
  const id = uuid7()
  const said = await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/sent/{item_id}/words', {
        params: { path: { lifter_id: props.lifterId, item_id: itemId }, ...once(id) },
        body: { word_id: id, word },
      }),
    ),
  )
  if (said) await forget(props.lifterId)
}
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
          <button type="button" class="key yes" :disabled="busy" @click="say(one.item_id, 'accepted')">
            Count it
          </button>
          <button type="button" class="key" :disabled="busy" @click="say(one.item_id, 'declined')">
            Leave it out
          </button>
        </p>
      </li>
    </ul>
    <p v-if="message" class="signal small" role="alert">{{ message }}</p>
  </section>
</template>

<style scoped>
.sent {
  border-left: 3px solid var(--signal);
  padding-left: 12px;
  margin-bottom: 18px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 4px 0 0;
}
li {
  border-top: 1px solid var(--hair);
  padding: 6px 0;
}
.acts {
  display: flex;
  gap: 6px;
  margin-top: 4px;
}
.key {
  padding: 2px 12px;
}
.yes {
  border-color: var(--ink);
  font-weight: 600;
}
</style>
