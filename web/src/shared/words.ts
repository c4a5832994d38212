// Words for what the model names.
/** The lifts to choose between. */
export const LIFT_CHOICE = [
  ['squat', 'squat'],
  ['deadlift', 'deadlift'],
] as const

export const USE_NAMES: Record<string, string> = {
  hips: 'Hips',
  legs: 'Hips and knees together',
  quads: 'Quads',
  knee_flexors: 'Knee flexors',
  lower_back: 'Lower back',
  upper_back: 'Upper back',
  lats: 'Lats',
}

/** What limits, in words: "quads give out first", "lower back gives out first". */
export const givesOutFirst = (limiter: string) =>
  `${USE_NAMES[limiter]?.toLowerCase()} ${limiter.endsWith('back') ? 'gives' : 'give'} out first`

/** What can forbid or limit a set-up: capacities, and the body's limits. */
export const LIMIT_NAMES: Record<string, string> = {
  ...USE_NAMES,
  balance: 'Balance',
  reach: 'The thigh’s length',
  strength: 'Strength',
  hip_flexion: 'Depth with a neutral back',
  abduction: 'Hip opening',
  rotation: 'Hip rotation',
  width: 'The width school',
  knee_track: 'Knee tracking',
  knee_forward: 'The knees school',
  lean: 'The lean the bar holds',
  ankle: 'The ankle',
  balance_back: 'Weight too far back',
  balance_forward: 'Weight too far forward',
  room: 'Room for the hands',
  shins: 'The bar above the knees',
}

const SCREEN_NAMES: Record<string, string> = {
  dorsiflexion: 'ankle bend',
  hip_flexion: 'depth with a neutral back',
  abduction: 'hip opening',
  rotation: 'hip rotation',
  shoulder: 'shoulders',
}
/** Screens that nobody took, as a coach calls them. */
export const screensInWords = (names: readonly string[]) =>
  names.map((name) => SCREEN_NAMES[name] ?? name).join(', ')

/** Where the hands go: by the ring where a finger lies on it, else how far apart they are. */
export const handsOn = (ring: string, apart: string) =>
  ring.endsWith('on the ring') ? `${ring}, ${apart} apart` : `${apart} apart, ${ring}`

export const GOALS = [
  { value: 'competition', title: 'Competition' },
  { value: 'strength', title: 'General strength' },
  { value: 'muscle', title: 'Muscle' },
  { value: 'sport', title: 'Another sport' },
  { value: 'health', title: 'Health' },
] as const

export const percent = (share: number, digits = 0) => `${(share * 100).toFixed(digits)} %`

export function dayOf(iso: string): string {
  return new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })
}

/** The id of an entry of one's own: of its name, in plain letters. */
export function ownIdOf(name: string, unnamed: string): string {
  const plain = name.toLowerCase().normalize('NFD').replace(/\p{M}/gu, '')
  return `own-${
    plain
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 40) || unnamed
  }`
}
