<script setup lang="ts">
// A club from elsewhere: its archive comes in, then its owner chooses a password.
import { dateHabit, say } from '@/words'
import { ref } from 'vue'
import { answered, client, type Schemas } from '@/shared/api'
import { asBytes } from '@/shared/files'
import { useProblem } from '@/shared/useProblem'

const props = defineProps<{ token: string }>()
const { message, busy, run } = useProblem()
const arrived = ref<Schemas['ArrivedAnswer'] | null>(null)

async function bring(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  const body = file as unknown as string
  const query = { token: props.token }
  arrived.value =
    (await run(() =>
      answered(client.POST('/api/session/club-archive', { body, ...asBytes, params: { query } })),
    )) ?? null
}
</script>

<template>
  <section class="bring mt-6">
    <h2>{{ say('signin.or_bring_a_club_in_from') }}</h2>
    <template v-if="!arrived">
      <p class="small soft">{{ say('signin.the_zip_that_its_owner_took') }}</p>
      <label class="small pick"
        >{{ say('signin.archive_of_a_club') }}
        <input type="file" accept=".zip,application/zip" :disabled="busy" @change="bring"
      /></label>
      <p v-if="busy" class="small soft" role="status">{{ say('signin.bringing_it_in') }}</p>
      <p v-if="message" class="signal small" role="alert">{{ message }}</p>
    </template>
    <template v-else>
      <p role="status">
        <b>{{ arrived.club }}</b>
        {{
          say('signin.is_here_with_facts_passwords_stayed', {
            facts: arrived.facts.toLocaleString(dateHabit),
            owner_email: arrived.owner_email,
          })
        }}
      </p>
      <v-btn class="mt-4" variant="flat" :to="arrived.path">{{ say('signin.choose_the_password') }}</v-btn>
    </template>
  </section>
</template>

<style scoped>
.bring {
  border-top: 1px solid var(--line);
  padding-top: 16px;
}
.pick {
  display: grid;
  gap: 4px;
  margin-top: 6px;
}
</style>
