<script setup lang="ts">
// Pain flags: raised in two taps, cleared only with a reason.
import { say } from '@/words'
import { ref } from 'vue'
import { answered, client, once, type Schemas } from '@/shared/api'
import { useSession } from '@/shared/session'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import { dayOf } from '@/shared/words'

const props = defineProps<{ lifterId: string; flags: Schemas['FlagAnswer'][] }>()
const { mayWrite } = useSession()
const forget = useForget()
const { message, busy, run, of } = useProblem()
const REGIONS: Schemas['FlagRequest']['region'][] = [
  'ankle',
  'knee',
  'hip',
  'lower back',
  'upper back',
  'shoulder',
  'elbow',
  'wrist',
]
const region = ref<Schemas['FlagRequest']['region']>('knee')
const note = ref('')
const raising = ref(false)
const clearing = ref<string | null>(null)
const reason = ref('')

async function raise() {
  const done = await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/flags', {
        params: { path: { lifter_id: props.lifterId }, ...once() },
        body: { region: region.value, note: note.value },
      }),
    ),
  )
  if (!done) return
  raising.value = false
  note.value = ''
  await forget(props.lifterId)
}
async function clear(flagId: string) {
  const done = await run(() =>
    answered(
      client.POST('/api/flags/{flag_id}/clearance', {
        params: { path: { flag_id: flagId }, ...once() },
        body: { reason: reason.value },
      }),
    ),
  )
  if (!done) return
  clearing.value = null
  reason.value = ''
  await forget(props.lifterId)
}
</script>

<template>
  <section>
    <h2>{{ say('lifter.pain') }}</h2>
    <div v-for="flag in flags" :key="flag.flag_id" class="note decide mt-2">
      <p>
        <b>{{ flag.region }}</b>
        <span class="soft">{{ say('lifter.since_raised_at', { raised_at: dayOf(flag.raised_at) }) }}</span>
      </p>
      <p v-if="flag.note">{{ flag.note }}</p>
      <p class="small soft">{{ say('lifter.loads_are_capped_sharp_radiating_or') }}</p>
      <div v-if="clearing === flag.flag_id" class="mt-2">
        <v-text-field
          v-model="reason"
          :label="say('lifter.cleared_because')"
          :error-messages="of('reason')"
        />
        <v-btn class="mt-2" :disabled="busy" @click="clear(flag.flag_id)">{{ say('lifter.clear_it') }}</v-btn>
      </div>
      <button v-else-if="mayWrite" class="linkish small" @click="clearing = flag.flag_id">
        {{ say('lifter.clear_with_a_reason') }}
      </button>
    </div>
    <p v-if="!flags.length" class="soft">{{ say('lifter.nothing_is_flagged') }}</p>
    <div v-if="raising" class="raise mt-2">
      <v-select v-model="region" :label="say('lifter.where')" :items="REGIONS" />
      <v-text-field v-model="note" class="mt-2" :label="say('lifter.what_was_said')" maxlength="1000" />
      <v-btn class="mt-2" :disabled="busy" @click="raise">{{ say('lifter.flag_it_cap_loads') }}</v-btn>
    </div>
    <button v-else-if="mayWrite" class="linkish small mt-2" @click="raising = true">
      {{ say('lifter.something_hurts') }}
    </button>
    <p v-if="message" class="signal small" role="alert">{{ message }}</p>
  </section>
</template>
