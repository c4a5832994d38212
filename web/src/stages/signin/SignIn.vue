<script setup lang="ts">
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answered, client } from '@/shared/api'
import { loadSession } from '@/shared/session'
import { useProblem } from '@/shared/useProblem'
import Door from './Door.vue'

const route = useRoute()
const router = useRouter()
const email = ref('')
const password = ref('')
const { message, busy, run, of } = useProblem()
const doors = useQuery({
  queryKey: ['doors'],
  gcTime: 0,
  queryFn: () => answered(client.GET('/api/session/doors')),
})

async function enter(ask: () => Promise<unknown>) {
  const done = await run(async () => {
    await ask()
    return loadSession()
  })
  if (done) await router.push(String(route.query.to ?? '/'))
}
const signIn = () =>
  enter(() =>
    answered(client.POST('/api/session', { body: { email: email.value, password: password.value } })),
  )
const enterDemo = () => enter(() => answered(client.POST('/api/session/demo')))
</script>

<template>
  <Door :heading="say('signin.the_set_up_that_this_body')">
    <p class="soft mt-2">{{ say('signin.measures_fits_logs_and_prescribes_for') }}</p>
    <form class="mt-6" novalidate @submit.prevent="signIn">
      <v-text-field
        v-model="email"
        :label="say('signin.e_mail')"
        type="email"
        autocomplete="username"
        :error-messages="of('email')"
      />
      <v-text-field
        v-model="password"
        class="mt-3"
        :label="say('signin.password')"
        type="password"
        autocomplete="current-password"
        :error-messages="of('password')"
      />
      <p v-if="message" class="signal mt-3" role="alert">{{ message }}</p>
      <v-btn class="mt-4" variant="flat" type="submit" :disabled="busy">{{ say('signin.sign_in') }}</v-btn>
    </form>
    <div v-if="doors.data.value?.own_club || doors.data.value?.demo" class="doors mt-6">
      <v-btn v-if="doors.data.value.own_club" :to="{ name: 'start-club' }">{{
        say('signin.start_your_own_club')
      }}</v-btn>
      <v-btn v-if="doors.data.value.demo" :disabled="busy" @click="enterDemo">{{
        say('signin.enter_the_demo_club')
      }}</v-btn>
    </div>
    <p v-else class="soft small mt-6">{{ say('signin.a_club_of_your_own_ask') }}</p>
  </Door>
</template>

<style scoped>
.doors {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
  border-top: 1px solid var(--line);
  padding-top: 16px;
}
</style>
