// @vitest-environment node
import { describe, expect, it } from 'vitest'
import { percent } from '@/shared/words'

describe('a share', () => {
  it('is written in percent with a space', () => {
    expect(percent(0.356)).toBe('36 %')
    expect(percent(0.356, 1)).toBe('35.6 %')
  })
})
