<script setup lang="ts">
// A one-time link: somebody joins a club, or chooses a forgotten password anew.
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive } from 'vue'
import { useRouter } from 'vue-router'
import { answered, client } from '@/shared/api'
import { loadSession } from '@/shared/session'
import { useProblem } from '@/shared/useProblem'
import Door from './Door.vue'
import NewPerson from './NewPerson.vue'

const props = defineProps<{ token: string }>()
const router = useRouter()
const form = reactive({ name: '', password: '' })
const { message, busy, run, of } = useProblem()
const link = useQuery({
  queryKey: ['join', props.token],
  retry: false,
  gcTime: 0,
  queryFn: () =>
    answered(client.GET('/api/session/join/{token}', { params: { path: { token: props.token } } })),
})
const opens = computed(() => link.data.value ?? null)
const closed = computed(() => link.error.value?.message ?? '')
const invited = computed(() => opens.value?.kind === 'invitation')
const MAY: Record<string, string> = {
  owner: 'You will own it with the others: people, deletion, everything.',
  coach: 'You will measure, fit, log and prescribe.',
  read_only: 'You will see everything and change nothing.',
}

async function join() {
  const joined = await run(async () => {
    await answered(client.POST('/api/session/join', { body: { ...form, token: props.token } }))
    return loadSession()
  })
  if (joined) await router.push('/')
}
</script>

<template>
  <Door :heading="opens ? (invited ? `Join ${opens.club}.` : 'Choose a new password.') : 'One moment.'">
    <p v-if="closed" class="signal mt-6" role="alert">{{ closed }}</p>
    <template v-if="opens">
      <p class="soft mt-2">
        {{ opens.email }}<template v-if="invited">. {{ MAY[opens.role] }}</template>
        <template v-else>, {{ opens.club }}. Everywhere else you will be signed out.</template>
      </p>
      <form class="mt-6" novalidate @submit.prevent="join">
        <NewPerson v-model:name="form.name" v-model:password="form.password" :named="invited" :of="of" />
        <p v-if="message" class="signal mt-3" role="alert">{{ message }}</p>
        <v-btn class="mt-4" variant="flat" type="submit" :disabled="busy">{{
          invited ? 'Join the club' : 'Use this password'
        }}</v-btn>
      </form>
    </template>
    <p class="mt-6"><router-link :to="{ name: 'sign-in' }">To signing in</router-link></p>
  </Door>
</template>
