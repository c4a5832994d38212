// @vitest-environment node
import { describe, expect, it } from 'vitest'
import { lengthText, massText, readLength, readMass } from '@/shared/units'

describe('typed lengths', () => {
  it.each([
    ['43.5', 'cm', 0.435],
    ['43,5 cm', 'cm', 0.435],
    ['435 mm', 'in', 0.435],
    ['1.80 m', 'cm', 1.8],
    ['71 in', 'cm', 1.8034],
    ['71', 'in', 1.8034],
    ["5'11", 'cm', 1.8034],
    ['5 ft 11 in', 'cm', 1.8034],
    ["6'", 'cm', 1.8288],
  ] as const)('%s read in %s', (text, unit, metres) => {
    expect(readLength(text, unit)).toBeCloseTo(metres, 6)
  })

  it.each(['', 'long', '-3', '4 5', "5'11'' or so"])('refuses "%s"', (text) => {
    expect(readLength(text, 'cm')).toBeNaN()
  })
})

describe('typed masses', () => {
  it('reads kilograms and pounds, whichever is written', () => {
    expect(readMass('82,5', 'kg')).toBe(82.5)
    expect(readMass('182 lb', 'kg')).toBeCloseTo(82.554, 3)
    expect(readMass('182', 'lb')).toBeCloseTo(82.554, 3)
    expect(readMass('heavy', 'kg')).toBeNaN()
  })

  it('comes back as it was typed', () => {
    expect(massText(readMass('402.5', 'lb'), 'lb')).toBe('402.5')
    expect(lengthText(readLength('17.3', 'in'), 'in')).toBe('17.3')
  })

  it('drops empty decimals but not whole zeros', () => {
    expect(massText(180, 'kg')).toBe('180')
    expect(massText(182.5, 'kg')).toBe('182.5')
    expect(massText(100, 'kg', 0)).toBe('100')
  })
})
