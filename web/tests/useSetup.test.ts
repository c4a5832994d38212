import { describe, expect, it } from 'vitest'
import { useSetup, type Setup } from '@/stages/squat/useSetup'

const START: Setup = { bar_position: 'low', stance_m: 0.42, toe_out_deg: 20, heel_lift_m: 0 }

describe('the live set-up', () => {
  it('stays inside what the bench reaches', () => {
    const { live, set } = useSetup(START)
    set({ stance_m: 2, toe_out_deg: -9, heel_lift_m: 0.2 })
    expect(live.value).toEqual({ ...START, stance_m: 0.8, toe_out_deg: 0, heel_lift_m: 0.03 })
  })

  it('moves the bar along the back one place at a time', () => {
    const { live, stepBar } = useSetup(START)
    stepBar(1)
    expect(live.value.bar_position).toBe('middle')
    stepBar(9)
    expect(live.value.bar_position).toBe('front')
  })

  it('undoes a whole drag at once, and redoes it', () => {
    const { live, begin, change, undo, redo, canUndo, canRedo } = useSetup(START)
    begin()
    for (const stance of [0.43, 0.44, 0.45]) change({ stance_m: stance })
    expect(canUndo.value).toBe(true)
    undo()
    expect(live.value.stance_m).toBe(0.42)
    expect(canRedo.value).toBe(true)
    redo()
    expect(live.value.stance_m).toBe(0.45)
  })

  it('forgets the redone future after a new change', () => {
    const { set, undo, canRedo } = useSetup(START)
    set({ toe_out_deg: 25 })
    undo()
    set({ toe_out_deg: 30 })
    expect(canRedo.value).toBe(false)
  })

  it('pins a copy that later changes do not touch', () => {
    const { pinned, pin, set } = useSetup(START)
    pin()
    set({ stance_m: 0.5 })
    expect(pinned.value?.stance_m).toBe(0.42)
    pin()
    expect(pinned.value).toBeNull()
  })
})
