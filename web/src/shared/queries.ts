// Questions that more than one screen asks, each written once: its key, its route, how long it keeps.
import { queryOptions } from '@tanstack/vue-query'
import { answered, client } from './api'

/** Changes only when a coach edits the club's library. */
const SELDOM_MS = 300_000
const of = (lifterId: string) => ({ params: { path: { lifter_id: lifterId } } })

export const catalogueQuery = queryOptions({ queryKey: ['catalogue'], staleTime: SELDOM_MS, queryFn: () => answered(client.GET('/api/catalogue')) })
export const variationNamesQuery = queryOptions({ queryKey: ['variation-names'], staleTime: SELDOM_MS, queryFn: () => answered(client.GET('/api/variations')) })
export const floorQuery = queryOptions({ queryKey: ['floor'], queryFn: () => answered(client.GET('/api/floor')) })
export const equipmentQuery = queryOptions({ queryKey: ['equipment'], queryFn: () => answered(client.GET('/api/equipment')) })
export const schoolsQuery = queryOptions({ queryKey: ['schools'], queryFn: () => answered(client.GET('/api/schools')) })
export const measurementsQuery = (lifterId: string) => queryOptions({ queryKey: ['measurements', lifterId], queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/measurements', of(lifterId))) })
export const cardQuery = (lifterId: string) => queryOptions({ queryKey: ['card', lifterId], queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/card', of(lifterId))) })
export const squatRankingQuery = (lifterId: string) => queryOptions({ queryKey: ['ranking', lifterId], queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/squat/ranking', of(lifterId))) })
