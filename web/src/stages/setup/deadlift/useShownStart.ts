// A start in full, asked at every step of the hand; an old answer never overwrites a newer one.
import { computed, ref, watch, type Ref } from 'vue'
import { poseAt } from '@/figure/pose'
import { answered, client, type Schemas } from '@/shared/api'
import {
  isDeadlift,
  type DeadliftSetup,
  type Setup,
  type Shown,
  type ShownSetup,
  type Stop,
} from '../liftPage'
import { stopText } from '../stops'

type Start = Schemas['StartAnswer']
const capital = (text: string) => text.slice(0, 1).toUpperCase() + text.slice(1)

const ask = (lifterId: string, setup: DeadliftSetup, loadKg: number) =>
  answered(
    client.POST('/api/lifters/{lifter_id}/deadlift/start', {
      params: { path: { lifter_id: lifterId } },
      body: { setup, load_kg: loadKg },
    }),
  )

/** Each phase stands at its hardest step. */
function stopsOf(answer: Start): Stop[] {
  const most = (index: number) =>
    Math.max(...Object.values(answer.path.use).map((values) => values[index] ?? 0))
  return [...new Set(answer.phases)].map((id) => {
    const steps = answer.phases.flatMap((phase, index) => (phase === id ? [index] : []))
    const index = steps.reduce((a, b) => (most(b) > most(a) ? b : a))
    return { id, name: capital(id), index, text: stopText(answer.path, index) }
  })
}

function shownOf(answer: Start): Shown {
  const stops = stopsOf(answer)
  return {
    pose: poseAt(answer.start, 0),
    predictedMaxKg: answer.predicted_max_kg,
    limiter: answer.limiter,
    reasons: answer.reasons,
    exact: true,
    explanations: answer.explanations,
    way: answer.path,
    stops: stops.map((stop, i) => (i === 0 ? { ...stop, index: 0 } : stop)),
    phases: answer.phases,
    home: stops[0]?.id ?? '',
    start: answer,
  }
}

export function useShownStart(lifterId: string, setup: Ref<Setup | null>, loadKg: Ref<number>): ShownSetup {
  const answer = ref<Start | null>(null)
  const problem = ref<Error | null>(null)
  let asked = 0
  let busy = false
  async function refresh() {
    if (!setup.value) return void (answer.value = null)
    asked += 1
    if (busy) return
    busy = true
    try {
      for (let mine = 0; mine !== asked && setup.value && isDeadlift(setup.value);) {
        mine = asked
        answer.value = await ask(lifterId, setup.value, loadKg.value)
      }
      problem.value = null
    } catch (error) {
      problem.value = error instanceof Error ? error : new Error(String(error))
    } finally {
      busy = false
    }
  }
  watch([setup, loadKg], refresh, { immediate: true, deep: true })
  return {
    shown: computed(() => (answer.value ? shownOf(answer.value) : null)),
    problem,
    again: () => void refresh(),
  }
}
