// What the deadlift's set-up stage has of its own.
import { poseAt } from '@/figure/pose'
import { useLift } from '@/shared/lifts'
import { inDegrees, isDeadlift, signed, styleOf, type DeadliftSetup, type LiftPage } from '../liftPage'
import { movedBy } from '../useRepair'
import Cautions from './Cautions.vue'
import DeadliftFigure from './DeadliftFigure.vue'
import Facts from './Facts.vue'
import { useShownStart } from './useShownStart'

const FRESH: DeadliftSetup = {
  style: 'conventional',
  stance_m: 0.3,
  toe_out_deg: 12,
  grip_m: 0.54,
  bar_offset_m: 0.03,
  shoulder_offset_m: 0.04,
  bar_height_m: null,
}
const { styles } = useLift('deadlift')
type Style = DeadliftSetup['style']
const FROG_TOES_DEG = 30
const SCHOOL_M = 0.04

const asDeadlift = (setup: object): DeadliftSetup => (isDeadlift(setup) ? setup : FRESH)
const styleNamed = (id: string): Style =>
  styles.value.some((style) => style.id === id) ? (id as Style) : 'conventional'
const round = (value: number, digits: number) => Number(value.toFixed(digits))

export const DEADLIFT: LiftPage = {
  id: 'deadlift',
  title: 'Deadlift',
  fresh: FRESH,
  setupOf(from) {
    const given = asDeadlift(from)
    return {
      style: given.style,
      stance_m: round(given.stance_m, 3),
      toe_out_deg: Math.round(given.toe_out_deg),
      grip_m: round(given.grip_m, 2),
      bar_offset_m: round(given.bar_offset_m ?? 0.03, 3),
      shoulder_offset_m: round(given.shoulder_offset_m ?? SCHOOL_M, 2),
      bar_height_m: given.bar_height_m ?? null,
    }
  },
  inStyle: (style) => ({ style: styleNamed(style), bar_height_m: null }),
  figure: DeadliftFigure,
  rankingTitle: 'Styles side by side',
  rankingNote: 'best start of each, at its predicted max',
  tabs: [{ id: 'facts', name: 'Start', component: Facts }],
  beside: Cautions,
  fitting: 'Fitting every style, stance, toe angle, grip and foot distance',
  nothing: 'No pull from the floor holds with a flat back yet',
  noRemedy: 'No single lever opens it: pull from blocks or take the trap bar.',
  settling: 'Do not change style after one bad week.',
  placed: (setup, { cm }) => {
    const start = asDeadlift(setup)
    return `${cm(start.stance_m, 0)} · ${start.toe_out_deg.toFixed(0)}° · hands ${cm(start.grip_m, 0)}`
  },
  facts(leader, { cm }) {
    if (!('back_deg' in leader)) return []
    return [
      ['back', inDegrees(leader.back_deg)],
      ['bar travels', cm(leader.travel_m, 0)],
      ['thighs apart', inDegrees(leader.hip_abduction_deg)],
      ['hip bent', inDegrees(leader.hip_closing_deg)],
      ['turned out', inDegrees(leader.hip_rotation_deg)],
    ]
  },
  trunkDeg: (leader) => ('back_deg' in leader ? leader.back_deg : 45),
  notes(ranking) {
    if (!('coach_rule' in ranking)) return []
    return [
      ...(ranking.coach_rule ? [{ title: "The coach's rule.", text: ranking.coach_rule }] : []),
      ...ranking.advice.map((text) => ({ title: '', text })),
      { title: 'Both lifts.', text: ranking.both_lifts },
      { title: '', text: 'A trap bar stands beside the others: it is no rival in the sport' },
    ]
  },
  maps: [
    { id: 'toe_out_deg', name: 'toes' },
    { id: 'bar_offset_m', name: 'feet to bar' },
    { id: 'grip_m', name: 'hands' },
  ],
  mapRow(setup, across) {
    const start = asDeadlift(setup)
    if (across === 'toe_out_deg') return start.toe_out_deg
    return (across === 'grip_m' ? start.grip_m : (start.bar_offset_m ?? 0)) * 100
  },
  mapRowName: (row, across) => (across === 'toe_out_deg' ? `${row}°` : `${row} cm`),
  mapPart: (row, across) => ({ [across]: across === 'toe_out_deg' ? Number(row) : Number(row) / 100 }),
  mapNote: () => '',
  against({ start: now, predictedMaxKg }, { start: then, predictedMaxKg: before }, { kg, cm }) {
    if (!now || !then) return []
    return [
      `${signed(predictedMaxKg - before, kg)} predicted`,
      `back ${signed(now.back_deg - then.back_deg, inDegrees)}`,
      `travel ${signed(now.travel_m - then.travel_m, cm)}`,
      `work ${signed(now.work_j - then.work_j, (v) => `${v.toFixed(0)} J`)}`,
      `hips ${signed(now.hip_over_knee_m - then.hip_over_knee_m, cm)}`,
    ]
  },
  ghosts({ start }, live, tab) {
    const low = (asDeadlift(live).shoulder_offset_m ?? 0) < 0
    if (!start) return []
    const pose = poseAt(start.natural.low, 0)
    return [...(low ? [{ pose, name: 'low' }] : []), ...(tab === 'facts' ? [{ pose, name: 'too low' }] : [])]
  },
  repaired(setup, change, ranking) {
    const start = asDeadlift(setup)
    const fitted = ranking?.leaders.find((l) => styleOf(l.setup) === start.style)?.setup
    const school = fitted && isDeadlift(fitted) ? fitted : null
    if (change.style === 'frog')
      return { style: 'frog', toe_out_deg: Math.max(start.toe_out_deg, FROG_TOES_DEG) }
    if (typeof change.bar_offset_to_m === 'number')
      return { bar_offset_m: school?.bar_offset_m ?? change.bar_offset_to_m }
    if (change.shoulder_offset === 'school')
      return { shoulder_offset_m: school?.shoulder_offset_m ?? SCHOOL_M }
    return movedBy(setup, change)
  },
  useShown: useShownStart,
}
