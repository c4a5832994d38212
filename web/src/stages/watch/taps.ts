// What is tapped in one picture, in which order, with words for each.
import { SIDES } from '@/shared/words'
import { say } from '@/words'
import type { Schemas } from '@/shared/api'
import type { Lift } from '@/shared/lifts'

export type Pixel = [number, number]
export type Taps = Schemas['TapsIn']
export type HeadOnTaps = Schemas['HeadOnTapsIn']
export type View = Schemas['ClipReading']['view']
type SidePoint = 'plate' | 'rim' | 'ankle' | 'knee' | 'hip' | 'shoulder' | 'sleeve_end'
type HeadOnPoint =
  | 'plate_left_top'
  | 'plate_left_bottom'
  | 'plate_right_top'
  | 'plate_right_bottom'
  | 'ankle_left'
  | 'ankle_right'
  | 'knee_left'
  | 'knee_right'
  | 'belt'
export interface Step {
  id: SidePoint | HeadOnPoint
  name: string
  says: string
  optional?: boolean
}
export type Tapped = Partial<Record<Step['id'], Pixel>>

const PLATE: Step[] = [
  { id: 'plate', name: say('watch.plate_middle'), says: say('watch.the_middle_of_the_outermost_large') },
  { id: 'rim', name: say('watch.plate_rim'), says: say('watch.anywhere_on_the_rim_of_that') },
]
const KNEE: Step = {
  id: 'knee',
  name: say('watch.knee'),
  says: say('watch.the_knees_middle_seen_from_the'),
}
const HIP: Step = {
  id: 'hip',
  name: say('watch.hip'),
  says: say('watch.the_bony_point_at_the_side'),
}
const END: Step = {
  id: 'sleeve_end',
  name: say('watch.end_of_the_sleeve'),
  says: say('watch.the_end_of_the_bar_that'),
  optional: true,
}

const EDGES: Step[] = (['left', 'right'] as const).flatMap((side) => [
  {
    id: `plate_${side}_top` as const,
    name: say('watch.plate_top', { side: SIDES[side] }),
    says: say('watch.the_upper_end_of_the_outermost', { side: SIDES[side] }),
  },
  {
    id: `plate_${side}_bottom` as const,
    name: say('watch.plate_bottom', { side: SIDES[side] }),
    says: say('watch.the_lower_end_of_the_same'),
  },
])
const pair = (what: 'ankle' | 'knee', says: string): Step[] =>
  (['left', 'right'] as const).map((side) => ({
    id: `${what}_${side}` as const,
    name: `${what === 'ankle' ? say('watch.ankle') : say('watch.knee')} ${SIDES[side]}`,
    says: say('watch.in_the_picture', { says, side: SIDES[side] }),
  }))
/** Of a pull only the bar is told from here. */
const HANGING: Step[] = [...EDGES, ...pair('ankle', say('watch.the_middle_of_the_ankle'))]
const FRONT: Step[] = [...HANGING, ...pair('knee', say('watch.the_middle_of_the_knee'))]
const REAR: Step[] = [
  ...EDGES,
  ...pair('ankle', say('watch.the_middle_of_the_heel_at')),
  { id: 'belt', name: say('watch.belt'), says: say('watch.the_middle_of_the_belt_or') },
]

export function stepsOf(lift: Lift, view: View = 'side'): Step[] {
  if (view !== 'side' && lift === 'deadlift') return HANGING
  if (view === 'front') return FRONT
  if (view === 'rear') return REAR
  if (lift === 'squat')
    return [
      ...PLATE,
      { id: 'ankle', name: say('watch.ankle'), says: say('watch.the_outer_ankle_bone_of_the') },
      KNEE,
      HIP,
      END,
    ]
  return [
    ...PLATE,
    KNEE,
    HIP,
    { id: 'shoulder', name: say('watch.shoulder'), says: say('watch.the_middle_of_the_near_shoulder') },
    END,
  ]
}

/** One picture of a film with what was tapped in it. */
export interface TappedPicture {
  time_s: number
  tapped: Tapped
}
/** When to tap: the picture in which everything asked for can be seen. */
export const WHEN: Record<Lift, string> = {
  squat: say('watch.choose_a_picture_in_which_the'),
  deadlift: say('watch.choose_a_picture_in_which_the_lifter_is'),
}

export const isComplete = (lift: Lift, tapped: Tapped, view: View = 'side') =>
  stepsOf(lift, view).every((step) => step.optional || tapped[step.id])

/** Taps as the server takes them; the rim becomes a radius. */
export function tapsOf(tapped: Tapped): Taps {
  const { plate, rim, knee, hip, ankle, shoulder, sleeve_end } = tapped
  if (!plate || !rim || !knee || !hip) throw new Error(say('watch.the_plate_the_knee_and_the'))
  return {
    plate,
    plate_radius: Math.hypot(rim[0] - plate[0], rim[1] - plate[1]),
    knee,
    hip,
    ankle: ankle ?? null,
    shoulder: shoulder ?? null,
    sleeve_end: sleeve_end ?? null,
  }
}

/** Taps from the server as they stand in the picture. */
export function tappedOf(taps: Taps): Tapped {
  const optional = (id: 'ankle' | 'shoulder' | 'sleeve_end') => {
    const at = taps[id]
    return at ? { [id]: at as Pixel } : {}
  }
  return {
    plate: taps.plate as Pixel,
    rim: [taps.plate[0] + taps.plate_radius, taps.plate[1]],
    knee: taps.knee as Pixel,
    hip: taps.hip as Pixel,
    ...optional('ankle'),
    ...optional('shoulder'),
    ...optional('sleeve_end'),
  }
}

/** Taps from the front or from behind as the server takes them. */
export function headOnTapsOf(tapped: Tapped): HeadOnTaps {
  const at = (id: Step['id']): Pixel => {
    const place = tapped[id]
    if (!place) throw new Error(say('watch.both_plates_and_both_ankles_must'))
    return place
  }
  return {
    plate_left: { top: at('plate_left_top'), bottom: at('plate_left_bottom') },
    plate_right: { top: at('plate_right_top'), bottom: at('plate_right_bottom') },
    ankle_left: at('ankle_left'),
    ankle_right: at('ankle_right'),
    knee_left: tapped.knee_left ?? null,
    knee_right: tapped.knee_right ?? null,
    belt: tapped.belt ?? null,
  }
}

/** The same from the server as they stand in the picture. */
export function headOnTappedOf(taps: HeadOnTaps): Tapped {
  const { plate_left: left, plate_right: right, knee_left, knee_right, belt } = taps
  return {
    plate_left_top: left.top as Pixel,
    plate_left_bottom: left.bottom as Pixel,
    plate_right_top: right.top as Pixel,
    plate_right_bottom: right.bottom as Pixel,
    ankle_left: taps.ankle_left as Pixel,
    ankle_right: taps.ankle_right as Pixel,
    ...(knee_left ? { knee_left: knee_left as Pixel } : {}),
    ...(knee_right ? { knee_right: knee_right as Pixel } : {}),
    ...(belt ? { belt: belt as Pixel } : {}),
  }
}

/** Lines that are drawn between what was tapped. */
export const CHAINS: Step['id'][][] = [
  ['ankle', 'knee', 'hip', 'shoulder'],
  ['ankle_left', 'knee_left'],
  ['ankle_right', 'knee_right'],
  ['plate_left_top', 'plate_left_bottom'],
  ['plate_right_top', 'plate_right_bottom'],
]
