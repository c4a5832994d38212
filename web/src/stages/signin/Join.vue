<script setup lang="ts">
// A one-time link: somebody joins a club, or chooses a forgotten password anew.
import { say } from '@/words'
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
  owner: say('signin.you_will_own_it_with_the'),
  coach: say('signin.you_will_measure_fit_log_and'),
  read_only: say('signin.you_will_see_everything_and_change'),
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
  <Door
    :heading="
      opens
        ? invited
          ? say('signin.join_club', { club: opens.club })
          : say('signin.choose_a_new_password')
        : say('signin.one_moment')
    "
  >
    <p v-if="closed" class="signal mt-6" role="alert">{{ closed }}</p>
    <template v-if="opens">
      <p class="soft mt-2">
        {{ opens.email }}<template v-if="invited">. {{ MAY[opens.role] }}</template>
        <template v-else>{{
          say('signin.everywhere_else_you_will_be_signed', { club: opens.club })
        }}</template>
      </p>
      <form class="mt-6" novalidate @submit.prevent="join">
        <NewPerson v-model:name="form.name" v-model:password="form.password" :named="invited" :of="of" />
        <p v-if="message" class="signal mt-3" role="alert">{{ message }}</p>
        <v-btn class="mt-4" variant="flat" type="submit" :disabled="busy">{{
          invited ? say('signin.join_the_club') : say('signin.use_this_password')
        }}</v-btn>
      </form>
    </template>
    <p class="mt-6">
      <router-link :to="{ name: 'sign-in' }">{{ say('signin.to_signing_in') }}</router-link>
    </p>
  </Door>
</template>
