<script setup lang="ts">
// A one-time link for somebody new, and the links that wait to be used.
import { say } from '@/words'
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
      {{ say('people.invite_somebody') }}
      <small>{{
        say('people.by_a_link', {
          that: byMail ? say('people.that_goes_by_mail_and_is') : say('people.that_you_hand_over_yourself'),
        })
      }}</small>
    </h2>
    <form class="short-form" novalidate @submit.prevent="invite">
      <v-text-field
        v-model="email"
        :label="say('people.e_mail')"
        type="email"
        :error-messages="of('email')"
      />
      <OneOf v-model="role" :label="say('people.role')" :options="ROLES" />
      <v-btn type="submit" :disabled="busy || !email.trim()">{{
        byMail ? say('people.make_and_send_the_link') : say('people.make_the_link')
      }}</v-btn>
    </form>
    <p v-if="message && !of('email').length" class="signal" role="alert">{{ message }}</p>
    <JoinLink v-if="made" :link="made" />
    <ul v-if="links.length" class="links">
      <li v-for="l in links" :key="l.link_id" class="small">
        {{
          say('people.invitation_until_expires_at', {
            invitation:
              l.kind === 'invitation'
                ? say('people.invitation_for', { email: l.email })
                : say('people.password_of', { email: l.email }),
            expires_at: dayOf(l.expires_at),
          })
        }}
        <button type="button" class="linkish" :disabled="busy" @click="close(l.link_id)">
          {{ say('people.close_it') }}
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.links {
  padding-left: 18px;
}
</style>
