<script setup lang="ts">
// A one-time link for somebody new, and the links that wait to be used.
import { ref } from 'vue'
import OneOf from '@/shared/OneOf.vue'
import { answered, client, once, uuid7, type Schemas } from '@/shared/api'
import { useProblem } from '@/shared/useProblem'
import { dayOf } from '@/shared/words'
import JoinLink from './JoinLink.vue'
import { ROLES, type Role } from './roles'

defineProps<{ links: Schemas['OpenLink'][]; byMail?: boolean }>()
const emit = defineEmits<{ changed: [] }>()
const email = ref('')
const role = ref<Role>('coach')
const made = ref<Schemas['NewLink'] | null>(null)
const { message, busy, run, of } = useProblem()

async function invite() {
  const id = uuid7()
  made.value =
    (await run(() =>
      answered(
        client.POST('/api/people/invitations', {
          params: once(id),
          body: { link_id: id, email: email.value, role: role.value },
        }),
      ),
    )) ?? null
  if (!made.value) return
  email.value = ''
  emit('changed')
}
async function close(linkId: string) {
  await run(() =>
    answered(
      client.POST('/api/people/links/{link_id}/closing', {
        params: { path: { link_id: linkId }, ...once(uuid7()) },
      }),
    ),
  )
  if (made.value?.link_id === linkId) made.value = null
  emit('changed')
}
</script>

<template>
  <section class="mt-6">
    <h2>
      Invite somebody
      <small
        >by a link {{ byMail ? 'that goes by mail and is shown here' : 'that you hand over yourself' }}</small
      >
    </h2>
    <form class="short-form" novalidate @submit.prevent="invite">
      <v-text-field v-model="email" label="E-mail" type="email" :error-messages="of('email')" />
      <OneOf v-model="role" label="Role" :options="ROLES" />
      <v-btn type="submit" :disabled="busy || !email.trim()">{{
        byMail ? 'Make and send the link' : 'Make the link'
      }}</v-btn>
    </form>
    <p v-if="message && !of('email').length" class="signal" role="alert">{{ message }}</p>
    <JoinLink v-if="made" :link="made" />
    <ul v-if="links.length" class="links">
      <li v-for="l in links" :key="l.link_id" class="small">
        {{ l.kind === 'invitation' ? `invitation for ${l.email}` : `password of ${l.email}` }}, until
        {{ dayOf(l.expires_at) }}
        <button type="button" class="linkish" :disabled="busy" @click="close(l.link_id)">close it</button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.links {
  padding-left: 18px;
}
</style>
