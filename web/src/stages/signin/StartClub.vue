<script setup lang="ts">
// A club of one's own: by a one-time link, or as the first one on this machine.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive, watch } from 'vue'
import { useRouter } from 'vue-router'
import { answered, client } from '@/shared/api'
import { loadSession } from '@/shared/session'
import { useProblem } from '@/shared/useProblem'
import BringClub from './BringClub.vue'
import Door from './Door.vue'
import NewPerson from './NewPerson.vue'

const props = defineProps<{ token?: string }>()
const router = useRouter()
const form = reactive({ club: '', name: '', email: '', password: '' })
const { message, busy, run, of } = useProblem()
const link = useQuery({
  queryKey: ['club-link', props.token],
  enabled: !!props.token,
  retry: false,
  queryFn: () =>
    answered(
      client.GET('/api/session/club-link/{token}', { params: { path: { token: props.token ?? '' } } }),
    ),
})
watch(
  () => link.data.value,
  (opens) => opens && Object.assign(form, opens),
)
const closed = computed(() => link.error.value?.message ?? '')

async function start() {
  const started = await run(async () => {
    const time_zone = Intl.DateTimeFormat().resolvedOptions().timeZone ?? ''
    await answered(
      client.POST('/api/session/club', { body: { ...form, time_zone, token: props.token ?? '' } }),
    )
    return loadSession()
  })
  if (started) await router.push('/')
}
</script>

<template>
  <Door :heading="say('signin.start_your_own_club_2')">
    <p class="soft mt-2">{{ say('signin.it_begins_with_a_plain_20') }}</p>
    <p v-if="closed" class="signal mt-6" role="alert">{{ closed }}</p>
    <form v-else class="mt-6" novalidate @submit.prevent="start">
      <v-text-field
        v-model="form.club"
        :label="say('signin.name_of_the_club')"
        maxlength="80"
        :error-messages="of('club')"
      />
      <NewPerson v-model:name="form.name" v-model:password="form.password" named :of="of">
        <v-text-field
          v-model="form.email"
          class="mt-3"
          :label="say('signin.e_mail')"
          type="email"
          autocomplete="username"
          :error-messages="of('email')"
        />
      </NewPerson>
      <p v-if="message" class="signal mt-3" role="alert">{{ message }}</p>
      <v-btn class="mt-4" variant="flat" type="submit" :disabled="busy">{{
        say('signin.start_the_club')
      }}</v-btn>
    </form>
    <BringClub v-if="!closed" :token="token ?? ''" />
    <p class="mt-6">
      <router-link :to="{ name: 'sign-in' }">{{ say('signin.back_to_signing_in') }}</router-link>
    </p>
  </Door>
</template>
