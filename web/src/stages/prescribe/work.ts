// Work as a coach types it: numbers with a comma or a point, RPE and load may be left empty.
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
  if (!isWhole(work.sets, 20)) return 'Sets are 1 to 20.'
  if (!isWhole(work.reps, 50)) return 'Reps are 1 to 50.'
  if (rpe !== null && !(rpe >= 5 && rpe <= 10)) return 'RPE is 5 to 10.'
  if (loadKg !== null && !(loadKg > 0 && loadKg <= 600)) return 'A load lies between 0 and 600 kg.'
  return ''
}
