import { describe, expect, it } from 'vitest'
import { otherBodies, percent } from '@/shared/words'

describe('what the chances of being best leave over', () => {
  it('is told, so that nobody adds them up in vain', () => {
    expect(otherBodies([0.36, 0.24, 0, 0])).toBe(
      'In the other 40 % of the bodies drawn the best two lie within 1 %, or none holds.',
    )
  })
  it('is told of a lone set-up as what it is', () => {
    expect(otherBodies([0.7])).toBe('In the other 30 % of the bodies drawn it does not hold.')
  })
  it('is nothing while bodies are being drawn, or where nothing is left', () => {
    expect(otherBodies([undefined, null])).toBeNull()
    expect(otherBodies([])).toBeNull()
    expect(otherBodies([0.6, 0.4])).toBeNull()
  })
})

describe('a share', () => {
  it('is said in per cent with as many digits as asked', () => {
    expect(percent(0.125)).toBe('13 %')
    expect(percent(0.125, 1)).toBe('12.5 %')
  })
})
