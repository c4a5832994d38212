<script setup lang="ts">
// Settling on a set-up: said what is kept with it, and why, once.
import { say } from '@/words'
import { computed, ref, watch } from 'vue'
import { answered, client, once, uuid7 } from '@/shared/api'
import { useLift } from '@/shared/lifts'
import { useUnits } from '@/shared/units'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import { isDeadlift, styleOf, type LiftPage, type Setup } from './liftPage'

const setup = defineModel<Setup | null>({ required: true })
const props = defineProps<{ page: LiftPage; lifterId: string }>()
const { cm } = useUnits()
const { nameOf } = useLift(props.page.id)
const forget = useForget()
const { message, busy, run } = useProblem()
const reason = ref('')
let key = uuid7()
watch(setup, (now) => {
  if (!now) return
  reason.value = ''
  key = uuid7()
})
const named = computed(() => {
  if (!setup.value) return ''
  const special = isDeadlift(setup.value) ? undefined : setup.value.specialty?.name
  return say('setup.special_stance_m_toes_toe_out', {
    special: (special ?? nameOf(styleOf(setup.value))).toLowerCase(),
    stance_m: cm(setup.value.stance_m, 0),
    toe_out_deg: setup.value.toe_out_deg,
  })
})
function send(wanted: Setup) {
  const params = { path: { lifter_id: props.lifterId }, ...once(key) }
  const about = { setup_id: key, reason: reason.value }
  return isDeadlift(wanted)
    ? client.POST('/api/lifters/{lifter_id}/deadlift/settled', { params, body: { ...about, setup: wanted } })
    : client.POST('/api/lifters/{lifter_id}/squat/settled', { params, body: { ...about, setup: wanted } })
}
async function settle() {
  const wanted = setup.value
  if (!wanted || !(await run(() => answered(send(wanted))))) return
  setup.value = null
  await forget(props.lifterId)
}
</script>

<template>
  <v-dialog :model-value="setup !== null" aria-labelledby="settle-title" @update:model-value="setup = null">
    <v-card v-if="setup" class="pa-6">
      <h1 id="settle-title">{{ say('setup.settle_on', { named }) }}</h1>
      <p class="soft mt-1">
        {{ say('setup.todays_body_screens_and_schools_are', { settling: page.settling }) }}
      </p>
      <v-textarea v-model="reason" class="mt-4" :label="say('setup.why_optional')" maxlength="1000" />
      <p v-if="message" class="signal mt-2" role="alert">{{ message }}</p>
      <div class="mt-4 acts">
        <v-btn variant="flat" :disabled="busy" @click="settle">{{
          say('setup.settle_and_write_the_card')
        }}</v-btn>
        <v-btn @click="setup = null">{{ say('setup.not_yet') }}</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
</style>
