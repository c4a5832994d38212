<script setup lang="ts">
// The club as one file, for another installation; the demo club can be taken away.
import { say } from '@/words'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { answered, client } from '@/shared/api'
import { forgetCopies, loadSession } from '@/shared/session'
import { useProblem } from '@/shared/useProblem'

defineProps<{ club: string; isDemo: boolean }>()
const router = useRouter()
const { message, busy, run } = useProblem()
const asking = ref(false)

async function remove() {
  const gone = await run(() => answered(client.DELETE('/api/club/demo')))
  if (!gone) return
  await forgetCopies()
  await loadSession()
  await router.push({ name: 'sign-in' })
}
</script>

<template>
  <section class="mt-6">
    <h2>{{ say('people.the_whole_club') }}</h2>
    <p class="small">
      <a href="/api/club/archive" download>{{ say('people.as_one_file', { club }) }}</a>
      <span class="soft">{{ ' ' }}{{ say('people.zip_every_lifter_set_plan_and') }} </span>
    </p>
    <template v-if="isDemo">
      <p class="small">
        <button type="button" class="linkish soft" :aria-expanded="asking" @click="asking = !asking">
          {{ say('people.remove_the_demo_club') }}
        </button>
      </p>
      <div v-if="asking" class="note decide">
        <p class="small">{{ say('people.it_goes_with_everything_that_was') }}</p>
        <p v-if="message" class="small signal" role="alert">{{ message }}</p>
        <v-btn class="quiet mt-2" size="small" :disabled="busy" @click="remove">{{
          say('people.remove_it')
        }}</v-btn>
      </div>
    </template>
  </section>
</template>
