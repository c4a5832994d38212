// The screens in the order in which they are taken, each with how, its usual range and what it gates.
import type { Schemas } from '@/shared/api'

export interface Screen {
  kind: Schemas['ScreenRequest']['kind']
  name: string
  unit: 'deg' | 'm'
  usual: string
  how: string
  gates: string
  optional?: boolean
  field: (lengthUnit: string) => string
}

const degree = () => '°'
const length = (unit: string) => unit

export const SCREENS: Screen[] = [
  {
    kind: 'ankle',
    name: 'Ankle bend',
    unit: 'deg',
    usual: 'usual 30 to 40°',
    field: (unit) => `° or ${unit}`,
    how: 'Half-kneeling, heel down, knee over the toes: shin from vertical. Or the lunge to a wall, typed as “10 cm”.',
    gates: 'how far the shin may lean, and so the heel.',
  },
  {
    kind: 'neutral_depth',
    name: 'Deepest squat with a neutral back',
    unit: 'deg',
    usual: 'usual 140 to 160°',
    field: degree,
    how: 'Squat down slowly and stop where the lower back starts to turn. Hip bend = 90° + the knee’s rise over the hip + the trunk’s lean.',
    gates: 'depth at every stance, and how low the bar may sit.',
  },
  {
    kind: 'hip',
    name: 'Hip opening',
    unit: 'deg',
    usual: 'usual 40 to 50°',
    field: degree,
    how: 'Lying on the back, hip bent, knee to the side: thigh from the middle.',
    gates: 'the widest stance.',
  },
  {
    kind: 'hip_rotation',
    name: 'Outward hip turn',
    unit: 'deg',
    usual: 'usual 40 to 55°',
    field: degree,
    how: 'Seated, knee bent, shin swung inward across the other leg: shin from vertical.',
    gates: 'toes and knees turned out.',
  },
  {
    kind: 'hop',
    name: 'Hop and land',
    unit: 'm',
    usual: 'just outside the hips',
    optional: true,
    field: length,
    how: 'A small hop, landing soft: where the ankles are. A first guess for the squat stance; a little wide for a conventional pull.',
    gates: 'nothing; it is shown beside the figure.',
  },
  {
    kind: 'box',
    name: 'Box height',
    unit: 'm',
    usual: 'only for the box school',
    optional: true,
    field: length,
    how: 'Floor to the top of the box that this lifter squats to.',
    gates: 'depth, where the depth school is a box.',
  },
]

/** One screen of the hands for each bar position. */
export const gripScreen = (position: string, name: string): Screen => ({
  kind: `grip_${position}` as Screen['kind'],
  name,
  unit: 'm',
  usual: '',
  how: '',
  gates: '',
  field: length,
})
