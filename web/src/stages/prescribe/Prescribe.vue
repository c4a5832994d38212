<script setup lang="ts">
// What the lifter does next, with a reason on every line: the plan, the variations, one load alone.
import { say } from '@/words'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import StageHead from '@/shared/StageHead.vue'
import Waiting from '@/shared/Waiting.vue'
import { useSession } from '@/shared/session'
import { useLifter } from '@/shared/useLifter'
import ByHand from './ByHand.vue'
import NextLoad from './NextLoad.vue'
import PlanForm from './PlanForm.vue'
import PlanNews from './PlanNews.vue'
import PlanOut from './PlanOut.vue'
import PlanSheet from './PlanSheet.vue'
import Variations from './Variations.vue'
import { usePlan, type PlanFrame } from './usePlan'
import { today } from '@/shared/clock'
import { dayWords, titleOf } from './words'

const props = defineProps<{ lifterId: string }>()
const VIEWS = {
  plan: say('prescribe.plan'),
  variations: say('prescribe.variations'),
  load: say('prescribe.one_load'),
} as const
type View = keyof typeof VIEWS
const route = useRoute()
const router = useRouter()
const { mayWrite } = useSession()
const { data: lifter } = useLifter(() => props.lifterId)
const { standing, plan, problem, make, follow, withdraw, edit } = usePlan(props.lifterId)
const view = computed<View>(() =>
  typeof route.query.view === 'string' && route.query.view in VIEWS ? (route.query.view as View) : 'plan',
)
const show = (wanted: View) => router.replace({ query: { ...route.query, view: wanted } })
const anew = ref(false)
const out = ref(false)
async function keep(frame: PlanFrame) {
  if (await make(frame)) anew.value = false
}
watch(plan, (now) => now && (anew.value = false))
const answer = computed(() => {
  if (view.value === 'variations') return say('prescribe.which_variation_and_why')
  if (view.value === 'load') return say('prescribe.one_load')
  if (!standing.data.value) return say('prescribe.the_plan')
  if (!plan.value || anew.value) return say('prescribe.how_long_which_days_to_which')
  const todayOn = today()
  const next = plan.value.weeks.flatMap((w) => w.days).find((d) => d.on >= todayOn)
  if (!next) return say('prescribe.the_plan_has_run_out_make')
  const lifts = next.lines.filter((l) => ['main', 'second'].includes(l.kind)).map(titleOf)
  const what =
    [...new Set(lifts)].join(' ' + say('prescribe.and') + ' ').toLowerCase() || say('prescribe.support_work')
  return next.on === todayOn ? say('prescribe.today_what', { what }) : `${dayWords(next.on)}: ${what}`
})
</script>

<template>
  <main>
    <StageHead :over="lifter?.profile.name ?? ''" :answer="answer">
      <template v-if="view === 'plan' && plan && !anew">
        <v-btn class="quiet" @click="out = !out">{{ say('prescribe.print_files_link') }}</v-btn>
        <v-btn v-if="mayWrite" class="quiet" @click="anew = true">{{ say('prescribe.plan_anew') }}</v-btn>
      </template>
      <v-btn :to="{ name: 'log', params: { lifterId } }">{{ say('prescribe.to_the_platform') }}</v-btn>
    </StageHead>
    <nav class="tabs" role="tablist" :aria-label="say('prescribe.prescribe')">
      <button v-for="(name, id) in VIEWS" :key="id" role="tab" :aria-selected="view === id" @click="show(id)">
        {{ name }}
      </button>
    </nav>
    <Variations v-if="view === 'variations'" :lifter-id="lifterId" />
    <NextLoad v-else-if="view === 'load'" :lifter-id="lifterId" />
    <Waiting
      v-else-if="!standing.data.value"
      :error="standing.error.value"
      :what="say('prescribe.the_plan')"
      @again="standing.refetch()"
    />
    <PlanForm
      v-else-if="!plan || anew"
      :lifter-id="lifterId"
      :from="standing.data.value.ask ?? null"
      :busy="problem.busy.value"
      :message="problem.message.value"
      @make="keep"
      @leave="anew = false"
    />
    <div v-else class="stands">
      <PlanOut v-if="out" :lifter-id="lifterId" :may-write="mayWrite" has-plan class="note" />
      <p v-if="problem.message.value" class="signal" role="alert">{{ problem.message.value }}</p>
      <PlanNews
        :lifter-id="lifterId"
        :standing="standing.data.value"
        :may-write="mayWrite"
        :busy="problem.busy.value"
        @follow="follow"
      />
      <ByHand
        v-if="standing.data.value.hand"
        :hand="standing.data.value.hand"
        :may-write="mayWrite"
        :busy="problem.busy.value"
        @edit="edit"
      />
      <PlanSheet
        :lifter-id="lifterId"
        :plan="plan"
        :volume="standing.data.value.volume ?? []"
        :so-far="standing.data.value.so_far ?? []"
        :may-write="mayWrite"
        :busy="problem.busy.value"
        @edit="edit"
      />
      <p v-if="mayWrite" class="small">
        <button class="linkish soft" :disabled="problem.busy.value" @click="withdraw">
          {{ say('prescribe.take_the_plan_back') }}
        </button>
      </p>
    </div>
  </main>
</template>

<style scoped>
.tabs {
  display: flex;
  gap: 20px;
  padding: 6px 26px 0;
  border-bottom: 1px solid var(--line);
}
.tabs button {
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  border-bottom: 2px solid transparent;
  padding: 6px 0;
  min-height: 36px;
  cursor: pointer;
}
.tabs [aria-selected='true'] {
  border-bottom-color: var(--signal);
  font-weight: 700;
}
.stands {
  padding: 14px 26px 40px;
  display: grid;
  gap: 14px;
}
@media (max-width: 760px) {
  .stands,
  .tabs {
    padding-left: 14px;
    padding-right: 14px;
  }
}
</style>
