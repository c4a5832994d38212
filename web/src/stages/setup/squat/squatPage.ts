// What the squat's set-up stage has of its own.
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
  title: 'Squat',
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
  rankingTitle: 'Predicted max',
  rankingNote: 'at full depth, 80 % band, chance of best',
  tabs: [
    { id: 'path', name: 'Path', component: Paths },
    { id: 'depth', name: 'Depth', component: Depth },
  ],
  beside: HandsAndRack,
  fitting: 'Fitting every bar position, stance, toe angle and heel',
  nothing: 'No squat to full depth is feasible yet',
  noRemedy: 'No single lever and no pair of them opens it: take the learning ladder.',
  settling: '',
  placed: (setup, { cm }) => {
    const squat = asSquat(setup)
    return `${cm(squat.stance_m, 0)} · ${squat.toe_out_deg.toFixed(0)}° · ${heel(squat) > 0 ? `${cm(heel(squat))} heel` : 'flat'}`
  },
  facts: (leader) =>
    'trunk_lean_deg' in leader
      ? [
          ['trunk leans', inDegrees(leader.trunk_lean_deg)],
          ['shin', inDegrees(leader.shank_deg)],
        ]
      : [],
  trunkDeg: (leader) => ('trunk_lean_deg' in leader ? 90 - leader.trunk_lean_deg : 90),
  notes: () => [],
  maps: [
    { id: 'bar_position', name: 'bar position' },
    { id: 'toe_out_deg', name: 'toes' },
    { id: 'shank_deg', name: 'shin' },
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
  mapNote: (across) =>
    across === 'shank_deg' ? 'The shin is found, not set: the cross moves along the stance only.' : '',
  against(now, then, { kg, cm }) {
    const uses = Object.keys(now.pose.use).flatMap((name) => {
      const more = (now.pose.use[name] ?? 0) - (then.pose.use[name] ?? 0)
      return Math.abs(more) < 0.02
        ? []
        : [`${USE_NAMES[name]?.toLowerCase()} ${signed(100 * more, (v) => `${v.toFixed(0)} %`)}`]
    })
    return [
      `${signed(now.predictedMaxKg - then.predictedMaxKg, kg)} predicted`,
      `hip arm ${signed(now.pose.arms.hip - then.pose.arms.hip, cm)}`,
      `knee arm ${signed(now.pose.arms.knee - then.pose.arms.knee, cm)}`,
      `lean ${signed((now.pose.angles.trunk_lean ?? 0) - (then.pose.angles.trunk_lean ?? 0), inDegrees)}`,
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
