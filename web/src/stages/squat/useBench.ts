// What the bench shows for a set-up: at once the nearest pose of the computed grid, and when the
// hand rests the exact one. The page computes no mechanics.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch, type Ref } from 'vue'
import { poseAt, type Pose } from '@/figure/pose'
import { answered, client, type Schemas } from '@/shared/api'
import { BAR_ORDER, type BarPosition } from '@/shared/words'
import { requestOf, sameSetup, type Setup } from './useSetup'

export interface Shown {
  pose: Pose
  predictedMaxKg: number
  limiter: string
  reasons: string[]
  exact: boolean
}

const REST_MS = 90
type Grid = Schemas['ExplorerGridAnswer']

const nearest = (axis: number[], value: number) =>
  axis.reduce((best, v, i) => (Math.abs(v - value) < Math.abs(axis[best]! - value) ? i : best), 0)

export function fromGrid(grid: Grid, setup: Setup): Shown {
  const stance = nearest(grid.stance_m, setup.stance_m)
  const toes = nearest(grid.toe_out_deg, setup.toe_out_deg)
  const heel = nearest(grid.heel_lift_m, setup.heel_lift_m)
  const index = (stance * grid.toe_out_deg.length + toes) * grid.heel_lift_m.length + heel
  return {
    pose: poseAt(grid.drawn, index),
    predictedMaxKg: grid.predicted_max_kg[index] ?? 0,
    limiter: grid.limiter[index] ?? '',
    reasons: (grid.reasons_of[index] ?? []).map((i) => grid.reasons[i] ?? ''),
    exact: false,
  }
}

function useGrid(lifterId: string, position: BarPosition, loadKg: Ref<number>) {
  return useQuery({
    queryKey: ['grid', lifterId, position, loadKg],
    staleTime: 60_000,
    placeholderData: (previous: Grid | undefined) => previous,
    queryFn: () =>
      answered(
        client.GET('/api/lifters/{lifter_id}/squat/grid', {
          params: { path: { lifter_id: lifterId }, query: { bar_position: position, load_kg: loadKg.value } },
        }),
      ),
  })
}

export function askExact(lifterId: string, setup: Setup, loadKg: number) {
  return answered(
    client.POST('/api/lifters/{lifter_id}/squat/exact', {
      params: { path: { lifter_id: lifterId } },
      body: { setup: requestOf(setup), load_kg: loadKg },
    }),
  )
}

export function useBench(lifterId: string, setup: Ref<Setup>, loadKg: Ref<number>) {
  const grids = Object.fromEntries(BAR_ORDER.map((p) => [p, useGrid(lifterId, p, loadKg)])) as Record<
    BarPosition,
    ReturnType<typeof useGrid>
  >
  const exact = ref<{ setup: Setup; answer: Schemas['ExactSetupAnswer'] } | null>(null)
  const furniture = ref<Schemas['FurnitureAnswer'] | null>(null)
  const problem = ref<Error | null>(null)
  let asked = 0
  let timer: ReturnType<typeof setTimeout> | undefined

  async function refine() {
    const mine = ++asked
    const wanted = { ...setup.value }
    try {
      const answer = await askExact(lifterId, wanted, loadKg.value)
      if (mine === asked) exact.value = { setup: wanted, answer }
      const found = await answered(
        client.POST('/api/lifters/{lifter_id}/squat/furniture', {
          params: { path: { lifter_id: lifterId } },
          body: { setup: requestOf(wanted), load_kg: loadKg.value },
        }),
      )
      if (mine === asked) furniture.value = found
      problem.value = null
    } catch (error) {
      if (mine === asked) problem.value = error as Error
    }
  }
  watch(
    [setup, loadKg],
    () => {
      clearTimeout(timer)
      timer = setTimeout(refine, REST_MS)
    },
    { immediate: true, deep: true },
  )

  const shown = computed<Shown | null>(() => {
    const known = exact.value
    const same = known !== null && sameSetup(known.setup, setup.value)
    // A bar with a centre of its own has no grid: what was computed last stands until the hand rests.
    if (known && (same || setup.value.specialty)) {
      return {
        pose: poseAt(known.answer.bottom, 0),
        predictedMaxKg: known.answer.predicted_max_kg,
        limiter: known.answer.limiter,
        reasons: known.answer.reasons,
        exact: same,
      }
    }
    const grid = grids[setup.value.bar_position].data.value
    return grid ? fromGrid(grid, setup.value) : null
  })
  const path = computed(() =>
    exact.value && sameSetup(exact.value.setup, setup.value) ? exact.value.answer : null,
  )
  const gridOf = (position: BarPosition) => grids[position].data.value ?? null
  return { shown, path, furniture, problem, gridOf, again: refine }
}
