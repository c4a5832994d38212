<script setup lang="ts">
// Which style, stance, toes, hands, feet to bar and shoulders for this body, how surely, and why.
import { useQuery } from '@tanstack/vue-query'
import { computed, onMounted, onUnmounted, ref } from 'vue'
import StageHead from '@/shared/StageHead.vue'
import Waiting from '@/shared/Waiting.vue'
import { answered, client, once, uuid7 } from '@/shared/api'
import { useSession } from '@/shared/session'
import { useUnits } from '@/shared/units'
import { useJob } from '@/shared/useJob'
import { useForget, useLifter } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import { movedBy, useRepair } from '@/shared/useRepair'
import { STYLE_NAMES, dayOf } from '@/shared/words'
import PullBench from './PullBench.vue'
import { requestOf, startOf, type Start } from './usePull'
import { measurementsQuery } from '@/shared/queries'

const props = defineProps<{ lifterId: string }>()
const { cm, kg } = useUnits()
const { mayWrite } = useSession()
const forget = useForget()
const { data: lifter } = useLifter(() => props.lifterId)
const path = computed(() => ({ params: { path: { lifter_id: props.lifterId } } }))
const ranking = useQuery({
  queryKey: ['pull-ranking', props.lifterId],
  queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/deadlift/ranking', path.value)),
})
const { job, cancel } = useJob(() => ranking.data.value?.job ?? null, () => ranking.refetch())
const rankingNow = computed(() => (ranking.data.value ? { ...ranking.data.value, job: job.value } : null))
const sheet = useQuery(measurementsQuery(props.lifterId))
const settled = useQuery({
  queryKey: ['pull-settled', props.lifterId],
  queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/deadlift/settled', path.value)),
})
const DEFAULT: Start = { style: 'conventional', stance_m: 0.3, toe_out_deg: 12, grip_m: 0.54, bar_offset_m: 0.03, shoulder_offset_m: 0.04, bar_height_m: null }
const start = computed(() => {
  if (!ranking.data.value || settled.isPending.value) return null
  const { leaders } = ranking.data.value
  const from = settled.data.value?.setup ?? (leaders.find((l) => !l.setup.style.startsWith('trap')) ?? leaders[0])?.setup
  return from ? startOf(from) : DEFAULT
})
const startLoad = computed(() => Math.round(((ranking.data.value?.leaders[0]?.predicted_max_kg ?? 100) * 0.9) / 2.5) * 2.5)
const over = computed(() => {
  const p = lifter.value?.profile
  return p ? `${p.name} · ${kg(p.mass_kg)} · ${cm(p.stature_m, 0)}` : ''
})
const heading = computed(() => {
  const r = ranking.data.value
  const straight = (r?.leaders ?? []).filter((l) => !l.setup.style.startsWith('trap'))
  const [first, second] = straight
  if (!r) return 'Fitting …'
  if (!first) return 'No pull from the floor holds with a flat back yet'
  const place = (c: typeof first) => `${STYLE_NAMES[c.setup.style]}, ${cm(c.setup.stance_m, 0)}`
  if (first.chance_best == null) return `${place(first)} leads; drawing bodies to see how surely`
  const sure = (first.chance_best * 100).toFixed(0)
  if (r.toss_up && second) return `Toss-up: ${place(first)} (${sure} %) or ${place(second)}`
  if (!second) return `Only ${place(first).toLowerCase()}, is open: ${sure} % sure that it holds`
  return `${place(first)} fits best: ${sure} % sure`
})

const settling = ref<Start | null>(null)
const reason = ref('')
const { message, busy, run } = useProblem()
let key = uuid7()
function askToSettle(setup: Start) {
  settling.value = setup
  reason.value = ''
  key = uuid7()
}
async function settle() {
  if (!settling.value) return
  const body = { setup_id: key, setup: requestOf(settling.value), reason: reason.value }
  const done = await run(() => answered(client.POST('/api/lifters/{lifter_id}/deadlift/settled', { params: { ...path.value.params, ...once(key) }, body })))
  if (!done) return
  settling.value = null
  await forget(props.lifterId)
}
const bench = ref<InstanceType<typeof PullBench> | null>(null)
const repair = useRepair<Start>(bench, (setup, change) => {
  if (change.style === 'frog') return { style: 'frog', toe_out_deg: Math.max(setup.toe_out_deg, 30) }
  if (typeof change.bar_offset_to_m === 'number') return { bar_offset_m: change.bar_offset_to_m }
  if (change.shoulder_offset === 'school') return { shoulder_offset_m: Math.max(setup.shoulder_offset_m, 0.04) }
  return movedBy(setup, change)
})
function onKey(event: KeyboardEvent) {
  if (['INPUT', 'TEXTAREA', 'SELECT'].includes((event.target as HTMLElement).tagName) || event.ctrlKey || event.metaKey) return
  if (event.key === 'u') bench.value?.undo()
  if (event.key === 'r') bench.value?.redo()
  if (event.key === 'p') bench.value?.pin()
}
onMounted(() => window.addEventListener('keydown', onKey))
onUnmounted(() => window.removeEventListener('keydown', onKey))
</script>

<template>
  <main class="pull">
    <StageHead :over="over" :answer="heading">
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
      what="Fitting every style, stance, toe angle, grip and foot distance" @again="ranking.refetch()"
    />
    <PullBench
      v-else-if="rankingNow" ref="bench" :lifter-id="lifterId" :ranking="rankingNow" :start="start" :start-load="startLoad"
      :segments="sheet.data.value.segments_m" @cancel="cancel" @again="ranking.refetch()"
    />
    <v-dialog :model-value="settling !== null" aria-labelledby="settle-title" @update:model-value="settling = null">
      <v-card v-if="settling" class="pa-6">
        <h1 id="settle-title">Settle on {{ STYLE_NAMES[settling.style]?.toLowerCase() }}, {{ cm(settling.stance_m, 0) }}, toes {{ settling.toe_out_deg }}°</h1>
        <p class="soft mt-1">Today's body, screens and schools, the model's version and its seed are kept with it. Do not change style after one bad week.</p>
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
.pull { height: 100vh; display: flex; flex-direction: column; }
.acts { display: flex; gap: 8px; flex-wrap: wrap; }
.stale { padding: 6px 26px; border-bottom: 1px solid var(--line); background: var(--signal-wash); }
@media (max-width: 1080px) { .pull { height: auto; } }
.repair { padding: 6px 26px; border-bottom: 1px solid var(--line); background: var(--sheet); border-left: 3px solid var(--holds); }
</style>
