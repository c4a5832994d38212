<script setup lang="ts">
// What the coach asks for; the plan is shown before it is kept.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { answered, client, type Schemas } from '@/shared/api'
import { refDebounced } from '@vueuse/core'
import FrameFields from './FrameFields.vue'
import PlanSheet from './PlanSheet.vue'
import { nextMonday } from './words'
import type { PlanFrame } from './usePlan'

const props = defineProps<{
  lifterId: string
  from: Pick<Schemas['PlanAsk'], 'weeks' | 'weekdays' | 'shape' | 'strategy' | 'blocked'> | null
  busy: boolean
  message: string
}>()
const emit = defineEmits<{ make: [frame: PlanFrame]; leave: [] }>()
const frame = ref<PlanFrame>({
  start: nextMonday(),
  weeks: props.from?.weeks ?? 8,
  weekdays: [...(props.from?.weekdays ?? [0, 2, 4])],
  meet: null,
  shape: props.from?.shape ?? 'steady',
  strategy: props.from?.strategy ?? 'placing',
  blocked: [...(props.from?.blocked ?? [])],
})
const REST_MS = 160
const rested = refDebounced(frame, REST_MS)
const preview = useQuery({
  queryKey: ['plan-preview', props.lifterId, rested],
  placeholderData: (previous: Schemas['PlanPreview'] | undefined) => previous,
  retry: false,
  queryFn: () =>
    answered(
      client.POST('/api/lifters/{lifter_id}/plan/preview', {
        params: { path: { lifter_id: props.lifterId } },
        body: rested.value,
      }),
    ),
})
const refused = computed(() => (preview.error.value ? preview.error.value.message : ''))
</script>

<template>
  <div class="form">
    <form novalidate @submit.prevent="emit('make', frame)">
      <FrameFields v-model="frame" with-meet />
      <v-btn variant="flat" type="submit" :disabled="busy || !!refused || !preview.data.value">{{
        say('prescribe.keep_this_plan')
      }}</v-btn>
      <v-btn v-if="from" class="quiet" @click="emit('leave')">{{ say('prescribe.leave_the_old_one') }}</v-btn>
    </form>
    <p v-if="refused" class="signal" role="alert">{{ refused }}</p>
    <p v-if="message" class="signal" role="alert">{{ message }}</p>
    <PlanSheet
      v-if="preview.data.value && !refused"
      :lifter-id="lifterId"
      :plan="preview.data.value.plan"
      :volume="preview.data.value.volume"
      preview
    />
  </div>
</template>

<style scoped>
.form {
  padding: 14px 26px 40px;
  display: grid;
  gap: 14px;
}
form {
  display: flex;
  gap: 16px;
  align-items: end;
  flex-wrap: wrap;
}
@media (max-width: 760px) {
  .form {
    padding: 12px 14px 40px;
  }
}
</style>
