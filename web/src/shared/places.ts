// Everywhere the box “Go to” leads: the club's places, lifters, their stages, faults.
import { say } from '@/words'
import type { RouteLocationRaw } from 'vue-router'
import type { Schemas } from './api'

export interface Place {
  id: string
  title: string
  note: string
  to: RouteLocationRaw
}

export const STAGES = [
  ['lifter', say('shared.lifter')],
  ['measure', say('shared.measure')],
  ['squat', say('shared.squat')],
  ['deadlift', say('shared.deadlift')],
  ['log', say('shared.log')],
  ['prescribe', say('shared.prescribe')],
  ['review', say('shared.review')],
  ['watch', say('shared.watch')],
  ['card', say('shared.card')],
] as const

const ROOMS = [
  ['floor', say('shared.floor'), say('shared.who_needs_you')],
  ['gym', say('shared.gym'), say('shared.racks_bars_plates_schools')],
  ['people', say('shared.people'), say('shared.roles_invitations_your_account')],
  ['platform', say('shared.platform'), say('shared.log_a_group_in_turn')],
  ['library', say('shared.library'), say('shared.faults_causes_cues_variations')],
  ['shapes', say('shared.shapes_of_a_season'), say('shared.what_a_week_asks')],
  ['new-lifter', say('shared.add_a_lifter'), say('shared.name_body_mass_stature')],
] as const
const CLUB: Place[] = ROOMS.map(([id, title, note]) => ({ id, title, note, to: { name: id } }))

type Named = Pick<Schemas['FloorRow'], 'lifter_id' | 'name'>

function stagesOf({ lifter_id, name }: Named): Place[] {
  return STAGES.map(([stage, title]) => ({
    id: `${lifter_id}/${stage}`,
    title: stage === 'lifter' ? name : `${name}, ${title}`,
    note: stage === 'lifter' ? say('shared.goal_history_flags') : '',
    to: { name: stage, params: { lifterId: lifter_id } },
  }))
}

function faultPlaces(faults: Schemas['FaultAnswer'][], open: Named | undefined): Place[] {
  return faults.flatMap((fault) => {
    const known = {
      id: fault.id,
      title: fault.name,
      note: say('shared.in_the_library', { lift: fault.lift }),
      to: { name: 'library', query: { fault: fault.id } },
    }
    if (!open) return [known]
    const to = {
      name: 'review',
      params: { lifterId: open.lifter_id },
      query: { lift: fault.lift, fault: fault.id },
    }
    return [
      {
        id: `${open.lifter_id}/${fault.id}`,
        title: fault.name,
        note: say('shared.in_s_log', { lift: fault.lift, name: open.name }),
        to,
      },
      known,
    ]
  })
}

/** Every place, the open lifter's stages first. */
export function placesOf(lifters: Named[], faults: Schemas['FaultAnswer'][], openId: string | null): Place[] {
  const open = lifters.find((lifter) => lifter.lifter_id === openId)
  const others = lifters.filter((lifter) => lifter !== open)
  return [...(open ? stagesOf(open) : []), ...CLUB, ...others.flatMap(stagesOf), ...faultPlaces(faults, open)]
}

const wordsOf = (text: string) =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)

/** The places whose words begin with every word typed; those named so before those noted so. */
export function found(places: Place[], typed: string, most = 9): Place[] {
  const wanted = wordsOf(typed)
  const begins = (words: string[], part: string) => words.some((word) => word.startsWith(part))
  const ranked = places.flatMap((place, order) => {
    const title = wordsOf(place.title)
    if (!wanted.every((part) => begins([...title, ...wordsOf(place.note)], part))) return []
    const missing = wanted.filter((part) => !begins(title, part)).length
    return [{ place, rank: [missing, wanted.length ? title.length : 0, order] }]
  })
  const before = (a: number[], b: number[]) =>
    a.map((value, i) => value - (b[i] ?? 0)).find((difference) => difference !== 0) ?? 0
  return ranked
    .sort((a, b) => before(a.rank, b.rank))
    .slice(0, most)
    .map(({ place }) => place)
}
