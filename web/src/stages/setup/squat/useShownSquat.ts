// What the squat's explorer shows: at once the nearest pose of the computed grid, and when the hand
// rests the exact one. The page computes no mechanics.
import { say } from '@/words'
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, shallowReactive, type Ref } from 'vue'
import { poseAt } from '@/figure/pose'
import { answered, client, type Schemas } from '@/shared/api'
import { nearest, useLift } from '@/shared/lifts'
import { isDeadlift, type Setup, type Shown, type ShownSetup, type SquatSetup, type Stop } from '../liftPage'
import { sameSetup } from '../useSetup'
import { stopText } from '../stops'

const REST_MS = 90
const FRESH_MS = 60_000
type Grid = Schemas['ExplorerGridAnswer']
type Exact = Schemas['ExactSetupAnswer']
type Position = SquatSetup['bar_position']

export function fromGrid(grid: Grid, setup: SquatSetup): Shown {
  const stance = nearest(grid.stance_m, setup.stance_m)
  const toes = nearest(grid.toe_out_deg, setup.toe_out_deg)
  const heel = nearest(grid.heel_lift_m, setup.heel_lift_m ?? 0)
  const index = (stance * grid.toe_out_deg.length + toes) * grid.heel_lift_m.length + heel
  return {
    pose: poseAt(grid.drawn, index),
    predictedMaxKg: grid.predicted_max_kg[index] ?? 0,
    limiter: grid.limiter[index] ?? '',
    reasons: (grid.reasons_of[index] ?? []).map((i) => grid.reasons[i] ?? ''),
    exact: false,
    explanations: {},
    way: null,
    stops: [],
    phases: [],
    home: 'bottom',
    start: null,
  }
}

function fromExact(answer: Exact, exact: boolean, stops: Stop[]): Shown {
  return {
    pose: poseAt(answer.bottom, 0),
    predictedMaxKg: answer.predicted_max_kg,
    limiter: answer.limiter,
    reasons: answer.reasons,
    exact,
    explanations: exact ? answer.explanations : {},
    way: exact ? answer.path : null,
    stops,
    phases: [],
    home: 'bottom',
    start: null,
  }
}

export function useShownSquat(
  lifterId: string,
  setup: Ref<Setup | null>,
  loadKg: Ref<number>,
  positions: () => Position[],
): ShownSetup {
  const wanted = computed(() => (setup.value && !isDeadlift(setup.value) ? setup.value : null))
  const { phases } = useLift('squat')
  const grids = shallowReactive<Record<string, ReturnType<typeof useGrid>>>({})
  const isThere = (position: string) => grids[position]?.data.value?.load_kg === loadKg.value
  /** The grid of the bar under the hand comes first, the others one after the other behind it. */
  const isTurnOf = (position: Position) => {
    const first = wanted.value?.bar_position
    if (first === undefined || position === first) return first !== undefined
    const names = positions()
    return [first, ...names.slice(0, names.indexOf(position))].every(isThere)
  }
  for (const position of positions())
    grids[position] = useGrid(lifterId, position, loadKg, () => isTurnOf(position))
  const rested = refDebounced(wanted, REST_MS)
  const load = refDebounced(loadKg, REST_MS)
  const exact = useQuery({
    queryKey: ['exact', lifterId, rested, load],
    enabled: () => rested.value !== null,
    staleTime: FRESH_MS,
    placeholderData: (previous: { setup: SquatSetup; answer: Exact } | undefined) => previous,
    queryFn: async () => {
      const asked = rested.value
      if (!asked) throw new Error(say('setup.no_set_up_to_ask_for'))
      const path = { lifter_id: lifterId }
      const answer = await answered(
        client.POST('/api/lifters/{lifter_id}/squat/exact', {
          params: { path },
          body: { setup: asked, load_kg: load.value },
        }),
      )
      return { setup: asked, answer }
    },
  })
  const stopsOf = (answer: Exact): Stop[] =>
    phases.value.map(({ id, name, progress }) => {
      const index = nearest(answer.progress, progress)
      return { id, name, index, text: stopText(answer.path, index) }
    })
  const shown = computed<Shown | null>(() => {
    const now = wanted.value
    if (!now) return null
    const known = exact.data.value
    const same = known !== undefined && sameSetup(known.setup, now)
    // A bar with a centre of its own has no grid: what was computed last stands until the hand rests.
    if (known && (same || now.specialty)) return fromExact(known.answer, same, stopsOf(known.answer))
    const grid = grids[now.bar_position]?.data.value
    const near = grid ? fromGrid(grid, now) : null
    return near && known
      ? { ...near, stops: stopsOf(known.answer).map((stop) => ({ ...stop, text: '' })) }
      : near
  })
  return { shown, problem: exact.error, again: () => void exact.refetch() }
}

function useGrid(lifterId: string, position: Position, loadKg: Ref<number>, wanted: () => boolean) {
  return useQuery({
    queryKey: ['grid', lifterId, position, loadKg],
    enabled: wanted,
    staleTime: FRESH_MS,
    placeholderData: (previous: Grid | undefined) => previous,
    queryFn: () =>
      answered(
        client.GET('/api/lifters/{lifter_id}/squat/grid', {
          params: { path: { lifter_id: lifterId }, query: { bar_position: position, load_kg: loadKg.value } },
        }),
      ),
  })
}
