// Everywhere the box “Go to” leads: the club's places, lifters, their stages, faults.
import type { RouteLocationRaw } from 'vue-router'
import type { Schemas } from './api'

export interface Place {
  id: string
  title: string
  note: string
  to: RouteLocationRaw
}

export const STAGES = [
  ['lifter', 'Lifter'],
  ['measure', 'Measure'],
  ['squat', 'Squat'],
  ['deadlift', 'Deadlift'],
  ['log', 'Log'],
  ['prescribe', 'Prescribe'],
  ['review', 'Review'],
  ['watch', 'Watch'],
  ['card', 'Card'],
] as const

const CLUB: Place[] = [
  { id: 'floor', title: 'Floor', note: 'who needs you', to: { name: 'floor' } },
  { id: 'gym', title: 'Gym', note: 'racks, bars, plates, schools', to: { name: 'gym' } },
  { id: 'people', title: 'People', note: 'roles, invitations, your account', to: { name: 'people' } },
  { id: 'platform', title: 'Platform', note: 'log a group in turn', to: { name: 'platform' } },
  { id: 'library', title: 'Library', note: 'faults, causes, cues, variations', to: { name: 'library' } },
  { id: 'shapes', title: 'Shapes of a season', note: 'what a week asks', to: { name: 'shapes' } },
  { id: 'new-lifter', title: 'Add a lifter', note: 'name, body mass, stature', to: { name: 'new-lifter' } },
]

type Named = Pick<Schemas['FloorRow'], 'lifter_id' | 'name'>

function stagesOf({ lifter_id, name }: Named): Place[] {
  return STAGES.map(([stage, title]) => ({
    id: `${lifter_id}/${stage}`,
    title: stage === 'lifter' ? name : `${name}, ${title}`,
    note: stage === 'lifter' ? 'goal, history, flags' : '',
    to: { name: stage, params: { lifterId: lifter_id } },
  }))
}

function faultPlaces(faults: Schemas['FaultAnswer'][], open: Named | undefined): Place[] {
  return faults.flatMap((fault) => {
    const known = {
      id: fault.id,
      title: fault.name,
      note: `${fault.lift}, in the library`,
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
        note: `${fault.lift}, in ${open.name}’s log`,
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
