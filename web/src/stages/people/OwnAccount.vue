<script setup lang="ts">
// One's own account: name, password, where one is signed in.
import { say } from '@/words'
import { ref, watch } from 'vue'
import { answered, client, type Schemas } from '@/shared/api'
import { loadSession } from '@/shared/session'
import { useProblem } from '@/shared/useProblem'
import { dayOf } from '@/shared/words'

const props = defineProps<{ account: Schemas['OwnAccountAnswer'] }>()
const emit = defineEmits<{ changed: [] }>()
const name = ref(props.account.name)
watch(
  () => props.account.name,
  (now) => (name.value = now),
)
const old = ref('')
const fresh = ref('')
const done = ref('')
const naming = useProblem()
const secret = useProblem()

async function rename() {
  const renamed = await naming.run(() =>
    answered(client.PUT('/api/session/account/name', { body: { name: name.value } })),
  )
  if (!renamed) return
  await loadSession()
  emit('changed')
}
async function change() {
  done.value = ''
  const changed = await secret.run(() =>
    answered(client.PUT('/api/session/account/password', { body: { old: old.value, new: fresh.value } })),
  )
  if (!changed) return
  old.value = fresh.value = ''
  done.value = say('people.changed_every_other_device_is_signed')
  emit('changed')
}
async function end(sessionId: string) {
  await secret.run(() =>
    answered(
      client.DELETE('/api/session/account/browsers/{session_id}', {
        params: { path: { session_id: sessionId } },
      }),
    ),
  )
  emit('changed')
}
</script>

<template>
  <section>
    <h2>
      {{ say('people.you') }} <small>{{ account.email }}</small>
    </h2>
    <form class="short-form" novalidate @submit.prevent="rename">
      <v-text-field
        v-model="name"
        :label="say('people.name')"
        maxlength="80"
        :error-messages="naming.of('name')"
      />
      <v-btn
        class="quiet"
        type="submit"
        :disabled="naming.busy.value || !name.trim() || name === account.name"
        >{{ say('people.save_the_name') }}</v-btn
      >
    </form>
    <form class="short-form" novalidate @submit.prevent="change">
      <v-text-field
        v-model="old"
        :label="say('people.password_of_today')"
        type="password"
        autocomplete="current-password"
        :error-messages="secret.of('old')"
      />
      <v-text-field
        v-model="fresh"
        :label="say('people.new_password_12_characters_or_more')"
        type="password"
        autocomplete="new-password"
        :error-messages="[...secret.of('new'), ...secret.of('password')]"
      />
      <v-btn class="quiet" type="submit" :disabled="secret.busy.value || !old || !fresh">{{
        say('people.change_the_password')
      }}</v-btn>
      <p v-if="done" class="holds small" role="status">{{ done }}</p>
    </form>
    <h2 class="mt-4">{{ say('people.signed_in') }}</h2>
    <ul class="browsers">
      <li v-for="b in account.browsers" :key="b.session_id" class="small">
        {{ say('people.since', { since: dayOf(b.since) })
        }}<template v-if="b.here">{{ say('people.here') }}</template
        ><template v-else
          >,
          <button type="button" class="linkish" @click="end(b.session_id)">
            {{ say('people.sign_out_there') }}
          </button></template
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.browsers {
  padding-left: 18px;
  margin: 4px 0;
}
</style>
