// The session as it stands: what the server said last, and what waits in the outbox on top.
import { nearest } from '@/shared/lifts'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, onUnmounted, type Ref } from 'vue'
import { answered, client, type Schemas } from '@/shared/api'
import { useOutbox } from '@/shared/outbox'
import type { Lift } from './draft'
import { catalogueQuery } from '@/shared/queries'

export type PlatformLifter = Schemas['PlatformLifter']
export type ShownSet = Schemas['SetAnswer'] & { waiting: boolean }

export function usePlatform(lifterIds: Ref<string[]>, lift: Ref<Lift>) {
  const queries = useQueryClient()
  const outbox = useOutbox()
  const session = useQuery({
    queryKey: ['platform', lifterIds, lift],
    enabled: computed(() => lifterIds.value.length > 0),
    placeholderData: (previous: Schemas['PlatformAnswer'] | undefined) => previous,
    queryFn: () =>
      answered(
        client.GET('/api/platform', { params: { query: { lifter_id: lifterIds.value, lift: lift.value } } }),
      ),
  })
  const catalogue = useQuery(catalogueQuery)
  const forget = outbox.onTaken(() => {
    void queries.invalidateQueries({ queryKey: ['platform'] })
    void queries.invalidateQueries({ queryKey: ['floor'] })
    void queries.invalidateQueries({ queryKey: ['lifter'] })
    void queries.invalidateQueries({ queryKey: ['review'] })
  })
  onUnmounted(forget)

  /** Logged sets of a lifter, newest first, the waiting ones included. */
  function setsOf(one: PlatformLifter): ShownSet[] {
    const gone = new Set<string>()
    const waiting: ShownSet[] = []
    for (const { body, refused } of outbox.items.value) {
      if (refused) continue
      if (body.kind === 'withdrawal') gone.add(body.set_id)
      else if (body.lifter_id === one.lifter_id) {
        if (body.set.replaces) gone.add(body.set.replaces)
        waiting.push(shownOf(body.set))
      }
    }
    const known = new Set(one.recent.map((s) => s.set_id))
    return [
      ...waiting.filter((s) => !known.has(s.set_id) && !gone.has(s.set_id)).reverse(),
      ...one.recent.filter((s) => !gone.has(s.set_id)).map((s) => ({ ...s, waiting: false })),
    ]
  }
  return { session, catalogue, setsOf, outbox }
}

function shownOf(body: Schemas['SetRequest']): ShownSet {
  return {
    set_id: body.set_id,
    lift: body.lift,
    variation: body.variation ?? 'competition',
    load_kg: body.load_kg,
    reps: body.reps,
    missed_reps: body.missed_reps ?? 0,
    rpe: body.rpe ?? null,
    aimed_rpe: body.aimed_rpe ?? null,
    pull_style: body.pull_style ?? null,
    cue: body.cue ?? '',
    gear: body.gear ?? {},
    measures: body.measures ?? {},
    note: body.note ?? '',
    performed_at: body.performed_at,
    withdrawn: false,
    replaces: body.replaces ?? null,
    estimated_max_kg: null,
    trial_arm: null,
    faults: body.faults ?? [],
    waiting: true,
  }
}

/** The loading nearest to a load, out of those that the plates make. */
export function nearestLoading(gym: Schemas['GymLoadings'], loadKg: number): Schemas['LoadingAnswer'] | null {
  const totals = gym.loadings.map(({ total_kg }) => total_kg)
  return gym.loadings[nearest(totals, loadKg)] ?? null
}
