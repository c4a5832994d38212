// What a centimetre of a length is worth, in words; nothing where both set-ups are closed.
import { say } from '@/words'
type ByLift = Record<string, Record<string, number>>

export function leverWords(
  kgPerCm: ByLift | undefined,
  segment: string,
  kg: (value: number, digits: number) => string,
): string {
  const told = Object.entries(kgPerCm ?? {}).flatMap(([lift, lengths]) => {
    const by = lengths[segment]
    if (by === undefined) return []
    if (Math.abs(by) < 0.05) return [say('measure.the_same', { lift })]
    return [`${lift} ${by > 0 ? '+' : '−'}${kg(Math.abs(by), 1)}`]
  })
  return told.join(', ')
}

interface Length {
  segment: string
  readings_m: number[]
  doubt: string | null
  kept_because: string
}
/** A reading is settled by a second one, unless it cannot well be right. */
export const isSettled = (l: Length) => l.readings_m.length > 1 && (!l.doubt || !!l.kept_because)

/** Those that are not settled first, the one most worth reading at the head; then the others as they are. */
export function byWorth<L extends Length>(lengths: L[], worthKg: Record<string, number> | undefined): L[] {
  const worth = (l: L) => worthKg?.[l.segment] ?? 0
  const left = lengths.filter((l) => !isSettled(l))
  return [...left.sort((a, b) => worth(b) - worth(a)), ...lengths.filter(isSettled)]
}

/** Less than this of a lift is not worth a tape. */
export const LEAST_KG = 0.5
