<script setup lang="ts">
// A lifter's data are his own: everything as one file, and deletion for good on the owner's word.
import { say } from '@/words'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { answered, client, once } from '@/shared/api'
import { forgetCopies, useSession } from '@/shared/session'
import { forgetDraft } from '@/stages/log/draft'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'

const props = defineProps<{ lifterId: string; name: string }>()
const { session } = useSession()
const router = useRouter()
const forget = useForget()
const problem = useProblem()
const asking = ref(false)
const typed = ref('')

async function erase() {
  const gone = await problem.run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/erasure', {
        params: { path: { lifter_id: props.lifterId }, ...once() },
        body: { name: typed.value.trim() || ' ' },
      }),
    ),
  )
  if (!gone) return
  await forgetCopies()
  forgetDraft(props.lifterId)
  await router.push({ name: 'floor' })
  await forget(props.lifterId)
}
</script>

<template>
  <section>
    <h2>{{ say('lifter.data') }}</h2>
    <p class="small">
      <a :href="`/api/lifters/${lifterId}/export`" download>{{
        say('lifter.everything_of_as_one_file', { name })
      }}</a>
      <span class="soft">{{ ' ' }}{{ say('lifter.json_facts_log_plans_with_their') }}</span>
    </p>
    <template v-if="session?.role === 'owner'">
      <p class="small">
        <button class="linkish soft" :aria-expanded="asking" @click="asking = !asking">
          {{ say('lifter.delete_for_good') }}
        </button>
      </p>
      <form v-if="asking" class="note decide" novalidate @submit.prevent="erase">
        <p class="small">{{ say('lifter.this_deletes_with_every_measurement_set', { name }) }}</p>
        <v-text-field v-model="typed" :label="say('lifter.name_of_the_lifter')" autocomplete="off" />
        <p v-if="problem.message.value" class="small signal" role="alert">{{ problem.message.value }}</p>
        <v-btn
          type="submit"
          class="quiet"
          size="small"
          :disabled="problem.busy.value || typed.trim() !== name"
          >{{ say('lifter.delete_everything_of', { name }) }}</v-btn
        >
      </form>
    </template>
  </section>
</template>

<style scoped>
form {
  display: grid;
  gap: 8px;
}
</style>
