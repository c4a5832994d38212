// @vitest-environment node
import { describe, expect, it } from 'vitest'
import { byWorth, leverWords } from '@/stages/measure/levers'

const kg = (value: number, digits: number) => `${value.toFixed(digits)} kg`

describe('what a centimetre is worth', () => {
  it('is told for every lift with its sign', () => {
    const found = { squat: { thigh_m: -3.12 }, deadlift: { thigh_m: 0.8 } }
    expect(leverWords(found, 'thigh_m', kg)).toBe('squat −3.1 kg, deadlift +0.8 kg')
  })
  it('says when nothing changes, and leaves out a lift that is closed', () => {
    expect(leverWords({ squat: { foot_m: 0.01 }, deadlift: {} }, 'foot_m', kg)).toBe('squat the same')
  })
  it('says nothing while it is not known', () => {
    expect(leverWords(undefined, 'thigh_m', kg)).toBe('')
  })
})

describe('which length is taken next', () => {
  const length = (
    segment: string,
    readings_m: number[] = [],
    doubt: string | null = null,
    kept_because = '',
  ) => ({
    segment,
    readings_m,
    doubt,
    kept_because,
  })
  const order = (lengths: ReturnType<typeof length>[], worth?: Record<string, number>) =>
    byWorth(lengths, worth).map((l) => l.segment)

  it('is the one that is likely to move a lift most; what is read twice comes behind', () => {
    const lengths = [
      length('foot_m'),
      length('shank_m', [0.43, 0.43]),
      length('thigh_m'),
      length('trunk_m', [0.5]),
    ]
    expect(order(lengths, { foot_m: 0.6, shank_m: 9, thigh_m: 9.3, trunk_m: 4.5 })).toEqual([
      'thigh_m',
      'trunk_m',
      'foot_m',
      'shank_m',
    ])
  })
  it('keeps the order of the body while nothing is known', () => {
    expect(order([length('foot_m'), length('thigh_m')])).toEqual(['foot_m', 'thigh_m'])
  })
  it('takes a reading that cannot well be right as not taken, unless it was kept with a reason', () => {
    const twice = [0.41, 0.41]
    const lengths = [length('foot_m', twice, 'too long', 'asked him'), length('thigh_m', twice, 'too short')]
    expect(order(lengths)).toEqual(['thigh_m', 'foot_m'])
  })
})
