<script setup lang="ts">
// Whether a drill's stage was passed: the plan goes on to the next stage by it.
import { say } from '@/words'
import { ref } from 'vue'
import { answered, client, once, uuid7 } from '@/shared/api'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'

const props = defineProps<{ lifterId: string; line: { lift: string; variation: string } }>()
const forget = useForget()
const problem = useProblem()
const said = ref('')
async function sayPassed(passed: boolean) {
  const id = uuid7()
  const kept = await problem.run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/drills', {
        params: { path: { lifter_id: props.lifterId }, ...once(id) },
        body: {
          result_id: id,
          lift: props.line.lift as 'squat',
          stage: props.line.variation,
          passed,
        },
      }),
    ),
  )
  if (!kept) return
  said.value = passed
    ? say('prescribe.passed_the_next_stage_follows')
    : say('prescribe.not_yet_it_stays_in_the')
  await forget(props.lifterId)
}
</script>

<template>
  <p class="small result">
    <button class="linkish" :disabled="problem.busy.value" @click="sayPassed(true)">
      {{ say('prescribe.passed') }}
    </button>
    <button class="linkish soft" :disabled="problem.busy.value" @click="sayPassed(false)">
      {{ say('prescribe.not_yet') }}
    </button>
    <span v-if="said" class="holds" role="status">{{ said }}</span>
    <span v-if="problem.message.value" class="signal" role="alert">{{ problem.message.value }}</span>
  </p>
</template>

<style scoped>
.result {
  display: flex;
  gap: 12px;
  align-items: baseline;
}
</style>
