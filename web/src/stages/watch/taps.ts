// What is tapped in one picture, in which order, with words for each.
import type { Schemas } from '@/shared/api'
import type { Lift } from '@/shared/lifts'

export type Pixel = [number, number]
export type Taps = Schemas['TapsIn']
export interface Step {
  id: 'plate' | 'rim' | 'ankle' | 'knee' | 'hip' | 'shoulder' | 'sleeve_end'
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

export function stepsOf(lift: Lift): Step[] {
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

/** When to tap: the picture in which everything asked for can be seen. */
export const WHEN: Record<Lift, string> = {
  squat: 'Choose a picture in which the lifter stands still with the bar, before the first rep.',
  deadlift: 'Choose a picture in which the lifter is set at the floor, before the first pull.',
}

export const isComplete = (lift: Lift, tapped: Tapped) =>
  stepsOf(lift).every((step) => step.optional || tapped[step.id])

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
