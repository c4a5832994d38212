// What a centimetre of a length is worth, in words; nothing where both set-ups are closed.
type ByLift = Record<string, Record<string, number>>

export function leverWords(
  kgPerCm: ByLift | undefined,
  segment: string,
  kg: (value: number, digits: number) => string,
): string {
  const told = Object.entries(kgPerCm ?? {}).flatMap(([lift, lengths]) => {
    const by = lengths[segment]
    if (by === undefined) return []
    if (Math.abs(by) < 0.05) return [`${lift} the same`]
    return [`${lift} ${by > 0 ? '+' : '−'}${kg(Math.abs(by), 1)}`]
  })
  return told.join(', ')
}
