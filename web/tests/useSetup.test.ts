// @vitest-environment node
import { describe, expect, it } from 'vitest'
import type { Axis } from '@/shared/lifts'
import { higherBar } from '@/stages/setup/squat/squatPage'
import type { SquatSetup } from '@/stages/setup/liftPage'
import { onAxis, sameSetup, useSetup } from '@/stages/setup/useSetup'

const axis = (id: string, unit: string, reach_low: number, reach_high: number, step: number): Axis => ({
  id,
  unit,
  words: id,
  low: reach_low - 1,
  high: reach_high + 1,
  step,
  reach_low,
  reach_high,
})
const AXES = [
  axis('stance_m', 'm', 0.24, 0.8, 0.01),
  axis('toe_out_deg', 'deg', 0, 45, 1),
  axis('heel_lift_m', 'm', 0, 0.03, 0.005),
]
const START: SquatSetup = { bar_position: 'low', stance_m: 0.42, toe_out_deg: 20, heel_lift_m: 0 }
const opened = () => useSetup(START, AXES)

describe('the live set-up', () => {
  it('stays inside what a hand reaches', () => {
    const { live, set } = opened()
    set({ stance_m: 2, toe_out_deg: -9, heel_lift_m: 0.2 })
    expect(live.value).toEqual({ ...START, stance_m: 0.8, toe_out_deg: 0, heel_lift_m: 0.03 })
  })

  it('moves along an axis by its steps', () => {
    const { live, move } = opened()
    move('stance_m', 0.0149)
    expect(live.value.stance_m).toBe(0.43)
    expect(onAxis(AXES[2]!, 0.0124)).toBe(0.01)
  })

  it('moves the bar along the back one place at a time', () => {
    expect(higherBar(START, 1).bar_position).toBe('middle')
    expect(higherBar(START, 9).bar_position).toBe('front')
    expect(higherBar(START, -3).bar_position).toBe('low')
  })

  it('undoes a whole drag at once, and redoes it', () => {
    const { live, begin, move, undo, redo, canUndo, canRedo } = opened()
    begin()
    for (let i = 0; i < 3; i += 1) move('stance_m', 0.01)
    expect(canUndo.value).toBe(true)
    undo()
    expect(live.value.stance_m).toBe(0.42)
    expect(canRedo.value).toBe(true)
    redo()
    expect(live.value.stance_m).toBe(0.45)
  })

  it('forgets the redone future after a new change', () => {
    const { set, undo, canRedo } = opened()
    set({ toe_out_deg: 25 })
    undo()
    set({ toe_out_deg: 30 })
    expect(canRedo.value).toBe(false)
  })

  it('pins a copy that later changes do not touch', () => {
    const { pinned, pin, set } = opened()
    pin()
    set({ stance_m: 0.5 })
    expect(pinned.value?.stance_m).toBe(0.42)
    pin()
    expect(pinned.value).toBeNull()
  })

  it('is the same whatever is left unsaid', () => {
    expect(sameSetup(START, { ...START, specialty: undefined })).toBe(true)
    expect(sameSetup(START, { ...START, stance_m: 0.43 })).toBe(false)
  })
})
