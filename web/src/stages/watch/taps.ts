// What is tapped in one picture, in which order, with words for each.
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
  { id: 'plate', name: 'Plate, middle', says: 'The middle of the outermost large plate.' },
  { id: 'rim', name: 'Plate, rim', says: 'Anywhere on the rim of that plate.' },
]
const KNEE: Step = {
  id: 'knee',
  name: 'Knee',
  says: 'The knee’s middle, seen from the side, not the kneecap.',
}
const HIP: Step = {
  id: 'hip',
  name: 'Hip',
  says: 'The bony point at the side of the hip, where the thigh turns.',
}
const END: Step = {
  id: 'sleeve_end',
  name: 'End of the sleeve',
  says: 'The end of the bar that points at you: it tells how oblique the view is.',
  optional: true,
}

const EDGES: Step[] = (['left', 'right'] as const).flatMap((side) => [
  {
    id: `plate_${side}_top` as const,
    name: `Plate ${side}, top`,
    says: `The upper end of the outermost large plate, ${side} in the picture.`,
  },
  {
    id: `plate_${side}_bottom` as const,
    name: `Plate ${side}, bottom`,
    says: 'The lower end of the same plate.',
  },
])
const pair = (what: 'ankle' | 'knee', says: string): Step[] =>
  (['left', 'right'] as const).map((side) => ({
    id: `${what}_${side}` as const,
    name: `${what === 'ankle' ? 'Ankle' : 'Knee'} ${side}`,
    says: `${says}, ${side} in the picture.`,
  }))
/** Of a pull only the bar is told from here. */
const HANGING: Step[] = [...EDGES, ...pair('ankle', 'The middle of the ankle')]
const FRONT: Step[] = [...HANGING, ...pair('knee', 'The middle of the knee')]
const REAR: Step[] = [
  ...EDGES,
  ...pair('ankle', 'The middle of the heel, at ankle height'),
  { id: 'belt', name: 'Belt', says: 'The middle of the belt, or of the waistband, on the spine.' },
]

export function stepsOf(lift: Lift, view: View = 'side'): Step[] {
  if (view !== 'side' && lift === 'deadlift') return HANGING
  if (view === 'front') return FRONT
  if (view === 'rear') return REAR
  if (lift === 'squat')
    return [
      ...PLATE,
      { id: 'ankle', name: 'Ankle', says: 'The outer ankle bone of the near foot.' },
      KNEE,
      HIP,
      END,
    ]
  return [
    ...PLATE,
    KNEE,
    HIP,
    { id: 'shoulder', name: 'Shoulder', says: 'The middle of the near shoulder joint.' },
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
  squat: 'Choose a picture in which the lifter stands still with the bar, before the first rep.',
  deadlift: 'Choose a picture in which the lifter is set at the floor, before the first pull.',
}

export const isComplete = (lift: Lift, tapped: Tapped, view: View = 'side') =>
  stepsOf(lift, view).every((step) => step.optional || tapped[step.id])

/** Taps as the server takes them; the rim becomes a radius. */
export function tapsOf(tapped: Tapped): Taps {
  const { plate, rim, knee, hip, ankle, shoulder, sleeve_end } = tapped
  if (!plate || !rim || !knee || !hip) throw new Error('the plate, the knee and the hip must be tapped')
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
    if (!place) throw new Error('both plates and both ankles must be tapped')
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
