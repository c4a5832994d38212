<script setup lang="ts">
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
    <StageHead :over="session?.club ?? ''" answer="Who is the new lifter?" />
    <form class="sheet-of" novalidate @submit.prevent="add">
      <ProfileForm v-model="form" :of="of" />
      <p v-if="message" class="signal mt-3" role="alert">{{ message }}</p>
      <div class="mt-4"><v-btn variant="flat" type="submit" :disabled="busy">Add, then measure</v-btn></div>
    </form>
    <section class="sheet-of many">
      <h2>Many at once <small>from a CSV or XLSX, one row a lifter</small></h2>
      <p class="small soft">
        Columns: name, sex, body_mass_kg (or body_mass_lb), stature_cm (or stature_in); if you have them
        born_year, goal, training_age, gear, squat_kg, squat_style, squat_on, deadlift_kg, deadlift_style,
        deadlift_on.
      </p>
      <FileIn what="lifters" label="Choose the file" many="lifters" @kept="router.push({ name: 'floor' })" />
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
