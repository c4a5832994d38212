// What the squat's set-up stage has of its own.
import { say } from '@/words'
import { useLift } from '@/shared/lifts'
import { USE_NAMES } from '@/shared/words'
import {
  inDegrees,
  isDeadlift,
  signed,
  styleOf,
  type LiftPage,
  type Setup,
  type SquatSetup,
} from '../liftPage'
import { movedBy } from '../useRepair'
import Depth from './Depth.vue'
import HandsAndRack from './HandsAndRack.vue'
import Paths from './Paths.vue'
import SquatFigure from './SquatFigure.vue'
import { useShownSquat } from './useShownSquat'

const FRESH: SquatSetup = { bar_position: 'high', stance_m: 0.42, toe_out_deg: 20, heel_lift_m: 0 }
const { nameOf, styles } = useLift('squat')

type Position = SquatSetup['bar_position']
/** Bar positions from the lowest on the back to the front. */
export const UPWARD: readonly Position[] = ['low', 'middle', 'high', 'front']
const positionOf = (style: string): Position => UPWARD.find((position) => position === style) ?? 'high'
export function higherBar(setup: SquatSetup, steps: number): Partial<SquatSetup> {
  const index = Math.min(UPWARD.length - 1, Math.max(0, UPWARD.indexOf(setup.bar_position) + steps))
  return { bar_position: UPWARD[index], specialty: undefined }
}
const asSquat = (setup: object): SquatSetup => (isDeadlift(setup) ? FRESH : (setup as SquatSetup))
const heel = (setup: SquatSetup) => setup.heel_lift_m ?? 0

export const SQUAT: LiftPage = {
  id: 'squat',
  title: say('setup.squat'),
  fresh: FRESH,
  setupOf(from) {
    const given = asSquat(from)
    return {
      bar_position: given.bar_position,
      stance_m: given.stance_m,
      toe_out_deg: Math.round(given.toe_out_deg),
      heel_lift_m: heel(given),
      ...(given.specialty ? { specialty: given.specialty } : {}),
    }
  },
  inStyle: (style) => ({ bar_position: positionOf(style), specialty: undefined }),
  figure: SquatFigure,
  rankingTitle: say('setup.predicted_max_2'),
  rankingNote: say('setup.at_full_depth_80_band_chance'),
  tabs: [
    { id: 'path', name: say('setup.path'), component: Paths },
    { id: 'depth', name: say('setup.depth'), component: Depth },
  ],
  beside: HandsAndRack,
  fitting: say('setup.fitting_every_bar_position_stance_toe'),
  nothing: say('setup.no_squat_to_full_depth_is'),
  noRemedy: say('setup.no_single_lever_and_no_pair'),
  settling: '',
  placed: (setup, { cm }) => {
    const squat = asSquat(setup)
    return `${cm(squat.stance_m, 0)} · ${squat.toe_out_deg.toFixed(0)}° · ${heel(squat) > 0 ? say('setup.squat_heel', { squat: cm(heel(squat)) }) : say('setup.flat')}`
  },
  facts: (leader) =>
    'trunk_lean_deg' in leader
      ? [
          [say('setup.trunk_leans'), inDegrees(leader.trunk_lean_deg)],
          ['shin', inDegrees(leader.shank_deg)],
        ]
      : [],
  trunkDeg: (leader) => ('trunk_lean_deg' in leader ? 90 - leader.trunk_lean_deg : 90),
  notes: () => [],
  maps: [
    { id: 'bar_position', name: say('setup.bar_position') },
    { id: 'toe_out_deg', name: say('setup.map_toes') },
    { id: 'shank_deg', name: say('setup.shin') },
  ],
  mapRow: (setup, across, shown) =>
    across === 'bar_position'
      ? styleOf(setup)
      : across === 'toe_out_deg'
        ? setup.toe_out_deg
        : (shown?.pose.angles.shank ?? 25),
  mapRowName: (row, across) => (across === 'bar_position' ? nameOf(row) : `${row}°`),
  mapPart: (row, across) =>
    across === 'bar_position'
      ? { bar_position: positionOf(row), specialty: undefined }
      : across === 'toe_out_deg'
        ? { toe_out_deg: Number(row) }
        : {},
  mapNote: (across) => (across === 'shank_deg' ? say('setup.the_shin_is_found_not_set') : ''),
  against(now, then, { kg, cm }) {
    const uses = Object.keys(now.pose.use).flatMap((name) => {
      const more = (now.pose.use[name] ?? 0) - (then.pose.use[name] ?? 0)
      return Math.abs(more) < 0.02
        ? []
        : [`${USE_NAMES[name]?.toLowerCase()} ${signed(100 * more, (v) => `${v.toFixed(0)} %`)}`]
    })
    return [
      say('setup.predicted_max_kg_predicted', {
        predictedMaxKg: signed(now.predictedMaxKg - then.predictedMaxKg, kg),
      }),
      say('setup.hip_arm', { hip: signed(now.pose.arms.hip - then.pose.arms.hip, cm) }),
      say('setup.knee_arm', { knee: signed(now.pose.arms.knee - then.pose.arms.knee, cm) }),
      say('setup.lean_trunk_lean', {
        trunk_lean: signed((now.pose.angles.trunk_lean ?? 0) - (then.pose.angles.trunk_lean ?? 0), inDegrees),
      }),
      ...uses,
    ]
  },
  ghosts: () => [],
  repaired(setup: Setup, change, ranking) {
    if (change.bar === 'higher') return higherBar(asSquat(setup), 1)
    if (!change.refit) return movedBy(setup, change)
    const best = ranking?.leaders.find((l) => styleOf(l.setup) === styleOf(setup))?.setup
    return best ? { stance_m: best.stance_m, toe_out_deg: best.toe_out_deg } : null
  },
  useShown: (lifterId, setup, loadKg) =>
    useShownSquat(lifterId, setup, loadKg, () => styles.value.map(({ id }) => positionOf(id))),
}
