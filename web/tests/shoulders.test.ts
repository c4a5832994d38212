// @vitest-environment node
import { describe, expect, it } from 'vitest'
import { isBehind, shoulderWords } from '@/stages/setup/deadlift/shoulders'

const cm = (metres: number) => (metres * 100).toFixed(0)

describe('where the shoulders start', () => {
  it('is a signed number in front of the bar', () => {
    expect(shoulderWords(0.04, cm)).toBe('shoulder +4')
  })
  it('is said in words behind it', () => {
    expect(shoulderWords(-0.04, cm)).toBe('shoulder 4 behind')
  })
  it('is not behind for a rounding', () => {
    expect(isBehind(-0.004)).toBe(false)
    expect(isBehind(-0.006)).toBe(true)
  })
})
