import { describe, expect, it } from 'vitest'
import { leverWords } from '@/stages/measure/levers'

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
