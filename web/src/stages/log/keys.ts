// The platform's keys. Phases lie on one row of the keyboard, faults on the digits.
import { say } from '@/words'
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
  [say('log.g_or_space_m'), say('log.a_good_rep_a_miss')],
  [say('log.q_p_then_a_digit'), say('log.a_fault_its_phase_then_what')],
  ['s', say('log.the_next_fault_belongs_to_the')],
  ['− =', say('log.the_last_fault_was_slighter_was')],
  ['[ ]', say('log.it_was_the_left_side_the')],
  ['6 … 9, 0', say('log.rpe_6_to_10_the_same')],
  ['h', say('log.hands_on_the_bar_and_again')],
  ['Enter', say('log.keep_the_set_2')],
  ['n', say('log.the_next_lifter_in_turn')],
  ['Backspace', say('log.undo_the_last_2')],
]
