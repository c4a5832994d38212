// What a lift's set-up stage has of its own; everything else stands once, in this folder.
import type { Component, Ref } from 'vue'
import type { Pose } from '@/figure/pose'
import type { Schemas } from '@/shared/api'
import type { Lift } from '@/shared/lifts'
import type { Ranking, Setup } from '@/shared/queries'
import type { useUnits } from '@/shared/units'

export type { Ranking, Setup }
export type Leader = Ranking['leaders'][number]
export type SquatSetup = Schemas['SquatSetupIn']
export type DeadliftSetup = Schemas['DeadliftSetupIn']
/** Parts of a set-up of either lift. */
export type Part = Partial<SquatSetup> | Partial<DeadliftSetup>
export type Change = Record<string, number | string>
type Units = ReturnType<typeof useUnits>

export const isDeadlift = (setup: object): setup is DeadliftSetup => 'style' in setup
export const styleOf = (setup: Setup | Leader['setup']): string =>
  isDeadlift(setup) ? setup.style : setup.bar_position

/** A place on the way where a phase is judged. */
export interface Stop {
  id: string
  name: string
  index: number
  /** The largest use there, in words. */
  text: string
}
/** One set-up as the server says it; `exact` is false for the nearest one computed. */
export interface Shown {
  pose: Pose
  predictedMaxKg: number
  limiter: string
  reasons: string[]
  exact: boolean
  explanations: Record<string, string>
  /** The way, standing to bottom or floor to lockout; null until the exact answer is here. */
  way: Schemas['DrawnColumns'] | null
  stops: Stop[]
  /** The phase of every step, where each step lies in one only. */
  phases: string[]
  /** The stop that `pose` stands for. */
  home: string
  start: Schemas['StartAnswer'] | null
}
export interface ShownSetup {
  shown: Ref<Shown | null>
  problem: Ref<Error | null>
  again: () => void
}
export interface Tab {
  id: string
  name: string
  /** Gets `lifterId`, `live`, `loadKg`, `shown`; may emit `set`. */
  component: Component
}

export interface LiftPage {
  id: Lift
  title: string
  /** Where nothing is known yet. */
  fresh: Setup
  /** The parts of a set-up that the page handles. */
  setupOf: (from: Setup | Leader['setup']) => Setup
  inStyle: (style: string) => Part
  figure: Component
  rankingTitle: string
  rankingNote: string
  tabs: Tab[]
  /** Below the ranking: hands and rack, cautions. */
  beside: Component
  fitting: string
  nothing: string
  /** Said when a closed style has no remedy. */
  noRemedy: string
  /** Said where a set-up is settled. */
  settling: string
  placed: (setup: Setup, units: Units) => string
  /** What tells one leader from another: name and value. */
  facts: (leader: Leader, units: Units) => [string, string][]
  /** The trunk above level. */
  trunkDeg: (leader: Leader) => number
  notes: (ranking: Ranking) => { title: string; text: string }[]
  maps: { id: string; name: string }[]
  /** Row of a map under a set-up, and a set-up's part under a row. */
  mapRow: (setup: Setup, across: string, shown: Shown | null) => string | number
  mapRowName: (row: string, across: string) => string
  mapPart: (row: string, across: string) => Part
  mapNote: (across: string) => string
  against: (now: Shown, then: Shown, units: Units) => string[]
  ghosts: (shown: Shown, live: Setup, tab: string) => { pose: Pose; name: string }[]
  /** What a remedy makes of a set-up; null where the page cannot show it. */
  repaired: (setup: Setup, change: Change, ranking: Ranking | null) => Part | null
  useShown: (lifterId: string, setup: Ref<Setup | null>, loadKg: Ref<number>) => ShownSetup
}

export function signed(value: number, text: (size: number) => string): string {
  return `${value >= 0 ? '+' : '−'}${text(Math.abs(value))}`
}
export const inDegrees = (value: number) => `${value.toFixed(0)}°`
