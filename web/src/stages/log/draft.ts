// The set being logged, kept in the browser until it is in the outbox: nothing typed is lost.
import { useLocalStorage } from '@vueuse/core'
import { uuid7, type Schemas } from '@/shared/api'
import { now } from '@/shared/clock'

export type Lift = 'squat' | 'deadlift'
export interface SeenFault {
  observation_id: string
  rep: number
  fault_id: string
  phase: string
  severity: number
  side: 'left' | 'right' | null
  note: string
}
export interface Draft {
  set_id: string
  key: string
  replaces: string | null
  performed_at: string | null
  lift: Lift
  variation: string
  load_kg: number
  reps: ('good' | 'miss')[]
  rpe: number | null
  aimed_rpe: number | null
  pull_style: 'dead_stop' | 'rebound' | null
  cue: string
  gear: Schemas['Gear']
  measures: Schemas['Measures']
  note: string
  faults: SeenFault[]
  past: string[]
}

export const freshDraft = (from: Partial<Draft> = {}): Draft => ({
  set_id: uuid7(),
  key: uuid7(),
  replaces: null,
  performed_at: null,
  lift: 'squat',
  variation: 'competition',
  load_kg: 60,
  reps: [],
  rpe: null,
  aimed_rpe: null,
  pull_style: null,
  cue: '',
  gear: {},
  measures: {},
  note: '',
  faults: [],
  past: [],
  ...from,
})

const MOST_UNDO = 40
function remember(draft: Draft) {
  draft.past = [...draft.past, JSON.stringify([draft.reps, draft.faults])].slice(-MOST_UNDO)
}

export function addRep(draft: Draft, kind: 'good' | 'miss') {
  if (draft.reps.length >= 30) return
  remember(draft)
  draft.reps.push(kind)
}

/** A fault in a new rep, or one more in the rep before. */
export function addFault(draft: Draft, fault: { fault_id: string; phase: string }, sameRep: boolean) {
  if (draft.reps.length >= 30) return
  remember(draft)
  if (!sameRep || !draft.reps.length) draft.reps.push('good')
  draft.faults.push({
    observation_id: uuid7(),
    rep: draft.reps.length,
    severity: 2,
    side: null,
    note: '',
    ...fault,
  })
}

/** Says more about the fault noted last. */
export function changeLast(draft: Draft, change: Partial<Pick<SeenFault, 'severity' | 'side'>>) {
  const last = draft.faults.at(-1)
  if (!last) return
  remember(draft)
  Object.assign(last, change)
}

export function undo(draft: Draft) {
  const before = draft.past.pop()
  if (before) [draft.reps, draft.faults] = JSON.parse(before) as [Draft['reps'], Draft['faults']]
}

/** The set as the server takes it. */
export function bodyOf(draft: Draft): Schemas['SetRequest'] {
  return {
    set_id: draft.set_id,
    replaces: draft.replaces,
    lift: draft.lift,
    variation: draft.variation,
    load_kg: draft.load_kg,
    reps: draft.reps.filter((r) => r === 'good').length,
    missed_reps: draft.reps.filter((r) => r === 'miss').length,
    rpe: draft.rpe,
    aimed_rpe: draft.aimed_rpe,
    pull_style: draft.lift === 'deadlift' ? (draft.pull_style ?? 'dead_stop') : null,
    cue: draft.cue,
    gear: draft.gear,
    measures: draft.measures,
    note: draft.note,
    performed_at: draft.performed_at ?? now().toISOString(),
    faults: draft.faults,
  }
}

/** A draft that amends a logged set: the old fact stays on record. */
export function amending(s: Schemas['SetAnswer']): Draft {
  return freshDraft({
    replaces: s.set_id,
    performed_at: s.performed_at,
    lift: s.lift as Lift,
    variation: s.variation,
    load_kg: s.load_kg,
    reps: [...Array<'good'>(s.reps).fill('good'), ...Array<'miss'>(s.missed_reps).fill('miss')],
    rpe: s.rpe,
    aimed_rpe: s.aimed_rpe,
    pull_style: s.pull_style as Draft['pull_style'],
    cue: s.cue,
    gear: s.gear,
    measures: s.measures,
    note: s.note,
    faults: s.faults.map((f) => ({
      observation_id: uuid7(),
      rep: f.rep,
      fault_id: f.fault_id,
      phase: f.phase,
      severity: f.severity ?? 2,
      side: f.side ?? null,
      note: f.note ?? '',
    })),
  })
}

/** A draft of a set that the server refused: everything as it was entered, under a new key. */
export function mending(s: Schemas['SetRequest']): Draft {
  const {
    set_id,
    missed_reps = 0,
    measures,
    gear,
    variation = 'competition',
    note = '',
    cue = '',
    faults = [],
    ...rest
  } = s
  const whole = {
    ...rest,
    set_id,
    missed_reps,
    measures: measures ?? {},
    gear: gear ?? {},
    variation,
    note,
    cue,
    faults,
    rpe: s.rpe ?? null,
    aimed_rpe: s.aimed_rpe ?? null,
    pull_style: s.pull_style ?? null,
    replaces: s.replaces ?? null,
    withdrawn: false,
    estimated_max_kg: null,
    trial_arm: null,
  }
  return { ...amending(whole), replaces: s.replaces ?? null }
}

const placeOf = (lifterId: string) => `pavrik-draft-${lifterId}`

/** Whether a lifter's log holds a set that is being entered. */
export function isEntering(lifterId: string): boolean {
  const stored = localStorage.getItem(placeOf(lifterId))
  return stored !== null && ((JSON.parse(stored) as Partial<Draft>).reps ?? []).length > 0
}

/** Opens the log of a lifter with this draft. */
export function keepDraft(lifterId: string, draft: Draft): void {
  localStorage.setItem(placeOf(lifterId), JSON.stringify(draft))
}

/** Takes the draft of a lifter off this device. */
export const forgetDraft = (lifterId: string) => localStorage.removeItem(placeOf(lifterId))

export function useDraft(lifterId: string) {
  const place = placeOf(lifterId)
  const isNew = localStorage.getItem(place) === null
  const draft = useLocalStorage<Draft>(place, freshDraft(), { mergeDefaults: true })
  /** The next set: same lift, load, style and gear, a new id. */
  function next() {
    const { lift, variation, load_kg, aimed_rpe, pull_style, cue, gear } = draft.value
    draft.value = freshDraft({ lift, variation, load_kg, aimed_rpe, pull_style, cue, gear })
  }
  return { draft, next, isNew }
}
