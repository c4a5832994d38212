// What the server computes about the live set-up beyond the drawing: asked when the hand rests.
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import type { Lift } from '@/shared/lifts'
import { costsQuery, decidingQuery, historyQuery, mapQuery } from '@/shared/queries'
import type { Setup } from './liftPage'

export const REST_MS = 160

export function useAnalysis(
  lift: Lift,
  lifterId: string,
  live: Ref<Setup>,
  loadKg: Ref<number>,
  open: Ref<string>,
  across: Ref<string>,
) {
  const setup = refDebounced(live, REST_MS)
  const load = refDebounced(loadKg, REST_MS)
  const on = (tab: string) => computed(() => open.value === tab)
  return {
    costs: useQuery({ ...costsQuery(lift, lifterId, setup, load), enabled: on('costs') }),
    map: useQuery({ ...mapQuery(lift, lifterId, setup, across), enabled: on('map') }),
    deciding: useQuery(decidingQuery(lift, lifterId)),
    history: useQuery({ ...historyQuery(lift, lifterId), enabled: on('history') }),
  }
}
