// Where the shoulders start against the bar, as the figure says it.
import { signed } from '../liftPage'

const BEHIND_M = -0.005

/** Whether the shoulders start behind the bar: the hips will rise first, and nothing is gained. */
export const isBehind = (aheadM: number) => aheadM < BEHIND_M

export const shoulderWords = (aheadM: number, lengthOf: (metres: number) => string) =>
  isBehind(aheadM) ? `shoulder ${lengthOf(-aheadM)} behind` : `shoulder ${signed(aheadM, lengthOf)}`
