<script setup lang="ts">
// Which bar position, stance, toes and heel for this body, how surely, and what limits it.
import { useQuery } from '@tanstack/vue-query'
import { computed, onMounted, onUnmounted, ref, watch } from 'vue'
import StageHead from '@/shared/StageHead.vue'
import Waiting from '@/shared/Waiting.vue'
import { answered, client, once, uuid7 } from '@/shared/api'
import { useSession } from '@/shared/session'
import { useUnits } from '@/shared/units'
import { useForget, useLifter } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import { movedBy, useRepair } from '@/shared/useRepair'
import { BAR_NAMES, BAR_ORDER, dayOf } from '@/shared/words'
import Bench from './Bench.vue'
import { useJob } from '@/shared/useJob'
import { barName, requestOf, type Setup } from './useSetup'
import { measurementsQuery, squatRankingQuery } from '@/shared/queries'

const props = defineProps<{ lifterId: string }>()
const { cm, kg } = useUnits()
const { mayWrite } = useSession()
const forget = useForget()
const { data: lifter } = useLifter(() => props.lifterId)
const path = computed(() => ({ params: { path: { lifter_id: props.lifterId } } }))

const ranking = useQuery(squatRankingQuery(props.lifterId))
const { job, cancel } = useJob(() => ranking.data.value?.job ?? null, () => ranking.refetch())
const rankingNow = computed(() => (ranking.data.value ? { ...ranking.data.value, job: job.value } : null))
const hopM = computed(() => lifter.value?.screens.find((s) => s.kind === 'hop')?.value ?? null)
const sheet = useQuery(measurementsQuery(props.lifterId))
const settled = useQuery({
  queryKey: ['settled', props.lifterId],
  queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/squat/settled', path.value)),
})

const start = computed<Setup | null>(() => {
  if (!ranking.data.value || settled.isPending.value) return null
  const from = settled.data.value?.setup ?? ranking.data.value.leaders[0]?.setup
  return {
    bar_position: (from?.bar_position ?? 'high') as Setup['bar_position'],
    stance_m: from?.stance_m ?? 0.42,
    toe_out_deg: Math.round(from?.toe_out_deg ?? 20),
    heel_lift_m: from?.heel_lift_m ?? 0,
    ...(settled.data.value?.setup.specialty ? { specialty: settled.data.value.setup.specialty } : {}),
  }
})
const startLoad = computed(() => {
  const best = ranking.data.value?.leaders[0]?.predicted_max_kg ?? lifter.value?.bests[0]?.estimated_max_kg ?? 60
  return Math.round((best * 0.9) / 2.5) * 2.5
})
const over = computed(() => {
  const profile = lifter.value?.profile
  return profile ? `${profile.name} · ${kg(profile.mass_kg)} · ${cm(profile.stature_m, 0)}` : ''
})
const heading = computed(() => {
  const words = ranking.data.value?.verdict ?? 'Fitting …'
  return words.charAt(0).toUpperCase() + words.slice(1)
})
const shortHeading = computed(() => {
  const r = ranking.data.value
  const [first, second] = r?.leaders ?? []
  if (!r || !first) return r ? 'No squat to full depth is feasible yet' : 'Fitting …'
  const place = (c: typeof first) => `${BAR_NAMES[c.setup.bar_position]}, ${cm(c.setup.stance_m, 0)}`
  if (first.chance_best == null) return `${place(first)}, toes ${first.setup.toe_out_deg.toFixed(0)}° leads; drawing bodies to see how surely`
  const sure = (first.chance_best * 100).toFixed(0)
  if (r.toss_up && second) return `Toss-up: ${place(first)} (${sure} %) or ${place(second)}`
  if (!second) return `Only ${place(first).toLowerCase()}, is open: ${sure} % sure that it holds`
  return `${place(first)}, toes ${first.setup.toe_out_deg.toFixed(0)}° fits best: ${sure} % sure`
})

const settling = ref<Setup | null>(null)
const reason = ref('')
const { message, busy, run } = useProblem()
let key = uuid7()
function askToSettle(setup: Setup) {
  settling.value = setup
  reason.value = ''
  key = uuid7()
}
async function settle() {
  const setup = settling.value
  if (!setup) return
  const done = await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/squat/settled', {
        params: { ...path.value.params, ...once(key) },
        body: { setup_id: key, setup: requestOf(setup), reason: reason.value },
      }),
    ),
  )
  if (!done) return
  settling.value = null
  await forget(props.lifterId)
}

const bench = ref<InstanceType<typeof Bench> | null>(null)
const repair = useRepair<Setup>(bench, (setup, change) => {
  if (change.bar === 'higher') return { bar_position: BAR_ORDER[Math.min(BAR_ORDER.indexOf(setup.bar_position) + 1, BAR_ORDER.length - 1)], specialty: undefined }
  if (change.refit) {
    const best = ranking.data.value?.leaders.find((l) => l.setup.bar_position === setup.bar_position)?.setup
    return best ? { stance_m: best.stance_m, toe_out_deg: best.toe_out_deg } : null
  }
  return movedBy(setup, change)
})
function onKey(event: KeyboardEvent) {
  if (['INPUT', 'TEXTAREA', 'SELECT'].includes((event.target as HTMLElement).tagName)) return
  if (event.ctrlKey || event.metaKey) return
  if (event.key === 'u') bench.value?.undo()
  if (event.key === 'r') bench.value?.redo()
  if (event.key === 'p') bench.value?.pin()
}
onMounted(() => window.addEventListener('keydown', onKey))
onUnmounted(() => window.removeEventListener('keydown', onKey))
watch(heading, (words) => (document.title = `${words} · Pavrik`))
</script>

<template>
  <main class="squat">
    <StageHead :over="over" :answer="shortHeading">
      <template v-if="bench">
        <v-btn class="quiet" :disabled="!bench.canUndo" @click="bench.undo()">Undo</v-btn>
        <v-btn class="quiet" :disabled="!bench.canRedo" @click="bench.redo()">Redo</v-btn>
        <v-btn :aria-pressed="bench.isPinned" @click="bench.pin()">{{ bench.isPinned ? 'Let A go' : 'Pin as A' }}</v-btn>
        <v-btn v-if="mayWrite" variant="flat" :disabled="!bench.isFeasible" @click="askToSettle(bench.setup)">Settle</v-btn>
      </template>
    </StageHead>
    <p v-if="settled.data.value?.stale_because.length" class="stale signal">
      <b>Settled on {{ dayOf(settled.data.value.settled_at) }}, out of date:</b>
      {{ settled.data.value.stale_because.join(', ') }}.
      <template v-if="settled.data.value.now_kg">Then {{ kg(settled.data.value.predicted_max_kg, 0) }}, now {{ kg(settled.data.value.now_kg, 0) }}.</template>
      Settle again or keep it knowingly.
    </p>
    <p v-if="repair" class="repair" role="status"><b>Against the fault:</b> {{ repair }} Today's set-up is A, the changed one is live.</p>
    <Waiting
      v-if="!start || !sheet.data.value" :error="ranking.error.value ?? sheet.error.value"
      what="Fitting every bar position, stance, toe angle and heel" @again="ranking.refetch()"
    />
    <Bench
      v-else-if="rankingNow" ref="bench" :lifter-id="lifterId" :ranking="rankingNow" :start="start"
      :start-load="startLoad" :segments="sheet.data.value.segments_m" :hop-m="hopM" @cancel="cancel" @again="ranking.refetch()"
    />
    <v-dialog :model-value="settling !== null" aria-labelledby="settle-title" @update:model-value="settling = null">
      <v-card v-if="settling" class="pa-6">
        <h1 id="settle-title">
          Settle on {{ barName(settling).toLowerCase() }}, {{ cm(settling.stance_m, 0) }}, toes {{ settling.toe_out_deg }}°
        </h1>
        <p class="soft mt-1">Today's body, screens and schools, the model's version and its seed are kept with it.</p>
        <v-textarea v-model="reason" class="mt-4" label="Why (optional)" maxlength="1000" />
        <p v-if="message" class="signal mt-2" role="alert">{{ message }}</p>
        <div class="mt-4 acts">
          <v-btn variant="flat" :disabled="busy" @click="settle">Settle and write the card</v-btn>
          <v-btn @click="settling = null">Not yet</v-btn>
        </div>
      </v-card>
    </v-dialog>
  </main>
</template>

<style scoped>
.squat { height: 100vh; display: flex; flex-direction: column; }
@media (max-width: 1080px) { .squat { height: auto; } }
.repair { padding: 6px 26px; border-bottom: 1px solid var(--line); background: var(--sheet); border-left: 3px solid var(--holds); }
.acts { display: flex; gap: 8px; flex-wrap: wrap; }
.stale { padding: 6px 26px; border-bottom: 1px solid var(--line); background: var(--signal-wash); }
</style>
