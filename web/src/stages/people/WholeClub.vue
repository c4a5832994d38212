<script setup lang="ts">
// The club as one file, for another installation; the demo club can be taken away.
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
    <h2>The whole club</h2>
    <p class="small">
      <a href="/api/club/archive" download>{{ club }} as one file</a>
      <span class="soft">
        ZIP: every lifter, set, plan and word with its time and author, to bring in where another Pavrik runs.
        Passwords and links stay here; keep the file as safe as the club.
      </span>
    </p>
    <template v-if="isDemo">
      <p class="small">
        <button type="button" class="linkish soft" :aria-expanded="asking" @click="asking = !asking">
          Remove the demo club
        </button>
      </p>
      <div v-if="asking" class="note decide">
        <p class="small">
          It goes with everything that was tried in it. “pavrik demo --reset” on this machine brings it back
          as it was at first.
        </p>
        <p v-if="message" class="small signal" role="alert">{{ message }}</p>
        <v-btn class="quiet mt-2" size="small" :disabled="busy" @click="remove">Remove it</v-btn>
      </div>
    </template>
  </section>
</template>
