<script setup lang="ts">
// A lifter leaves the club, and comes back whole.
import { say } from '@/words'
import { answered, client, once } from '@/shared/api'
import { useSession } from '@/shared/session'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import { dayOf } from '@/shared/words'

const props = defineProps<{ lifterId: string; name: string; awaySince: string | null }>()
const { mayWrite } = useSession()
const forget = useForget()
const { message, busy, run } = useProblem()

async function set(here: boolean) {
  await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/presence', {
        params: { path: { lifter_id: props.lifterId }, ...once() },
        body: { here },
      }),
    ),
  )
  await forget(props.lifterId)
}
</script>

<template>
  <section v-if="awaySince" class="note decide" role="status">
    <p>
      <b>{{ say('lifter.left_the_club_on', { name, awaySince: dayOf(awaySince) }) }}</b>
      <span class="soft">{{ ' ' }}{{ say('lifter.on_no_list_and_in_no') }}</span>
    </p>
    <v-btn v-if="mayWrite" class="mt-2" size="small" :disabled="busy" @click="set(true)">{{
      say('lifter.back_in_the_club')
    }}</v-btn>
    <p v-if="message" class="signal small" role="alert">{{ message }}</p>
  </section>
  <p v-else-if="mayWrite" class="small">
    <button type="button" class="linkish soft" :disabled="busy" @click="set(false)">
      {{ say('lifter.left_the_club') }}
    </button>
    <span class="soft">{{ ' ' }}{{ say('lifter.off_the_floor_and_out_of') }}</span>
    <span v-if="message" class="signal" role="alert">{{ ' ' }}{{ message }}</span>
  </p>
</template>
