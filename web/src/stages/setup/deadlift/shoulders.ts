// Where the shoulders start against the bar, as the figure says it.
import { say } from '@/words'
import { signed } from '../liftPage'

const BEHIND_M = -0.005

/** Whether the shoulders start behind the bar: the hips will rise first, and nothing is gained. */
export const isBehind = (aheadM: number) => aheadM < BEHIND_M

export const shoulderWords = (aheadM: number, lengthOf: (metres: number) => string) =>
  isBehind(aheadM)
    ? say('setup.shoulder_behind', { aheadM: lengthOf(-aheadM) })
    : say('setup.shoulder_ahead_m', { aheadM: signed(aheadM, lengthOf) })
