<script setup lang="ts">
// A plan for every lifter who has none, in the background, with progress.
import { say } from '@/words'
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { answered, client, once, uuid7, type Schemas } from '@/shared/api'
import { useJob } from '@/shared/useJob'
import { useProblem } from '@/shared/useProblem'
import FrameFields from '@/stages/prescribe/FrameFields.vue'
import { nextMonday } from '@/stages/prescribe/words'

defineProps<{ without: number }>()
const emit = defineEmits<{ close: [] }>()
const queries = useQueryClient()
const frame = ref<Schemas['PlanFrame']>({
  start: nextMonday(),
  weeks: 8,
  weekdays: [0, 2, 4],
  meet: null,
  shape: 'steady',
  strategy: 'placing',
  blocked: [],
})
const asked = ref<Schemas['JobAnswer'] | null>(null)
const { message, busy, run } = useProblem()
const { job, cancel } = useJob(asked, () => void queries.invalidateQueries())
async function begin() {
  asked.value =
    (await run(() =>
      answered(client.POST('/api/club/plans', { params: once(uuid7()), body: frame.value })),
    )) ?? null
}
</script>

<template>
  <form class="note club" novalidate @submit.prevent="begin">
    <p>
      <b>{{ say('floor.lifters_have_no_plan', { without }) }}</b>
      {{ say('floor.each_gets_one_from_their_own') }}
    </p>
    <div class="row">
      <FrameFields v-model="frame" />
      <v-btn variant="flat" type="submit" :disabled="busy || job?.state === 'running' || !without">{{
        say('floor.plan_for', { without })
      }}</v-btn>
      <v-btn class="quiet" @click="emit('close')">{{ say('floor.close') }}</v-btn>
    </div>
    <p v-if="message" class="signal" role="alert">{{ message }}</p>
    <p v-if="job" role="status">
      <template v-if="job.state === 'running'"
        ><progress :value="job.progress" max="1" :aria-label="say('floor.plans_made')" />
        {{ Math.round(job.progress * 100) }} %
        <button type="button" class="linkish" @click="cancel">{{ say('floor.stop') }}</button></template
      >
      <span v-else-if="job.state === 'done'" class="holds">{{ say('floor.every_lifter_has_a_plan') }}</span>
      <span v-else class="signal">{{ say('floor.stopped_the_plans_made_until_then') }}</span>
    </p>
  </form>
</template>

<style scoped>
.club {
  margin: 14px 26px 0;
  display: grid;
  gap: 10px;
}
.row {
  display: flex;
  gap: 16px;
  align-items: end;
  flex-wrap: wrap;
}
progress {
  accent-color: var(--holds);
  width: 220px;
}
</style>
