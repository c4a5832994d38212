<script setup lang="ts">
// Which set-up for this body, how surely, and what limits it: for every lift.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { onKeyStroke } from '@vueuse/core'
import { computed, ref, watchEffect } from 'vue'
import { useRoute } from 'vue-router'
import StageHead from '@/shared/StageHead.vue'
import Waiting from '@/shared/Waiting.vue'
import { isTyping } from '@/shared/keys'
import { useLift } from '@/shared/lifts'
import { goalsQuery, measurementsQuery, rankingQuery, settledQuery } from '@/shared/queries'
import { useSession } from '@/shared/session'
import { useUnits } from '@/shared/units'
import { useJob } from '@/shared/useJob'
import { useLifter } from '@/shared/useLifter'
import { dayOf, percent } from '@/shared/words'
import Explorer from './Explorer.vue'
import SettleDialog from './SettleDialog.vue'
import Trials from './Trials.vue'
import { styleOf, type LiftPage, type Setup } from './liftPage'
import { useRepair } from './useRepair'

const props = defineProps<{ lifterId: string; page: LiftPage }>()
const BY_MAX = new Set(['competition', 'strength'])
const { id: lift } = props.page
const units = useUnits()
const { cm, kg } = units
const { mayWrite } = useSession()
const { nameOf, isRival } = useLift(lift)
const { data: lifter } = useLifter(() => props.lifterId)
const ranking = useQuery(rankingQuery(lift, props.lifterId))
const settled = useQuery(settledQuery(lift, props.lifterId))
const sheet = useQuery(measurementsQuery(props.lifterId))
const { job, cancel } = useJob(
  () => ranking.data.value?.job ?? null,
  () => ranking.refetch(),
)
const rankingNow = computed(() => (ranking.data.value ? { ...ranking.data.value, job: job.value } : null))
const hopM = computed(() => lifter.value?.screens.find((s) => s.kind === 'hop')?.value ?? null)

const rivals = computed(() => (ranking.data.value?.leaders ?? []).filter((l) => isRival(styleOf(l.setup))))
/** The goal decides what is shown first where the heaviest set-up is not what is wanted. */
const byGoal = computed(() => lifter.value !== undefined && !BY_MAX.has(lifter.value.profile.goal))
const goals = useQuery({
  ...goalsQuery(lift, props.lifterId, { weights: null, target: null, weeks: null }),
  enabled: byGoal,
})
/** The Goal tab asks the same query, so it may load while nothing here waits for it. */
const goalPending = computed(() => byGoal.value && goals.isLoading.value)
const goalFirst = computed(() => {
  const { told, first } = goals.data.value ?? {}
  return told ? (rivals.value.find((l) => styleOf(l.setup) === first) ?? null) : null
})
const start = computed<Setup | null>(() => {
  if (!ranking.data.value || settled.isPending.value || goalPending.value) return null
  const leader = goalFirst.value ?? rivals.value[0] ?? ranking.data.value.leaders[0]
  const from = settled.data.value?.setup ?? leader?.setup
  return props.page.setupOf(from ?? props.page.fresh)
})
const startLoad = computed(() => {
  const best =
    ranking.data.value?.leaders[0]?.predicted_max_kg ??
    lifter.value?.bests.find((b) => b.lift === lift)?.estimated_max_kg ??
    60
  return Math.round((best * 0.9) / 2.5) * 2.5
})
const over = computed(() => {
  const profile = lifter.value?.profile
  return profile ? `${profile.name} · ${kg(profile.mass_kg)} · ${cm(profile.stature_m, 0)}` : ''
})
const heading = computed(() => {
  const [first] = rivals.value
  if (!ranking.data.value) return say('setup.fitting')
  if (!first) return props.page.nothing
  const { kind, sentence } = ranking.data.value.verdict
  const place = say('setup.setup_stance_m_toes_toe_out', {
    setup: nameOf(styleOf(first.setup)),
    stance_m: cm(first.setup.stance_m, 0),
    toe_out_deg: first.setup.toe_out_deg.toFixed(0),
  })
  const families = ranking.data.value.families
  const [best, rival] = families.map(({ styles }) =>
    styles.map((style) => nameOf(style)).join(' ' + say('setup.or') + ' '),
  )
  const bySchool = families.length > 0 && !families[0]?.styles.includes(styleOf(first.setup))
  if (bySchool) return sentence.charAt(0).toUpperCase() + sentence.slice(1)
  if (goalFirst.value)
    return say('setup.most_weight_2', { heading: goals.data.value?.heading, best: best ?? place })
  switch (kind) {
    case 'undecided':
      return say('setup.leads_checking_how_sure_this_is', { place })
    case 'only_one':
      if (rivals.value.length === 1) return say('setup.only_is_open', { place: place.toLowerCase() })
      return sentence.charAt(0).toUpperCase() + sentence.slice(1)
    case 'clear':
      return say('setup.fits_best_sure', { place, chance_best: percent(families[0]?.chance_best ?? 0) })
    case 'worth_a_trial':
      return say('setup.worth_a_trial_against', { best, rival: rival?.toLowerCase() })
    default:
      return sentence.charAt(0).toUpperCase() + sentence.slice(1)
  }
})
watchEffect(() => (document.title = say('setup.heading_pavrik', { heading: heading.value })))

const settling = ref<Setup | null>(null)
const route = useRoute()
const trying = ref(route.query.trial === '1')
const trials = ref<InstanceType<typeof Trials> | null>(null)
/** The leader against the best of the next family: what a trial is about. */
const pair = computed<[Setup, Setup] | null>(() => {
  const [a, ...others] = rivals.value
  const family = ranking.data.value?.families.find((f) => a && f.styles.includes(styleOf(a.setup)))
  const b = others.find((l) => !family?.styles.includes(styleOf(l.setup)))
  return a && b ? [props.page.setupOf(a.setup), props.page.setupOf(b.setup)] : null
})
const worthTrial = computed(
  () => ranking.data.value?.verdict.kind === 'worth_a_trial' && pair.value && !trials.value?.running,
)
const explorer = ref<InstanceType<typeof Explorer> | null>(null)
const repair = useRepair(explorer, (setup, change) =>
  props.page.repaired(setup, change, ranking.data.value ?? null),
)
const KEYS = {
  u: () => explorer.value?.undo(),
  r: () => explorer.value?.redo(),
  p: () => explorer.value?.pin(),
}
onKeyStroke(Object.keys(KEYS), (event) => {
  if (!isTyping(event)) KEYS[event.key as keyof typeof KEYS]()
})
</script>

<template>
  <main class="set-up">
    <StageHead :over="over" :answer="heading">
      <template v-if="explorer">
        <v-btn class="quiet" :disabled="!explorer.canUndo" @click="explorer.undo()">{{
          say('setup.undo')
        }}</v-btn>
        <v-btn class="quiet" :disabled="!explorer.canRedo" @click="explorer.redo()">{{
          say('setup.redo')
        }}</v-btn>
        <v-btn :aria-pressed="explorer.isPinned" @click="explorer.pin()">{{
          explorer.isPinned ? say('setup.let_a_go') : say('setup.pin_as_a')
        }}</v-btn>
        <v-btn v-if="mayWrite && worthTrial" @click="trying = true">{{ say('setup.try_both') }}</v-btn>
        <v-btn
          v-if="mayWrite"
          variant="flat"
          :disabled="!explorer.isFeasible"
          @click="settling = explorer.setup"
          >{{ say('setup.settle') }}</v-btn
        >
      </template>
    </StageHead>
    <p v-if="settled.data.value?.stale_because.length" class="stale signal">
      <b>{{ say('setup.settled_on_out_of_date', { settled_at: dayOf(settled.data.value.settled_at) }) }}</b>
      {{ settled.data.value.stale_because.join(', ') }}.
      <template v-if="settled.data.value.now_kg">{{
        say('setup.then_now', {
          predicted_max_kg: kg(settled.data.value.predicted_max_kg, 0),
          now_kg: kg(settled.data.value.now_kg, 0),
        })
      }}</template>
      {{ say('setup.settle_again_or_keep_it_knowingly') }}
    </p>
    <Trials
      ref="trials"
      v-model="trying"
      :page="page"
      :lifter-id="lifterId"
      :pair="pair"
      :about-kg="0.85 * (lifter?.bests.find((b) => b.lift === lift)?.estimated_max_kg ?? startLoad / 0.9)"
    />
    <p v-if="repair" class="repair" role="status">
      <b>{{ say('setup.against_the_fault') }}</b> {{ say('setup.todays_set_up_is_a_the', { repair }) }}
    </p>
    <Waiting
      v-if="!start || !sheet.data.value"
      :error="ranking.error.value ?? sheet.error.value"
      :what="page.fitting"
      @again="ranking.refetch()"
    />
    <Explorer
      v-else-if="rankingNow"
      ref="explorer"
      :page="page"
      :lifter-id="lifterId"
      :ranking="rankingNow"
      :start="start"
      :start-load="startLoad"
      :segments="sheet.data.value.segments_m"
      :hop-m="hopM"
      @cancel="cancel"
      @again="ranking.refetch()"
    />
    <SettleDialog v-model="settling" :page="page" :lifter-id="lifterId" />
  </main>
</template>

<style scoped>
.set-up {
  height: 100vh;
  display: flex;
  flex-direction: column;
}
@media (max-width: 1080px) {
  .set-up {
    height: auto;
  }
}
.repair {
  padding: 6px 26px;
  border-bottom: 1px solid var(--line);
  background: var(--sheet);
  border-left: 3px solid var(--holds);
}
.stale {
  padding: 6px 26px;
  border-bottom: 1px solid var(--line);
  background: var(--signal-wash);
}
</style>
