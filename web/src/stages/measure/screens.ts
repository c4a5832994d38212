// The screens in the order in which they are taken, each with how, its usual range and what it gates.
import { say } from '@/words'
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

const KNEE = {
  id: 'knee',
  name: say('measure.knee'),
  says: say('measure.the_middle_of_the_joint_on'),
} as const
const ANKLE = {
  id: 'ankle',
  name: say('measure.ankle'),
  says: say('measure.the_bone_on_the_outside'),
} as const
/** How a standing lifter is tapped for the lengths of the limbs. */
export const STANDING: { how: string; points: PointOf[]; limbs: string[][] } = {
  how: say('measure.he_stands_tall_exactly_from_the'),
  points: [
    { id: 'crown', name: say('measure.crown'), says: say('measure.the_top_of_the_head') },
    { id: 'floor', name: say('measure.floor'), says: say('measure.the_floor_under_the_heel_of') },
    ANKLE,
    KNEE,
    { id: 'hip', name: say('measure.hip'), says: say('measure.the_bony_knob_at_the_side') },
    { id: 'shoulder', name: say('measure.shoulder'), says: say('measure.the_bony_corner_of_the_shoulder') },
    { id: 'elbow', name: say('measure.elbow'), says: say('measure.the_joint_on_the_outside') },
    { id: 'wrist', name: say('measure.wrist'), says: say('measure.the_bone_on_the_side_of') },
  ],
  limbs: [
    ['ankle', 'knee', 'hip', 'shoulder'],
    ['shoulder', 'elbow', 'wrist'],
  ],
}

const PICTURES: Record<Asked['kind'], PictureOf> = {
  ankle: {
    kind: 'ankle',
    how: say('measure.exactly_from_the_side_phone_upright'),
    points: [ANKLE, KNEE],
    limb: ['ankle', 'knee'],
  },
  neutral_depth: {
    kind: 'neutral_depth',
    how: say('measure.exactly_from_the_side_at_the'),
    points: [
      KNEE,
      { id: 'hip', name: say('measure.hip'), says: say('measure.the_bony_knob_at_the_side_of_the') },
      { id: 'shoulder', name: say('measure.shoulder'), says: say('measure.the_middle_of_the_shoulder_from') },
    ],
    limb: ['knee', 'hip', 'shoulder'],
  },
  hip_rotation: {
    kind: 'hip_rotation',
    how: say('measure.exactly_from_the_front_phone_upright'),
    points: [
      { id: 'knee', name: say('measure.knee'), says: say('measure.the_middle_of_the_kneecap') },
      { id: 'ankle', name: say('measure.ankle'), says: say('measure.the_middle_of_the_ankle_of') },
    ],
    limb: ['ankle', 'knee'],
  },
  hop: {
    kind: 'hop',
    how: say('measure.from_the_front_once_he_stands'),
    points: [
      { id: 'crown', name: say('measure.crown'), says: say('measure.the_top_of_the_head') },
      { id: 'floor', name: say('measure.floor'), says: say('measure.the_floor_between_the_heels') },
      { id: 'ankle_left', name: say('measure.one_ankle'), says: say('measure.the_middle_of_one_ankle') },
      {
        id: 'ankle_right',
        name: say('measure.the_other_ankle'),
        says: say('measure.the_middle_of_the_other_ankle'),
      },
    ],
    limb: ['ankle_left', 'ankle_right'],
  },
}

const degree = () => '°'
const length = (unit: string) => unit

export const SCREENS: Screen[] = [
  {
    kind: 'ankle',
    name: say('measure.ankle_bend'),
    unit: 'deg',
    usual: say('measure.usual_30_to_40'),
    field: degree,
    how: say('measure.half_kneeling_heel_down_knee_over'),
    picture: PICTURES.ankle,
    gates: say('measure.how_far_the_shin_may_lean'),
  },
  {
    kind: 'neutral_depth',
    name: say('measure.deepest_squat_with_a_neutral_back'),
    unit: 'deg',
    usual: say('measure.usual_140_to_160'),
    field: degree,
    how: say('measure.squat_down_slowly_and_stop_where'),
    picture: PICTURES.neutral_depth,
    gates: say('measure.depth_at_every_stance_and_how'),
  },
  {
    kind: 'hip',
    name: say('measure.hip_opening'),
    unit: 'deg',
    usual: say('measure.usual_40_to_50'),
    field: degree,
    how: say('measure.lying_on_the_back_hip_bent'),
    gates: say('measure.the_widest_stance'),
  },
  {
    kind: 'hip_rotation',
    name: say('measure.outward_hip_turn'),
    unit: 'deg',
    usual: say('measure.usual_40_to_55'),
    field: degree,
    how: say('measure.seated_knee_bent_shin_swung_inward'),
    picture: PICTURES.hip_rotation,
    gates: say('measure.toes_and_knees_turned_out'),
  },
  {
    kind: 'hop',
    name: say('measure.hop_and_land'),
    unit: 'm',
    usual: say('measure.just_outside_the_hips'),
    optional: true,
    field: length,
    how: say('measure.a_small_hop_landing_soft_where'),
    picture: PICTURES.hop,
    gates: say('measure.nothing_it_is_shown_beside_the'),
  },
  {
    kind: 'box',
    name: say('measure.box_height'),
    unit: 'm',
    usual: say('measure.only_for_the_box_school'),
    optional: true,
    field: length,
    how: say('measure.floor_to_the_top_of_the'),
    gates: say('measure.depth_where_the_depth_school_is'),
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
