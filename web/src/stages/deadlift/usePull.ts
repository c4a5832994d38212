// The live start on the bench with its limits, undo, redo and a pinned A; and what the server says.
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref, watch, type Ref } from 'vue'
import { answered, client, type Schemas } from '@/shared/api'
import { useRested } from '@/shared/useRested'
import { useHistory } from '@/shared/useHistory'
import type { PullStyle } from '@/shared/words'

export interface Start {
  style: PullStyle
  stance_m: number
  toe_out_deg: number
  grip_m: number
  bar_offset_m: number
  shoulder_offset_m: number
  /** Of the bar's centre; null is the style's own. */
  bar_height_m: number | null
}
export type Across = 'toe_out_deg' | 'bar_offset_m' | 'grip_m'

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value))
const round = (value: number, step: number) => Math.round(value / step) * step
const tidy = (s: Start): Start => ({
  style: s.style,
  stance_m: +round(clamp(s.stance_m, 0.1, 1.1), 0.005).toFixed(3),
  toe_out_deg: Math.round(clamp(s.toe_out_deg, 0, 55)),
  grip_m: +round(clamp(s.grip_m, 0.3, 1.0), 0.01).toFixed(2),
  bar_offset_m: +round(clamp(s.bar_offset_m, -0.03, 0.1), 0.005).toFixed(3),
  shoulder_offset_m: +round(clamp(s.shoulder_offset_m, -0.08, 0.1), 0.01).toFixed(2),
  bar_height_m: s.bar_height_m === null ? null : +clamp(s.bar_height_m, 0.1, 0.7).toFixed(3),
})
export const sameStart = (a: Start, b: Start) => JSON.stringify(tidy(a)) === JSON.stringify(tidy(b))
export const startOf = (s: Schemas['DeadliftSetupIn']): Start =>
  tidy({
    style: s.style, stance_m: s.stance_m, toe_out_deg: s.toe_out_deg, grip_m: s.grip_m,
    bar_offset_m: s.bar_offset_m ?? 0.03, shoulder_offset_m: s.shoulder_offset_m ?? 0.04,
    bar_height_m: s.bar_height_m ?? null,
  })
export const requestOf = (s: Start): Schemas['DeadliftSetupIn'] => ({ ...s })

export function useStart(start: Start) {
  const { live, begin, ...rest } = useHistory(tidy(start), sameStart)
  function change(part: Partial<Start>) {
    live.value = tidy({ ...live.value, ...part })
  }
  function set(part: Partial<Start>) {
    begin()
    change(part)
  }
  return { live: computed(() => live.value), begin, change, set, ...rest }
}

const ask = (lifterId: string, setup: Start, loadKg: number) =>
  answered(client.POST('/api/lifters/{lifter_id}/deadlift/start', { params: { path: { lifter_id: lifterId } }, body: { setup: requestOf(setup), load_kg: loadKg } }))

/** A start in full, asked at every step of the hand; an old answer never overwrites a newer one. */
export function useStartInFull(lifterId: string, setup: Ref<Start | null>, loadKg: Ref<number>) {
  const answer = ref<Schemas['StartAnswer'] | null>(null)
  const problem = ref<Error | null>(null)
  let asked = 0
  let busy = false
  async function refresh() {
    if (!setup.value) return (answer.value = null)
    asked += 1
    if (busy) return
    busy = true
    try {
      for (let mine = 0; mine !== asked && setup.value; ) {
        mine = asked
        answer.value = await ask(lifterId, setup.value, loadKg.value)
      }
      problem.value = null
    } catch (error) {
      problem.value = error as Error
    } finally {
      busy = false
    }
  }
  watch([setup, loadKg], refresh, { immediate: true, deep: true })
  return { answer, problem, again: refresh }
}

export function usePullStudy(lifterId: string, live: Ref<Start>, loadKg: Ref<number>, open: Ref<string>, across: Ref<Across>) {
  const setup = useRested(computed(() => ({ ...live.value })))
  const load = useRested(loadKg)
  const at = { params: { path: { lifter_id: lifterId } } }
  const common = { staleTime: 60_000, placeholderData: keepPreviousData }
  const on = (tab: string) => computed(() => open.value === tab)
  const costs = useQuery({
    ...common, enabled: on('costs'), queryKey: ['pull-costs', lifterId, setup, load],
    queryFn: () => answered(client.POST('/api/lifters/{lifter_id}/deadlift/costs', { ...at, body: { setup: requestOf(setup.value), load_kg: load.value, amounts: {} } })),
  })
  const mapFor = computed(() => ({ ...setup.value, stance_m: null, across: across.value }))
  const map = useQuery({
    ...common, enabled: on('map'), queryKey: ['pull-map', lifterId, mapFor],
    queryFn: () => answered(client.POST('/api/lifters/{lifter_id}/deadlift/map', { params: { ...at.params, query: { across: across.value } }, body: { setup: requestOf(setup.value) } })),
  })
  const deciding = useQuery({
    queryKey: ['pull-deciding', lifterId], staleTime: 60_000,
    queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/deadlift/deciding', at)),
  })
  const history = useQuery({
    queryKey: ['pull-history', lifterId], enabled: on('history'),
    queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/deadlift/settled/history', at)),
  })
  return { costs, map, deciding, history }
}
