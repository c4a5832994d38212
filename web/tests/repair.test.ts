// @vitest-environment node
import { describe, expect, it } from 'vitest'
import { movedBy } from '@/stages/setup/useRepair'

describe('a remedy in the explorer', () => {
  it('moves only what the set-up has, by the amount', () => {
    const part = movedBy(
      { stance_m: 0.42, toe_out_deg: 20 },
      { stance_m: 0.01, heel_lift_m: 0.01, bar: 'higher' },
    )
    expect(Object.keys(part)).toEqual(['stance_m'])
    expect((part as { stance_m: number }).stance_m).toBeCloseTo(0.43)
  })
})
