<script setup lang="ts">
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answered, client } from '@/shared/api'
import { loadSession } from '@/shared/session'
import { useProblem } from '@/shared/useProblem'

const route = useRoute()
const router = useRouter()
const email = ref('')
const password = ref('')
const { message, busy, run, of } = useProblem()

async function enter(ask: () => Promise<unknown>) {
  const done = await run(async () => {
    await ask()
    return loadSession()
  })
  if (done) await router.push(String(route.query.to ?? '/'))
}
const signIn = () =>
  enter(() => answered(client.POST('/api/session', { body: { email: email.value, password: password.value } })))
const enterDemo = () => enter(() => answered(client.POST('/api/session/demo')))
</script>

<template>
  <main class="door">
    <div class="plumb" aria-hidden="true" />
    <div class="words">
      <p class="brand">Pavr<span class="signal">|</span>k</p>
      <h1>The set-up that this body allows, and what it is worth.</h1>
      <p class="soft mt-2">Measures, fits, logs and prescribes for powerlifting coaches, and says why.</p>
      <form class="mt-6" novalidate @submit.prevent="signIn">
        <v-text-field v-model="email" label="E-mail" type="email" autocomplete="username" :error-messages="of('email')" />
        <v-text-field
          v-model="password" class="mt-3" label="Password" type="password" autocomplete="current-password"
          :error-messages="of('password')"
        />
        <p v-if="message" class="signal mt-3" role="alert">{{ message }}</p>
        <div class="mt-4 acts">
          <v-btn variant="flat" type="submit" :disabled="busy">Sign in</v-btn>
          <v-btn :disabled="busy" @click="enterDemo">Enter the demo club</v-btn>
        </div>
      </form>
      <p class="soft small mt-8">
        Lifting can hurt people. Pavrik is a static model, not a diagnosis; licensed clinicians, the rule book in
        force and the gym's rules go before it.
      </p>
    </div>
  </main>
</template>

<style scoped>
.door { min-height: 100vh; display: grid; place-items: center; position: relative; padding: 24px; }
.plumb { position: absolute; left: 18vw; top: 0; bottom: 12vh; border-left: 1.5px dashed var(--body-line); }
.plumb::after { content: ''; position: absolute; bottom: -18px; left: -8px; border: 7px solid transparent; border-top: 18px solid var(--ink); border-bottom: 0; }
.words { max-width: 420px; width: 100%; }
.brand { font-size: 28px; font-weight: 800; }
.acts { display: flex; gap: 8px; flex-wrap: wrap; }
@media (max-width: 760px) { .plumb { display: none; } }
</style>
