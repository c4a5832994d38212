// Questions to the server, each written once: its key, its route, how long it keeps.
import { keepPreviousData, queryOptions } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { answered, client, type Schemas } from './api'
import type { Lift } from './lifts'

/** Changes only when a coach edits the club's library. */
const SELDOM_MS = 300_000
/** Of a set-up that was computed: it stands until the lifter's record changes. */
const COMPUTED_MS = 60_000

export type Setup = Schemas['SquatSetupIn'] | Schemas['DeadliftSetupIn']
export type Ranking = Schemas['RankingAnswer'] | Schemas['DeadliftRankingAnswer']
type Given<T> = MaybeRefOrGetter<T>

const of = (lifterId: string) => ({ params: { path: { lifter_id: lifterId } } })
const route = <K extends string>(lift: Lift, what: K) => `/api/lifters/{lifter_id}/${lift}/${what}` as const

export const catalogueQuery = queryOptions({
  queryKey: ['catalogue'],
  staleTime: SELDOM_MS,
  queryFn: () => answered(client.GET('/api/catalogue')),
})
export const variationNamesQuery = queryOptions({
  queryKey: ['variation-names'],
  staleTime: SELDOM_MS,
  queryFn: () => answered(client.GET('/api/variations')),
})
export const floorQuery = queryOptions({
  queryKey: ['floor'],
  queryFn: () => answered(client.GET('/api/floor')),
})
export const awayQuery = queryOptions({
  queryKey: ['floor', 'away'],
  queryFn: () => answered(client.GET('/api/lifters/away')),
})
export const equipmentQuery = queryOptions({
  queryKey: ['equipment'],
  queryFn: () => answered(client.GET('/api/equipment')),
})
export const peopleQuery = queryOptions({
  queryKey: ['people'],
  queryFn: () => answered(client.GET('/api/people')),
})
export const schoolsQuery = queryOptions({
  queryKey: ['schools'],
  queryFn: () => answered(client.GET('/api/schools')),
})
export const shapesQuery = queryOptions({
  queryKey: ['shapes'],
  staleTime: SELDOM_MS,
  queryFn: () => answered(client.GET('/api/shapes')),
})
export const exercisesQuery = queryOptions({
  queryKey: ['exercises'],
  staleTime: SELDOM_MS,
  queryFn: () => answered(client.GET('/api/known-lifts')),
})
export const trialsQuery = (lifterId: string) =>
  queryOptions({
    queryKey: ['trials', lifterId],
    queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/trials', of(lifterId))),
  })
export const measurementsQuery = (lifterId: string) =>
  queryOptions({
    queryKey: ['measurements', lifterId],
    queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/measurements', of(lifterId))),
  })
export const leversQuery = (lifterId: string) =>
  queryOptions({
    queryKey: ['levers', lifterId],
    queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/levers', of(lifterId))),
  })
export const cardQuery = (lifterId: string) =>
  queryOptions({
    queryKey: ['card', lifterId],
    queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/card', of(lifterId))),
  })

export const clipsQuery = (lifterId: string) =>
  queryOptions({
    queryKey: ['clips', lifterId],
    queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/clips', of(lifterId))),
  })
export const sentQuery = (lifterId: string) =>
  queryOptions({
    queryKey: ['sent', lifterId],
    queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/sent', of(lifterId))),
  })
export const clipQuery = (lifterId: string, clipId: string) =>
  queryOptions({
    queryKey: ['clips', lifterId, clipId],
    queryFn: () =>
      answered(
        client.GET('/api/lifters/{lifter_id}/clips/{clip_id}', {
          params: { path: { lifter_id: lifterId, clip_id: clipId } },
        }),
      ),
  })

export const rankingQuery = (lift: Lift, lifterId: string) =>
  queryOptions({
    queryKey: ['ranking', lift, lifterId],
    queryFn: () => answered<Ranking>(client.GET(route(lift, 'ranking'), of(lifterId))),
  })
export const settledQuery = (lift: Lift, lifterId: string) =>
  queryOptions({
    queryKey: ['settled', lift, lifterId],
    queryFn: () => answered(client.GET(route(lift, 'settled'), of(lifterId))),
  })
export const historyQuery = (lift: Lift, lifterId: string) =>
  queryOptions({
    queryKey: ['settled-history', lift, lifterId],
    queryFn: () => answered(client.GET(route(lift, 'settled/history'), of(lifterId))),
  })
export const decidingQuery = (lift: Lift, lifterId: string) =>
  queryOptions({
    queryKey: ['deciding', lift, lifterId],
    staleTime: COMPUTED_MS,
    queryFn: () => answered(client.GET(route(lift, 'deciding'), of(lifterId))),
  })
export const whyNotQuery = (lift: Lift, lifterId: string, style: string) =>
  queryOptions({
    queryKey: ['why-not', lift, lifterId, style],
    staleTime: COMPUTED_MS,
    queryFn: () =>
      answered(client.GET(route(lift, 'why-not'), { params: { ...of(lifterId).params, query: { style } } })),
  })
export const goalsQuery = (lift: Lift, lifterId: string, asked: Given<Schemas['WeightsRequest']>) =>
  queryOptions({
    queryKey: ['goals', lift, lifterId, asked],
    placeholderData: keepPreviousData,
    queryFn: () => answered(client.POST(route(lift, 'goals'), { ...of(lifterId), body: toValue(asked) })),
  })
export const costsQuery = (lift: Lift, lifterId: string, setup: Given<Setup>, loadKg: Given<number>) =>
  queryOptions({
    queryKey: ['costs', lift, lifterId, setup, loadKg],
    staleTime: COMPUTED_MS,
    placeholderData: keepPreviousData,
    queryFn: () =>
      answered(
        client.POST(route(lift, 'costs'), {
          ...of(lifterId),
          body: { setup: toValue(setup), load_kg: toValue(loadKg), amounts: {} } as never,
        }),
      ),
  })
export const mapQuery = (lift: Lift, lifterId: string, setup: Given<Setup>, across: Given<string>) =>
  queryOptions({
    queryKey: ['map', lift, lifterId, setup, across],
    staleTime: COMPUTED_MS,
    placeholderData: keepPreviousData,
    queryFn: () =>
      answered(
        client.POST(route(lift, 'map'), {
          params: { ...of(lifterId).params, query: { across: toValue(across) } },
          body: { setup: toValue(setup) } as never,
        }),
      ),
  })
export const pathsQuery = (lifterId: string, setup: Given<Schemas['SquatSetupIn']>, loadKg: Given<number>) =>
  queryOptions({
    queryKey: ['paths', lifterId, setup, loadKg],
    staleTime: COMPUTED_MS,
    placeholderData: keepPreviousData,
    queryFn: () =>
      answered(
        client.POST('/api/lifters/{lifter_id}/squat/paths', {
          ...of(lifterId),
          body: { setup: toValue(setup), load_kg: toValue(loadKg) },
        }),
      ),
  })
export const depthQuery = (lifterId: string, setup: Given<Schemas['SquatSetupIn']>) =>
  queryOptions({
    queryKey: ['depth', lifterId, setup],
    staleTime: COMPUTED_MS,
    placeholderData: keepPreviousData,
    queryFn: () =>
      answered(
        client.POST('/api/lifters/{lifter_id}/squat/depth', {
          ...of(lifterId),
          body: { setup: toValue(setup) },
        }),
      ),
  })
export const furnitureQuery = (
  lifterId: string,
  setup: Given<Schemas['SquatSetupIn']>,
  loadKg: Given<number>,
) =>
  queryOptions({
    queryKey: ['furniture', lifterId, setup, loadKg],
    staleTime: COMPUTED_MS,
    placeholderData: keepPreviousData,
    queryFn: () =>
      answered(
        client.POST('/api/lifters/{lifter_id}/squat/furniture', {
          ...of(lifterId),
          body: { setup: toValue(setup), load_kg: toValue(loadKg) },
        }),
      ),
  })
