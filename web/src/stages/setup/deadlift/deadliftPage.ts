// What the deadlift's set-up stage has of its own.
import { say } from '@/words'
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
  title: say('setup.deadlift'),
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
  rankingTitle: say('setup.styles_side_by_side'),
  rankingNote: say('setup.best_start_of_each_at_its'),
  tabs: [{ id: 'facts', name: say('setup.start'), component: Facts }],
  beside: Cautions,
  fitting: say('setup.fitting_every_style_stance_toe_angle'),
  nothing: say('setup.no_pull_from_the_floor_holds'),
  noRemedy: say('setup.no_single_lever_opens_it_pull'),
  settling: say('setup.do_not_change_style_after_one'),
  placed: (setup, { cm }) => {
    const start = asDeadlift(setup)
    return say('setup.stance_m_toe_out_deg_hands', {
      stance_m: cm(start.stance_m, 0),
      toe_out_deg: start.toe_out_deg.toFixed(0),
      grip_m: cm(start.grip_m, 0),
    })
  },
  facts(leader, { cm }) {
    if (!('back_deg' in leader)) return []
    return [
      ['back', inDegrees(leader.back_deg)],
      [say('setup.bar_travels'), cm(leader.travel_m, 0)],
      [say('setup.thighs_apart'), inDegrees(leader.hip_abduction_deg)],
      [say('setup.hip_bent'), inDegrees(leader.hip_closing_deg)],
      [say('setup.turned_out'), inDegrees(leader.hip_rotation_deg)],
    ]
  },
  trunkDeg: (leader) => ('back_deg' in leader ? leader.back_deg : 45),
  notes(ranking) {
    if (!('coach_rule' in ranking)) return []
    return [
      ...(ranking.coach_rule ? [{ title: say('setup.the_coachs_rule'), text: ranking.coach_rule }] : []),
      ...ranking.advice.map((text) => ({ title: '', text })),
      { title: say('setup.both_lifts'), text: ranking.both_lifts },
      { title: '', text: say('setup.a_trap_bar_stands_beside_the') },
    ]
  },
  maps: [
    { id: 'toe_out_deg', name: say('setup.map_toes') },
    { id: 'bar_offset_m', name: say('setup.feet_to_bar') },
    { id: 'grip_m', name: say('setup.map_hands') },
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
      say('setup.predicted_max_kg_predicted', { predictedMaxKg: signed(predictedMaxKg - before, kg) }),
      say('setup.back_back_deg', { back_deg: signed(now.back_deg - then.back_deg, inDegrees) }),
      say('setup.travel', { travel_m: signed(now.travel_m - then.travel_m, cm) }),
      say('setup.work_work_j', { work_j: signed(now.work_j - then.work_j, (v) => `${v.toFixed(0)} J`) }),
      say('setup.hips_hip_over_knee_m', {
        hip_over_knee_m: signed(now.hip_over_knee_m - then.hip_over_knee_m, cm),
      }),
    ]
  },
  ghosts({ start }, live, tab) {
    const low = (asDeadlift(live).shoulder_offset_m ?? 0) < 0
    if (!start) return []
    const pose = poseAt(start.natural.low, 0)
    return [
      ...(low ? [{ pose, name: say('setup.low') }] : []),
      ...(tab === 'facts' ? [{ pose, name: say('setup.too_low') }] : []),
    ]
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
