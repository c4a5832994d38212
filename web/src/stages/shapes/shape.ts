// A draft of a shape: its blocks as a table of cells, and which training day is for what.
import { say } from '@/words'
import type { Schemas } from '@/shared/api'
import { ownIdOf } from '@/shared/words'

export type ShapeText = Schemas['ShapeText']
export type Role = 'build' | 'strengthen' | 'sharpen' | 'light' | 'test'
export type Lift = 'squat' | 'deadlift'
export type Part = 'main' | 'second' | 'volume'

export const ROLES: { id: Role; words: string }[] = [
  { id: 'build', words: say('shapes.more_reps_positions_before_loads') },
  { id: 'strengthen', words: say('shapes.fewer_reps_heavier') },
  { id: 'sharpen', words: say('shapes.the_last_weeks_before_a_meet') },
  { id: 'light', words: say('shapes.rest_while_training') },
  { id: 'test', words: say('shapes.the_week_of_the_meet_or') },
]
export const LIFTS: Lift[] = ['squat', 'deadlift']
export const PARTS: Part[] = ['main', 'second', 'volume']
export const MOST_BLOCK_WEEKS = 6
const DAYS: Record<string, string[][]> = {
  '1': [['squat main', 'deadlift main']],
  '2': [
    ['squat main', 'deadlift second'],
    ['deadlift main', 'squat second'],
  ],
  '3': [['squat main'], ['deadlift main'], ['squat second', 'deadlift second']],
  '4': [['squat main'], ['deadlift main'], ['squat second'], ['deadlift second']],
}

/** A copy that shares nothing with what it was made from. */
export const copyOf = (text: ShapeText): ShapeText => JSON.parse(JSON.stringify(text)) as ShapeText

/** The most weeks of any block. */
export const blockWeeks = (text: ShapeText) =>
  Math.max(...ROLES.map(({ id }) => text.main[id]?.length ?? 0), 1)

/** Writes a cell of a block: behind its end it adds a week, empty at its end it takes one away. */
export function writeMain(text: ShapeText, role: Role, week: number, words: string): ShapeText {
  const cells = [...(text.main[role] ?? [])]
  if (words.trim() || week < cells.length - 1) cells[Math.min(week, cells.length)] = words
  else if (week === cells.length - 1 && cells.length > 1) cells.pop()
  else if (week < cells.length) cells[week] = words
  return { ...text, main: { ...text.main, [role]: cells } }
}

/** Writes what the second or the volume day of a week asks; a volume without any is none. */
export function writeSide(text: ShapeText, part: 'second' | 'volume', role: Role, words: string): ShapeText {
  const cells = { ...(text[part] ?? {}), [role]: words }
  if (part === 'volume' && ROLES.every(({ id }) => !cells[id]?.trim())) return { ...text, volume: {} }
  return { ...text, [part]: cells }
}

/** What a lift's work is on a day of so many, or nothing. */
export function partOn(text: ShapeText, days: string, day: number, lift: Lift): Part | '' {
  const parts = (text.days?.[days] ?? DAYS[days])?.[day] ?? []
  const found = parts.find((p) => p.startsWith(`${lift} `))
  return (found?.split(' ')[1] as Part | undefined) ?? ''
}

/** Puts a lift's work on a day of so many; the first change starts from the usual days. */
export function putOn(text: ShapeText, days: string, day: number, lift: Lift, part: Part | ''): ShapeText {
  const week = (text.days?.[days] ?? DAYS[days] ?? []).map((parts, i) => {
    if (i !== day) return [...parts]
    const others = parts.filter((p) => !p.startsWith(`${lift} `))
    return part
      ? [...others, `${lift} ${part}`].sort((a, b) => Number(b.endsWith('main')) - Number(a.endsWith('main')))
      : others
  })
  return { ...text, days: { ...(text.days ?? {}), [days]: week } }
}

/** Back to the usual days. */
export function usualDays(text: ShapeText, days: string): ShapeText {
  const rest = { ...(text.days ?? {}) }
  delete rest[days]
  return { ...text, days: rest }
}

/** The id of a shape of one's own: of its name, another than those that are taken. */
export function ownId(name: string, taken: Set<string>): string {
  const first = ownIdOf(name, 'shape')
  let id = first
  for (let n = 2; taken.has(id); n += 1) id = `${first}-${n}`
  return id
}
