// The season of one lift in numbers: what was done, what the log says of the max, what is to come.
import { say } from '@/words'
import type { Schemas } from '@/shared/api'
import type { Plan } from './usePlan'

export type SoFar = Schemas['SoFar']
export interface Session {
  day: string
  on: number
  kg: number
  /** What the season asks for, where something holds the load below it. */
  intent: number | null
}
export interface MaxPoint {
  on: number
  kg: number
  low: number
  high: number
}
export interface Season {
  lift: string
  first: Session
  last: Session
  planned: Session[]
  done: { on: number; kg: number; missed: boolean; words: string }[]
  max: MaxPoint[]
  expected: { on: number; kg: number }[]
}

const at = (iso: string) => Date.parse(iso)
const setWords = (s: SoFar['done'][number]) =>
  s.missed
    ? say('prescribe.missed')
    : say('prescribe.reps_reps_rpe', { reps: s.reps, rpe: s.rpe === null ? '' : ` @ ${s.rpe}` })

function ofLift(plan: Plan, lift: string, soFar: SoFar | undefined): Season[] {
  const planned: Session[] = []
  const expected: Season['expected'] = []
  for (const d of plan.weeks.flatMap((w) => w.days))
    for (const l of d.lines) {
      const counts = l.lift === lift && l.kind === 'main' && !l.overruled?.dropped && !l.until_rpe
      if (!counts || l.load_kg === null) continue
      planned.push({ day: d.day_id, on: at(d.on), kg: l.load_kg, intent: l.intent_kg ?? null })
      if (l.share && l.variation === 'competition') expected.push({ on: at(d.on), kg: l.load_kg / l.share })
    }
  const [first, last] = [planned[0], planned.at(-1)]
  if (!first || !last) return []
  const season: Season = {
    lift,
    first,
    last,
    planned,
    done: (soFar?.done ?? []).map((s) => ({
      on: at(s.on),
      kg: s.load_kg,
      missed: s.missed,
      words: setWords(s),
    })),
    max: (soFar?.max_on ?? []).map((m) => ({ on: at(m.on), kg: m.kg, low: m.low_kg, high: m.high_kg })),
    expected: expected.filter((e) => e.on >= (at(soFar?.max_on.at(-1)?.on ?? '') || 0)),
  }
  return [season]
}

/** The lifts of a plan that have anything to draw, in the order in which they come. */
export function seasonOf(plan: Plan, soFar: readonly SoFar[]): Season[] {
  const lines = plan.weeks.flatMap((w) => w.days.flatMap((d) => d.lines))
  const lifts = [...new Set(lines.filter((l) => l.kind === 'main').map((l) => l.lift))]
  return lifts.flatMap((lift) =>
    ofLift(
      plan,
      lift,
      soFar.find((s) => s.lift === lift),
    ),
  )
}
