// Sizes, states and moments of a clip as a coach says them.
import type { Schemas } from '@/shared/api'

export type Reading = Schemas['ClipReading']
export type Finding = Schemas['FindingOut']
export type State = Finding['state']

export const MARK: Record<State, string> = { fails: '✕', slight: '~', holds: '✓', 'cannot tell': '?' }

export function size(finding: Pick<Finding, 'unit'>, value: number | null | undefined): string {
  if (value === null || value === undefined) return 'not seen'
  if (finding.unit === 'm') return `${(value * 100).toFixed(1).replace('-', '−')} cm`
  return finding.unit === 'deg' ? `${value.toFixed(1)}°` : `${value.toFixed(2)} s`
}
export const isTold = (finding: Finding) => finding.state === 'fails' || finding.state === 'slight'
/** A state as a class of its own: "holds" alone colours whole lines elsewhere. */
export const stateClass = (state: State) => `is-${state.replace(' ', '-')}`
/** Centimetres with their sign, without a unit; never "−0". */
export function offset(m: number): string {
  const cm = Math.round(m * 100)
  return cm < 0 ? `−${-cm}` : String(cm)
}
export const seconds = (value: number) => `${value.toFixed(2)} s`
export const centimetres = (value: number) => `${(value * 100).toFixed(0)} cm`
export const degrees = (value: number) => `${value.toFixed(0)}°`

export const WAY: Record<string, string> = {
  film: 'film',
  simulated: 'simulated film',
  points: 'taps only',
  file: 'tracked file',
}
