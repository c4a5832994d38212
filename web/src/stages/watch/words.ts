// Sizes, states and moments of a clip as a coach says them.
import { say } from '@/words'
import type { Schemas } from '@/shared/api'

export type Reading = Schemas['ClipReading']
export type Finding = Schemas['FindingOut']
export type State = Finding['state']

export const MARK: Record<State, string> = { fails: '✕', slight: '~', holds: '✓', 'cannot tell': '?' }

export function size(finding: Pick<Finding, 'unit'>, value: number | null | undefined): string {
  if (value === null || value === undefined) return say('watch.not_seen')
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

/** From where, where it is not the side. */
export const VIEW: Record<Reading['view'], string> = {
  side: '',
  front: ' ' + say('watch.from_the_front'),
  rear: ' ' + say('watch.from_behind'),
}
/** Which side of the lifter: "left 1.2 cm". */
export function aside(m: number | null | undefined): string {
  if (typeof m !== 'number') return say('watch.not_seen')
  const cm = Math.abs(m * 100).toFixed(1)
  return cm === '0.0' ? 'level' : `${m > 0 ? 'left' : 'right'} ${cm} cm`
}
export function headOnWords(columns: Schemas['HeadOnFrames'], at: number): string[] {
  const hips = columns.hips_off_m[at]
  const tilt = columns.tilt_m[at]
  return [
    ...(typeof tilt === 'number' ? [say('watch.bar_higher_2', { tilt: aside(tilt) })] : []),
    ...(typeof hips === 'number' ? [say('watch.hips', { hips: aside(hips) })] : []),
  ]
}
export const WAY: Record<string, string> = {
  film: 'film',
  simulated: say('watch.simulated_film'),
  points: say('watch.taps_only'),
  file: say('watch.tracked_file'),
}

type Place = [number, number]
export interface Moment {
  joints: Place[]
  bar: Place | null
  way: Place[]
  lean: number
  hip: number
}
/** The first rep's posture on the way up where the bar has done a share of it; places in metres. */
export function momentAt(reading: Reading, share: number): Moment {
  const { frames, reps } = reading
  const rep = reps[0]
  const place = (name: string, i: number): Place | null => {
    const at = frames.metres[name]?.[i]
    const [x, , z] = at ?? []
    return typeof x === 'number' && typeof z === 'number' ? [x, z] : null
  }
  const inside = frames.times_s
    .map((t, i) => ({ t, i }))
    .filter(({ t }) => rep && t >= rep.first_s && t <= rep.last_s)
  const squat = reading.lift === 'squat'
  const up = inside.filter(({ t }) => rep && (squat ? t >= rep.turn_s : t <= rep.turn_s))
  const heights = up.map(({ i }) => frames.bar_z_m[i] ?? NaN)
  const low = Math.min(...heights)
  const wanted = low + share * (Math.max(...heights) - low)
  const at = up[nearest(heights, wanted)]?.i ?? 0
  const isPlace = (p: Place | null): p is Place => p !== null
  return {
    joints: ['ankle', 'knee', 'hip', 'shoulder'].map((name) => place(name, at)).filter(isPlace),
    bar: place('bar', at),
    way: inside.map(({ i }) => place('bar', i)).filter(isPlace),
    lean: frames.lean_deg[at] ?? NaN,
    hip: place('hip', at)?.[1] ?? NaN,
  }
}

/** Index of the time nearest to another. */
export const nearest = (times: readonly number[], time: number): number =>
  times.reduce((best, t, i) => (Math.abs(t - time) < Math.abs((times[best] ?? 0) - time) ? i : best), 0)
/** Mean speed of the fastest rep; null where the view tells none. */
export const bestSpeed = (reading: Reading): number | null => {
  const told = reading.reps.map((r) => r.mean_m_s).filter((v): v is number => typeof v === 'number')
  return told.length ? Math.max(...told) : null
}
/** Two decimals with a true minus; never "−0.00". */
export const still = (value: number) =>
  value
    .toFixed(2)
    .replace(/^-0\.00$/, '0.00')
    .replace('-', '−')
export const speedText = (value: number | null | undefined) =>
  typeof value === 'number' ? `${value.toFixed(2)} m/s` : say('watch.cannot_tell')
