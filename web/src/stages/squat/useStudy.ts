// What the server computes about the live set-up beyond the drawing: asked when the hand rests.
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { answered, client, type Schemas } from '@/shared/api'
import { useRested } from '@/shared/useRested'
import { requestOf, type Setup } from './useSetup'

export type Across = 'bar_position' | 'toe_out_deg' | 'shank_deg'

export function useStudy(lifterId: string, live: Ref<Setup>, loadKg: Ref<number>, open: Ref<string>, across: Ref<Across>) {
  const setup = useRested(computed(() => ({ ...live.value })))
  const load = useRested(loadKg)
  const at = { params: { path: { lifter_id: lifterId } } }
  const on = (tab: string) => computed(() => open.value === tab)
  const common = { staleTime: 60_000, placeholderData: keepPreviousData }

  const costs = useQuery({
    ...common, enabled: on('costs'), queryKey: ['costs', lifterId, setup, load],
    queryFn: () => answered(client.POST('/api/lifters/{lifter_id}/squat/costs', { ...at, body: { setup: requestOf(setup.value), load_kg: load.value, amounts: {} } })),
  })
  const paths = useQuery({
    ...common, enabled: on('path'), queryKey: ['paths', lifterId, setup, load],
    queryFn: () => answered(client.POST('/api/lifters/{lifter_id}/squat/paths', { ...at, body: { setup: requestOf(setup.value), load_kg: load.value } })),
  })
  const depth = useQuery({
    ...common, enabled: on('depth'), queryKey: ['depth', lifterId, setup],
    queryFn: () => answered(client.POST('/api/lifters/{lifter_id}/squat/depth', { ...at, body: { setup: requestOf(setup.value) } })),
  })
  const mapFor = computed(() => {
    return { ...setup.value, stance_m: null, across: across.value }
  })
  const map = useQuery({
    ...common, enabled: on('map'), queryKey: ['map', lifterId, mapFor],
    queryFn: () => answered(client.POST('/api/lifters/{lifter_id}/squat/map', { params: { ...at.params, query: { across: across.value } }, body: { setup: requestOf(setup.value) } })),
  })
  const deciding = useQuery({
    queryKey: ['deciding', lifterId], staleTime: 60_000,
    queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/squat/deciding', at)),
  })
  const history = useQuery({
    queryKey: ['settled-history', lifterId], enabled: on('history'),
    queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/squat/settled/history', at)),
  })
  return { costs, paths, depth, map, deciding, history }
}

export type FaultCost = Schemas['FaultCostOut']
