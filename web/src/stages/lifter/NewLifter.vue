<script setup lang="ts">
import { say } from '@/words'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import FileIn from '@/shared/FileIn.vue'
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
    <StageHead :over="session?.club ?? ''" :answer="say('lifter.who_is_the_new_lifter')" />
    <form class="sheet-of" novalidate @submit.prevent="add">
      <ProfileForm v-model="form" :of="of" />
      <p v-if="message" class="signal mt-3" role="alert">{{ message }}</p>
      <div class="mt-4">
        <v-btn variant="flat" type="submit" :disabled="busy">{{ say('lifter.add_then_measure') }}</v-btn>
      </div>
    </form>
    <section class="sheet-of many">
      <h2>
        {{ say('lifter.many_at_once') }} <small>{{ say('lifter.from_a_csv_or_xlsx_one') }}</small>
      </h2>
      <p class="small soft">{{ say('lifter.columns_name_sex_body_mass_kg') }}</p>
      <FileIn
        what="lifters"
        :label="say('lifter.choose_the_file')"
        :many="say('lifter.lifters')"
        @kept="router.push({ name: 'floor' })"
      />
    </section>
  </main>
</template>

<style scoped>
.sheet-of {
  padding: 22px 26px;
  max-width: 640px;
}
.many {
  border-top: 1px solid var(--line);
}
</style>
