// The platform's keys. Phases lie on one row of the keyboard, faults on the digits.
export const PHASE_KEYS = ['q', 'w', 'e', 'r', 't', 'y', 'u', 'i', 'o', 'p']
export const FAULT_KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0']
const RPE_OF: Record<string, number> = { '6': 6, '7': 7, '8': 8, '9': 9, '0': 10 }

/** The RPE a digit stands for; the same digit again adds half a point. */
export function rpeOf(key: string, now: number | null): number | null | undefined {
  const whole = RPE_OF[key]
  if (whole === undefined) return undefined
  if (now === whole && whole < 10) return whole + 0.5
  return now === whole || now === whole + 0.5 ? null : whole
}

export const PLATFORM_KEYS: [string, string][] = [
  ['g or space, m', 'a good rep, a miss'],
  ['q … p, then a digit', 'a fault: its phase, then what was seen'],
  ['s', 'the next fault belongs to the rep before'],
  ['− =', 'the last fault was slighter, was worse'],
  ['[ ]', 'it was the left side, the right side'],
  ['6 … 9, 0', 'RPE 6 to 10; the same digit again adds a half'],
  ['h', 'hands on the bar, and again when the plates leave'],
  ['Enter', 'keep the set'],
  ['n', 'the next lifter in turn'],
  ['Backspace', 'undo the last'],
]
