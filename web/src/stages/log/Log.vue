<script setup lang="ts">
// The platform: next set with its plates, rep by rep good / fault / miss, RPE, saved once.
import { useQuery } from '@tanstack/vue-query'
import { computed, onMounted, onUnmounted, ref, watch } from 'vue'
import PlateStack from '@/shared/PlateStack.vue'
import StageHead from '@/shared/StageHead.vue'
import Waiting from '@/shared/Waiting.vue'
import { answered, client, once, uuid7 } from '@/shared/api'
import { useSession } from '@/shared/session'
import { useUnits } from '@/shared/units'
import { useForget, useLifter } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import FaultPicker from './FaultPicker.vue'
import RecentSets from './RecentSets.vue'
import { useDraft } from './draft'

const props = defineProps<{ lifterId: string }>()
const { kg, massOf, massUnit, readMass } = useUnits()
const { mayWrite } = useSession()
const forget = useForget()
const { data: lifter } = useLifter(() => props.lifterId)
const at = computed(() => ({ path: { lifter_id: props.lifterId } }))
const catalogue = useQuery({ queryKey: ['catalogue'], staleTime: Infinity, queryFn: () => answered(client.GET('/api/catalogue')) })
const equipment = useQuery({ queryKey: ['equipment'], queryFn: () => answered(client.GET('/api/equipment')) })
const sets = useQuery({
  queryKey: ['sets', props.lifterId],
  queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/sets', { params: { ...at.value, query: { most: 40 } } })),
})
const given = useQuery({
  queryKey: ['prescriptions', props.lifterId],
  queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/prescriptions', { params: at.value })),
})

const { draft, next, isNew } = useDraft(props.lifterId)
const prescribed = computed(() => given.data.value?.find((p) => p.lift === draft.value.lift) ?? null)
const planned = computed(() => prescribed.value?.overruled_kg ?? prescribed.value?.answer.load_kg ?? null)
watch(
  prescribed,
  (p) => {
    if (!isNew || !p || draft.value.reps.length) return
    if (planned.value) draft.value.load_kg = planned.value
    draft.value.aimed_rpe = p.answer.rpe
  },
  { immediate: true },
)

const loadText = ref('')
const loadWrong = ref(false)
watch([() => draft.value.load_kg, massUnit], () => (loadText.value = massOf(draft.value.load_kg, 2)), { immediate: true })
function takeLoad() {
  const value = readMass(loadText.value)
  loadWrong.value = !(value > 0 && value <= 600)
  if (!loadWrong.value) draft.value.load_kg = value
}

const plates = useQuery({
  queryKey: ['plates', computed(() => draft.value.load_kg), computed(() => equipment.data.value)],
  enabled: computed(() => Boolean(equipment.data.value?.plates.length)),
  placeholderData: (previous) => previous,
  queryFn: () => {
    const bar = equipment.data.value!.bars.find((b) => b.mass_kg <= 25) ?? equipment.data.value!.bars[0]
    return answered(
      client.POST('/api/compute/plates', {
        body: { format: 1, target_kg: draft.value.load_kg, bar_kg: bar?.mass_kg ?? 20, collars_kg: bar?.collars_kg ?? 0, plates: equipment.data.value!.plates },
      }),
    )
  },
})
const bar = computed(() => equipment.data.value?.bars.find((b) => b.mass_kg <= 25))

const frequent = computed(() => {
  const counts: Record<string, number> = {}
  for (const s of sets.data.value ?? []) for (const f of s.faults) counts[f.fault_id] = (counts[f.fault_id] ?? 0) + 1
  return counts
})
const faultName = (id: string) => catalogue.data.value?.faults.find((f) => f.id === id)?.name ?? id
const picking = ref(false)
const lastRep = computed(() => Math.max(1, draft.value.reps.length))

function addRep(kind: 'good' | 'miss') {
  draft.value.reps.push(kind)
  picking.value = false
}
function startFault() {
  if (!draft.value.reps.length) draft.value.reps.push('good')
  picking.value = true
}
function faultRep() {
  draft.value.reps.push('good')
  picking.value = true
}
function seen(fault: { fault_id: string; phase: string; severity: number }) {
  draft.value.faults.push({ observation_id: uuid7(), rep: lastRep.value, note: '', ...fault })
}
function undo() {
  const rep = draft.value.reps.length
  if (draft.value.faults.at(-1)?.rep === rep) draft.value.faults.pop()
  else draft.value.reps.pop()
}

const { message, busy, run, of } = useProblem()
const savedWords = ref('')
async function save() {
  const d = draft.value
  const done = await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/sets', {
        params: { ...at.value, ...once(d.key) },
        body: {
          set_id: d.set_id, lift: d.lift, variation: d.variation, load_kg: d.load_kg,
          reps: d.reps.filter((r) => r === 'good').length, missed_reps: d.reps.filter((r) => r === 'miss').length,
          rpe: d.rpe, aimed_rpe: d.aimed_rpe, pull_style: d.lift === 'deadlift' ? (d.pull_style ?? 'dead_stop') : null,
          note: d.note, performed_at: new Date().toISOString(), faults: d.faults,
        },
      }),
    ),
  )
  if (!done) return
  savedWords.value = `Logged ${d.reps.length} reps with ${kg(d.load_kg)}.`
  next()
  await forget(props.lifterId)
}

function onKey(event: KeyboardEvent) {
  if (['INPUT', 'TEXTAREA', 'SELECT'].includes((event.target as HTMLElement).tagName)) return
  if (event.ctrlKey || event.metaKey || event.altKey) return
  if (event.key === 'g') addRep('good')
  if (event.key === 'm') addRep('miss')
  if (event.key === 'f') faultRep()
  if (event.key === 'Backspace') undo()
}
onMounted(() => window.addEventListener('keydown', onKey))
onUnmounted(() => window.removeEventListener('keydown', onKey))

const answer = computed(() => {
  const p = prescribed.value
  if (p && planned.value) return `Next: ${p.answer.sets} × ${p.answer.reps} @ ${p.answer.rpe} with ${kg(planned.value)}`
  return 'Log a set'
})
const RPES = [6, 6.5, 7, 7.5, 8, 8.5, 9, 9.5, 10]
const VARIATIONS = { squat: ['competition', 'high-bar squat', 'front squat', 'pause squat', 'tempo squat', 'box squat'], deadlift: ['competition', 'pause deadlift', 'deficit deadlift', 'block pull', 'Romanian deadlift'] }
</script>

<template>
  <main>
    <StageHead :over="lifter?.profile.name ?? ''" :answer="answer" />
    <p v-if="lifter?.flags.length" class="pain signal">
      Pain flag on the {{ lifter.flags.map((f) => f.region).join(', ') }}: stay under the cap, stop at sharp, radiating or new pain.
    </p>
    <Waiting v-if="!catalogue.data.value" :error="catalogue.error.value" what="The platform" @again="catalogue.refetch()" />
    <div v-else class="platform">
      <section class="now">
        <div class="top">
          <label class="load"><span class="small soft">Load, {{ massUnit }}</span>
            <input v-model="loadText" inputmode="decimal" :aria-invalid="loadWrong" @change="takeLoad" />
          </label>
          <label><span class="small soft">Lift</span>
            <select v-model="draft.lift" @change="draft.variation = 'competition'; draft.faults = []"><option value="squat">Squat</option><option value="deadlift">Deadlift</option></select>
          </label>
          <label><span class="small soft">Variation</span>
            <select v-model="draft.variation"><option v-for="v in VARIATIONS[draft.lift]" :key="v">{{ v }}</option></select>
          </label>
          <label v-if="draft.lift === 'deadlift'"><span class="small soft">Reps from</span>
            <select v-model="draft.pull_style"><option value="dead_stop">dead stop</option><option value="rebound">rebound</option></select>
          </label>
        </div>
        <p v-if="loadWrong" class="signal small" role="alert">A load lies between 0 and 600 kg.</p>
        <template v-if="plates.data.value">
          <PlateStack :per-side="plates.data.value.per_side" :bar-kg="bar?.mass_kg ?? 20" :collars-kg="bar?.collars_kg ?? 0" />
          <p v-if="Math.abs(plates.data.value.error_kg) > 0.01" class="small signal">The plates make {{ kg(plates.data.value.total_kg, 2) }}, {{ kg(Math.abs(plates.data.value.error_kg), 2) }} {{ plates.data.value.error_kg > 0 ? 'more' : 'less' }}.</p>
        </template>

        <div class="reps" aria-live="polite" aria-label="Reps of this set">
          <span v-for="(r, i) in draft.reps" :key="i" :class="['rep', r, { faulty: draft.faults.some((f) => f.rep === i + 1) }]">{{ i + 1 }}</span>
          <span v-if="!draft.reps.length" class="soft">No rep yet.</span>
        </div>
        <ul v-if="draft.faults.length" class="seen small">
          <li v-for="f in draft.faults" :key="f.observation_id">rep {{ f.rep }}: <b>{{ faultName(f.fault_id) }}</b>, {{ f.phase }}, {{ ['slight', 'clear', 'lift-ending'][f.severity - 1] }}</li>
        </ul>
        <div class="keys">
          <button class="key good" :disabled="!mayWrite" @click="addRep('good')">Good</button>
          <button class="key fault" :disabled="!mayWrite" @click="faultRep">Fault</button>
          <button class="key miss" :disabled="!mayWrite" @click="addRep('miss')">Miss</button>
        </div>
        <div class="small minor">
          <button class="linkish" :disabled="!draft.reps.length" @click="undo">Undo the last</button>
          <button class="linkish" :disabled="!draft.reps.length" @click="startFault">Another fault in rep {{ lastRep }}</button>
        </div>
        <FaultPicker v-if="picking" :catalogue="catalogue.data.value" :lift="draft.lift" :rep="lastRep" :frequent="frequent" @seen="seen" @close="picking = false" />

        <div class="rpes" role="radiogroup" aria-label="RPE">
          <span class="small soft">RPE</span>
          <button v-for="r in RPES" :key="r" role="radio" :aria-checked="draft.rpe === r" :class="{ on: draft.rpe === r }" @click="draft.rpe = draft.rpe === r ? null : r">{{ r }}</button>
        </div>
        <v-text-field v-model="draft.note" label="Note" maxlength="1000" :error-messages="of('note')" />
        <p v-if="message" class="note decide" role="alert">{{ message }} <span class="soft">The set is still here.</span></p>
        <p v-if="savedWords && !draft.reps.length" class="holds" role="status">{{ savedWords }}</p>
        <v-btn variant="flat" height="52" block :disabled="busy || !draft.reps.length || loadWrong || !mayWrite" @click="save">Keep the set</v-btn>
      </section>
      <RecentSets :sets="sets.data.value ?? []" :fault-name="faultName" :lifter-id="lifterId" />
    </div>
  </main>
</template>

<style scoped>
.platform { display: grid; grid-template-columns: minmax(0, 560px) minmax(0, 1fr); gap: 36px; padding: 18px 26px 40px; }
.now { display: grid; gap: 12px; align-content: start; }
.pain { padding: 6px 26px; border-bottom: 1px solid var(--line); font-weight: 600; }
.top { display: flex; gap: 10px; flex-wrap: wrap; }
.top label { display: flex; flex-direction: column; }
.top input, .top select { font: inherit; color: var(--ink); background: var(--sheet); border: 1px solid var(--line); border-radius: 3px; height: 46px; padding: 4px 10px; }
.load input { font-size: 28px; font-weight: 700; width: 130px; }
.reps { display: flex; gap: 6px; flex-wrap: wrap; min-height: 40px; align-items: center; }
.rep { width: 38px; height: 38px; border-radius: 50%; display: grid; place-items: center; font-weight: 700; border: 2px solid var(--holds); }
.rep.faulty { border-color: var(--signal); border-style: dashed; }
.rep.miss { border-color: var(--signal); background: var(--signal); color: var(--paper); }
.seen { margin: 0; padding: 0 0 0 16px; }
.keys { display: grid; grid-template-columns: 1.4fr 1fr 1fr; gap: 8px; }
.key { font: inherit; font-size: 19px; font-weight: 700; min-height: 68px; background: var(--sheet); color: var(--ink); border: 1px solid var(--line); border-radius: 3px; cursor: pointer; border-bottom-width: 4px; }
.key.good { border-bottom-color: var(--holds); }
.key.fault, .key.miss { border-bottom-color: var(--signal); }
.key:hover { border-color: var(--ink); }
.minor { display: flex; gap: 18px; }
.rpes { display: flex; gap: 4px; flex-wrap: wrap; align-items: center; }
.rpes button { font: inherit; min-width: 42px; min-height: 42px; background: var(--sheet); color: var(--ink); border: 1px solid var(--line); border-radius: 3px; cursor: pointer; }
.rpes .on { border-color: var(--ink); background: var(--ink); color: var(--paper); font-weight: 700; }
@media (max-width: 900px) { .platform { grid-template-columns: 1fr; padding: 14px; } }
</style>
