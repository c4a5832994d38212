// Work as a coach types it: numbers with a comma or a point, RPE and load may be left empty.
import { say } from '@/words'
export interface TypedWork {
  sets: string
  reps: string
  rpe: string
  load: string
}

export const typedNumber = (text: string) => Number(text.replace(',', '.'))
export const typedOrNull = (text: string) => (text.trim() ? typedNumber(text) : null)

const isWhole = (text: string, most: number) =>
  Number.isInteger(typedNumber(text)) && typedNumber(text) >= 1 && typedNumber(text) <= most

/** What is wrong with typed work, in a sentence; the load comes read in kg. */
export function wrongWork(work: TypedWork, loadKg: number | null): string {
  const rpe = typedOrNull(work.rpe)
  if (!isWhole(work.sets, 20)) return say('prescribe.sets_are_1_to_20')
  if (!isWhole(work.reps, 50)) return say('prescribe.reps_are_1_to_50')
  if (rpe !== null && !(rpe >= 5 && rpe <= 10)) return say('prescribe.rpe_is_5_to_10')
  if (loadKg !== null && !(loadKg > 0 && loadKg <= 600)) return say('prescribe.a_load_lies_between_0_and')
  return ''
}
