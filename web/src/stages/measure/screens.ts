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
  picture?: PictureOf
}

type Asked = Schemas['PictureRequest']
/** A point to be tapped. */
export interface PointOf {
  id: string
  name: string
  says: string
}
/** How a screen is read off one picture: how it is taken, what is tapped in which order. */
export interface PictureOf {
  kind: Asked['kind']
  how: string
  points: PointOf[]
  /** Drawn as one line. */
  limb: string[]
}

const KNEE = { id: 'knee', name: 'Knee', says: 'The middle of the joint, on the outside.' } as const
const ANKLE = { id: 'ankle', name: 'Ankle', says: 'The bone on the outside.' } as const
/** How a standing lifter is tapped for the lengths of the limbs. */
export const STANDING: { how: string; points: PointOf[]; limbs: string[][] } = {
  how: 'He stands tall, exactly from the side, arm hanging, whole body in the picture; phone upright at the height of the hip, 4 m away.',
  points: [
    { id: 'crown', name: 'Crown', says: 'The top of the head.' },
    { id: 'floor', name: 'Floor', says: 'The floor under the heel of the near foot.' },
    ANKLE,
    KNEE,
    { id: 'hip', name: 'Hip', says: 'The bony knob at the side of the hip.' },
    { id: 'shoulder', name: 'Shoulder', says: 'The bony corner of the shoulder.' },
    { id: 'elbow', name: 'Elbow', says: 'The joint on the outside.' },
    { id: 'wrist', name: 'Wrist', says: 'The bone on the side of the thumb.' },
  ],
  limbs: [
    ['ankle', 'knee', 'hip', 'shoulder'],
    ['shoulder', 'elbow', 'wrist'],
  ],
}

const PICTURES: Record<Asked['kind'], PictureOf> = {
  ankle: {
    kind: 'ankle',
    how: 'Exactly from the side, phone upright and low, 3 m away or more.',
    points: [ANKLE, KNEE],
    limb: ['ankle', 'knee'],
  },
  neutral_depth: {
    kind: 'neutral_depth',
    how: 'Exactly from the side at the deepest squat with a neutral back, 3 m away or more.',
    points: [
      KNEE,
      { id: 'hip', name: 'Hip', says: 'The bony knob at the side of the hip, which turns with the thigh.' },
      { id: 'shoulder', name: 'Shoulder', says: 'The middle of the shoulder, from the side.' },
    ],
    limb: ['knee', 'hip', 'shoulder'],
  },
  hip_rotation: {
    kind: 'hip_rotation',
    how: 'Exactly from the front, phone upright at the height of the knee.',
    points: [
      { id: 'knee', name: 'Knee', says: 'The middle of the kneecap.' },
      { id: 'ankle', name: 'Ankle', says: 'The middle of the ankle of the same leg.' },
    ],
    limb: ['ankle', 'knee'],
  },
  hop: {
    kind: 'hop',
    how: 'From the front once he stands upright again, feet where they landed, whole body in the picture.',
    points: [
      { id: 'crown', name: 'Crown', says: 'The top of the head.' },
      { id: 'floor', name: 'Floor', says: 'The floor between the heels.' },
      { id: 'ankle_left', name: 'One ankle', says: 'The middle of one ankle.' },
      { id: 'ankle_right', name: 'The other ankle', says: 'The middle of the other ankle.' },
    ],
    limb: ['ankle_left', 'ankle_right'],
  },
}

const degree = () => '°'
const length = (unit: string) => unit

export const SCREENS: Screen[] = [
  {
    kind: 'ankle',
    name: 'Ankle bend',
    unit: 'deg',
    usual: 'usual 30 to 40°',
    field: degree,
    how: 'Half-kneeling, heel down, knee over the toes: shin from vertical. Or the lunge to a wall, typed as “10 cm”.',
    picture: PICTURES.ankle,
    gates: 'how far the shin may lean, and so the heel.',
  },
  {
    kind: 'neutral_depth',
    name: 'Deepest squat with a neutral back',
    unit: 'deg',
    usual: 'usual 140 to 160°',
    field: degree,
    how: 'Squat down slowly and stop where the lower back starts to turn. Hip bend = 90° + the knee’s rise over the hip + the trunk’s lean.',
    picture: PICTURES.neutral_depth,
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
    picture: PICTURES.hip_rotation,
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
    picture: PICTURES.hop,
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
