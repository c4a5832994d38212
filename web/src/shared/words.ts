// Words for what the model names.
import { dateHabit, say } from '@/words'

/** The lifts to choose between. */
export const LIFT_CHOICE = [
  ['squat', say('shared.the_squat_alone')],
  ['deadlift', say('shared.the_deadlift_alone')],
] as const

export const USE_NAMES: Record<string, string> = {
  hips: say('shared.hips'),
  legs: say('shared.hips_and_knees_together'),
  quads: say('shared.quads'),
  knee_flexors: say('shared.knee_flexors'),
  lower_back: say('shared.lower_back'),
  upper_back: say('shared.upper_back'),
  lats: say('shared.lats'),
}

/** What limits, in words: "quads give out first", "lower back gives out first". */
export const givesOutFirst = (limiter: string) =>
  say(limiter.endsWith('back') ? 'shared.gives_out_first' : 'shared.give_out_first', {
    group: USE_NAMES[limiter]?.toLowerCase(),
  })

/** Sides as the lifter has them. */
export const SIDES: Record<'left' | 'right', string> = {
  left: say('shared.left'),
  right: say('shared.right'),
}

/** What can forbid or limit a set-up: capacities, and the body's limits. */
export const LIMIT_NAMES: Record<string, string> = {
  ...USE_NAMES,
  balance: say('shared.balance'),
  reach: say('shared.the_thighs_length'),
  strength: say('shared.strength'),
  hip_flexion: say('shared.depth_with_a_neutral_back'),
  abduction: say('shared.hip_opening'),
  rotation: say('shared.hip_rotation'),
  width: say('shared.the_width_school'),
  knee_track: say('shared.knee_tracking'),
  knee_forward: say('shared.the_knees_school'),
  lean: say('shared.the_lean_the_bar_holds'),
  ankle: say('shared.the_ankle'),
  balance_back: say('shared.weight_too_far_back'),
  balance_forward: say('shared.weight_too_far_forward'),
  room: say('shared.room_for_the_hands'),
  shins: say('shared.the_bar_above_the_knees'),
}

const SCREEN_NAMES: Record<string, string> = {
  dorsiflexion: say('shared.ankle_bend'),
  hip_flexion: say('shared.depth_with_a_neutral_back_2'),
  abduction: say('shared.hip_opening_2'),
  rotation: say('shared.hip_rotation_2'),
  shoulder: 'shoulders',
}
/** Screens that nobody took, as a coach calls them. */
export const screensInWords = (names: readonly string[]) =>
  names.map((name) => SCREEN_NAMES[name] ?? name).join(', ')

/** Where the hands go: by the ring where a finger lies on it, else how far apart they are. */
export const handsOn = (ring: string, apart: string) =>
  ring.endsWith('on the ring')
    ? say('shared.ring_apart_apart', { ring, apart })
    : say('shared.apart_apart_ring', { apart, ring })

export const GOALS = [
  { value: 'competition', title: say('shared.competition') },
  { value: 'strength', title: say('shared.general_strength') },
  { value: 'muscle', title: say('shared.muscle') },
  { value: 'sport', title: say('shared.another_sport') },
  { value: 'health', title: say('shared.health') },
] as const

export const percent = (share: number, digits = 0) => `${(share * 100).toFixed(digits)} %`

export function dayOf(iso: string): string {
  return new Date(iso).toLocaleDateString(dateHabit, { day: 'numeric', month: 'short' })
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
