<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import StageHead from '@/shared/StageHead.vue'
import { answered, client, once, uuid7 } from '@/shared/api'
import { useSession } from '@/shared/session'
import { useUnits } from '@/shared/units'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import ProfileForm from './ProfileForm.vue'
import { emptyProfile, untyped } from './profile'

const router = useRouter()
const units = useUnits()
const { session } = useSession()
const forget = useForget()
const form = ref(emptyProfile())
const lifterId = uuid7()
const { message, busy, run, of } = useProblem()

async function add() {
  const done = await run(() =>
    answered(
      client.POST('/api/lifters', {
        params: once(),
        body: { lifter_id: lifterId, profile: untyped(form.value, units) },
      }),
    ),
  )
  if (!done) return
  await forget(lifterId)
  await router.push({ name: 'measure', params: { lifterId } })
}
</script>

<template>
  <main>
    <StageHead :over="session?.club ?? ''" answer="Who is the new lifter?" />
    <form class="sheet-of" novalidate @submit.prevent="add">
      <ProfileForm v-model="form" :of="of" />
      <p v-if="message" class="signal mt-3" role="alert">{{ message }}</p>
      <div class="mt-4"><v-btn variant="flat" type="submit" :disabled="busy">Add, then measure</v-btn></div>
    </form>
  </main>
</template>

<style scoped>
.sheet-of {
  padding: 22px 26px;
  max-width: 640px;
}
</style>
