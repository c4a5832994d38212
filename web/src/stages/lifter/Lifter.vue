<script setup lang="ts">
// What is settled, what is open, what hurts, and which schools this lifter follows.
import { say } from '@/words'
import { computed, ref, watch } from 'vue'
import StageHead from '@/shared/StageHead.vue'
import Waiting from '@/shared/Waiting.vue'
import { answered, client, once } from '@/shared/api'
import { useSession } from '@/shared/session'
import { useUnits } from '@/shared/units'
import { useForget, useLifter } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import { dayOf } from '@/shared/words'
import BodyMass from './BodyMass.vue'
import KnownLifts from './KnownLifts.vue'
import LifterData from './LifterData.vue'
import LifterSchools from './LifterSchools.vue'
import PainFlags from './PainFlags.vue'
import Presence from './Presence.vue'
import ProfileForm from './ProfileForm.vue'
import { emptyProfile, typed, untyped } from './profile'

const props = defineProps<{ lifterId: string }>()
const units = useUnits()
const { kg } = units
const { mayWrite } = useSession()
const forget = useForget()
const lifter = useLifter(() => props.lifterId)
const at = computed(() => ({ path: { lifter_id: props.lifterId } }))

const form = ref(emptyProfile())
const touched = ref(false)
watch(
  () => lifter.data.value,
  (record) => {
    if (record && !touched.value) form.value = typed(record.profile, units)
  },
  { immediate: true },
)
watch(
  form,
  (now) => {
    const record = lifter.data.value
    touched.value = !record || JSON.stringify(now) !== JSON.stringify(typed(record.profile, units))
  },
  { deep: true },
)
const { message, busy, run, of } = useProblem()
async function save() {
  const done = await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/profile', {
        params: { ...at.value, ...once() },
        body: untyped(form.value, units),
      }),
    ),
  )
  if (!done) return
  touched.value = false
  await forget(props.lifterId)
}
const answer = computed(() => {
  if (lifter.data.value?.away_since) return say('lifter.left_the_club')
  const stages = lifter.data.value?.stages
  if (!stages) return say('lifter.the_lifter')
  const open = Object.entries(stages).filter(([, s]) => s.state !== 'settled' && s.state !== 'drafted')
  if (lifter.data.value?.flags.length) return say('lifter.something_hurts_loads_are_capped_until')
  if (stages.squat?.state === 'out of date')
    return say('lifter.squat_out_of_date', { note: stages.squat.note })
  return open.length
    ? say('lifter.still_open', { open: open.map(([name]) => name).join(', ') })
    : say('lifter.settled_train')
})
</script>

<template>
  <main>
    <StageHead :over="lifter.data.value?.profile.name ?? ''" :answer="answer">
      <v-btn :to="{ name: 'measure', params: { lifterId } }">{{ say('lifter.measure') }}</v-btn>
      <v-btn variant="flat" :to="{ name: 'squat', params: { lifterId } }">{{
        say('lifter.fit_the_squat')
      }}</v-btn>
    </StageHead>
    <Waiting
      v-if="!lifter.data.value"
      :error="lifter.error.value"
      :what="say('lifter.the_lifter')"
      @again="lifter.refetch()"
    />
    <div v-else class="columns">
      <div class="part">
        <Presence
          v-if="lifter.data.value.away_since"
          :lifter-id="lifterId"
          :name="lifter.data.value.profile.name"
          :away-since="lifter.data.value.away_since"
        />
        <PainFlags :lifter-id="lifterId" :flags="lifter.data.value.flags" />
        <BodyMass
          :lifter-id="lifterId"
          :profile="lifter.data.value.profile"
          :masses="lifter.data.value.masses"
        />
        <KnownLifts :lifter-id="lifterId" :known="lifter.data.value.known" />
        <section>
          <h2>
            {{ say('lifter.best_lifts') }} <small>{{ say('lifter.estimated_from_the_log') }}</small>
          </h2>
          <table v-if="lifter.data.value.bests.length" class="plain mt-1">
            <thead>
              <tr>
                <th>{{ say('lifter.lift') }}</th>
                <th>{{ say('lifter.estimated_max') }}</th>
                <th>{{ say('lifter.from') }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="b in lifter.data.value.bests" :key="b.lift + b.variation">
                <td>{{ b.variation === 'competition' ? b.lift : b.variation }}</td>
                <td>
                  <b>{{ kg(b.estimated_max_kg) }}</b>
                </td>
                <td class="soft">
                  {{ b.reps }} × {{ kg(b.load_kg) }}<template v-if="b.rpe"> @ {{ b.rpe }}</template
                  >, {{ dayOf(b.performed_at) }}
                </td>
              </tr>
            </tbody>
          </table>
          <p v-else class="soft">{{ say('lifter.no_set_logged_yet_strengths_are') }}</p>
        </section>
      </div>
      <div class="part">
        <form novalidate @submit.prevent="save">
          <h2 class="mb-3">{{ say('lifter.who') }}</h2>
          <ProfileForm v-model="form" :of="of" />
          <p v-if="message" class="signal mt-3" role="alert">{{ message }}</p>
          <div v-if="mayWrite" class="mt-4">
            <v-btn variant="flat" type="submit" :disabled="busy || !touched">{{ say('lifter.save') }}</v-btn>
          </div>
        </form>
        <LifterSchools :lifter-id="lifterId" :chosen="lifter.data.value.schools" />
        <Presence
          v-if="!lifter.data.value.away_since"
          :lifter-id="lifterId"
          :name="lifter.data.value.profile.name"
          :away-since="null"
        />
        <LifterData :lifter-id="lifterId" :name="lifter.data.value.profile.name" />
        <p class="soft small">{{ say('lifter.history_keeps_what_stood_before') }}</p>
      </div>
    </div>
  </main>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(320px, 500px);
  gap: 40px;
  padding: 20px 26px 40px;
  max-width: 1080px;
}
.part {
  display: grid;
  gap: 26px;
  align-content: start;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
    padding: 14px;
    gap: 24px;
  }
}
</style>
