// Days, work and places of facts in words.
import { dateHabit, say } from '@/words'
import type { RouteLocationRaw } from 'vue-router'
import { isoDay, now } from '@/shared/clock'
import type { Line } from './usePlan'

export const WEEKDAYS = [
  say('prescribe.mon'),
  say('prescribe.tue'),
  say('prescribe.wed'),
  say('prescribe.thu'),
  say('prescribe.fri'),
  say('prescribe.sat'),
  say('prescribe.sun'),
] as const

export function nextMonday(from = now()): string {
  const day = new Date(from)
  day.setDate(day.getDate() + ((8 - day.getDay()) % 7 || 7))
  return isoDay(day)
}

/** The day as "Mon 30 Nov"; the date is a calendar day, no moment. */
export function dayWords(iso: string): string {
  const [y = 0, m = 1, d = 1] = iso.split('-').map(Number)
  return new Date(y, m - 1, d).toLocaleDateString(dateHabit, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
  })
}

export const titleOf = (line: Pick<Line, 'lift' | 'variation'>) => {
  const name = line.variation === 'competition' ? line.lift : line.variation
  return name.charAt(0).toUpperCase() + name.slice(1)
}

export function minutes(seconds: number): string {
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
}

/** Where a fact of a reason is shown. */
export function placeOf(
  fact: string,
  lifterId: string,
  lift: string,
): { name: string; to: RouteLocationRaw } {
  const params = { lifterId }
  const [kind = '', id = '', part = ''] = fact.includes(':') ? fact.split(':') : ['', fact]
  if (kind === 'repair')
    return { name: say('prescribe.try_it_on_the_bench'), to: { name: id, params, query: { repair: part } } }
  if (kind === 'walk')
    return {
      name: say('prescribe.the_questions'),
      to: { name: 'review', params, query: { lift: id, fault: 'floor-stall' } },
    }
  if (kind === 'fault')
    return {
      name: say('prescribe.what_the_log_says_of_it'),
      to: { name: 'review', params, query: { lift, fault: id } },
    }
  if (kind === 'fit') return { name: say('prescribe.the_set_up'), to: { name: lift, params } }
  if (kind === 'ratio')
    return {
      name: say('prescribe.how_it_was_learnt'),
      to: { name: 'prescribe', params, query: { view: 'variations', lift, open: id } },
    }
  if (kind === 'flag') return { name: say('prescribe.the_flag'), to: { name: 'lifter', params } }
  return { name: say('prescribe.the_log'), to: { name: 'log', params } }
}

/** What one set is: reps, or seconds and metres with their unit. */
export const amountOf = (line: { reps: number; unit?: string }) =>
  line.unit && line.unit !== 'reps' ? `${line.reps} ${line.unit}` : String(line.reps)

/** What is as easy as this or easier is not told as an RPE. */
const LEAST_RPE = 5
/** Behind a load: its RPE, or "easy" where it is too light to be rated. */
export const effortWords = (rpe: number) => (rpe > LEAST_RPE ? `@ ${rpe}` : 'easy')

type OnTheWay = Pick<Line, 'lift' | 'load_kg' | 'until_rpe'>
/** Loads of the guided way up that a line belongs to; empty where it belongs to none. */
export const wayUp = (lines: readonly OnTheWay[], line: OnTheWay): number[] =>
  line.until_rpe
    ? lines.flatMap((l) => (l.lift === line.lift && l.until_rpe && l.load_kg !== null ? [l.load_kg] : []))
    : []
/** Lines that stand for themselves: of a way up the first alone. */
export const withoutSteps = <T extends OnTheWay>(lines: readonly T[]): T[] =>
  lines.filter((line) => !line.until_rpe || line === lines.find((l) => l.lift === line.lift && l.until_rpe))
