import { describe, expect, it } from 'vitest'
import { nearest } from '@/shared/lifts'
import Way from '@/stages/setup/Way.vue'
import type { Shown } from '@/stages/setup/liftPage'
import { stopText } from '@/stages/setup/stops'
import { mounted } from './mounting'

const steps = Array.from({ length: 21 }, (_, i) => i / 20)
const way = {
  points: {},
  angles_deg: {},
  arms_m: {},
  pitch_deg: steps,
  use: { hips: steps.map((p) => p * 0.9), quads: steps.map((p) => 0.3 + 0.1 * p) },
}
const STOPS = [
  ['set', 0],
  ['descent', 10],
  ['bottom', 20],
  ['out of the hole', 17],
  ['middle', 11],
  ['finish', 5],
] as const
const shown = (more: Partial<Shown> = {}) =>
  ({
    way,
    home: 'bottom',
    phases: [],
    stops: STOPS.map(([id, index]) => ({ id, name: id, index, text: stopText(way, index) })),
    ...more,
  }) as unknown as Shown

describe('the way of a lift', () => {
  it('names the largest use at each phase', () => {
    const text = mounted(Way, { shown: shown(), modelValue: null })
      .findAll('button')
      .map((b) => b.text())
    expect(text[0]).toMatch(/^set.*Quads 30/)
    expect(text[2]).toMatch(/^bottom.*Hips 90/)
    expect(text[3]).toMatch(/^out of the hole.*Hips 7[67]/)
    expect(text[5]).toMatch(/^finish.*Quads 3[23]/)
  })
  it('marks the judged phase until another is chosen, and goes back to it by its name', async () => {
    const page = mounted(Way, { shown: shown(), modelValue: null })
    const marked = () =>
      page.findAll('button').flatMap((b) => (b.classes('on') ? [b.find('span').text()] : []))
    expect(marked()).toEqual(['bottom'])
    await page.findAll('button')[4]?.trigger('click')
    await page.findAll('button')[2]?.trigger('click')
    expect(page.emitted('update:modelValue')).toEqual([[11], [null]])
    await page.setProps({ modelValue: 11 } as never)
    expect(marked()).toEqual(['middle'])
  })
  it('is walked step by step', async () => {
    const page = mounted(Way, { shown: shown(), modelValue: null })
    await page.find('input').setValue('7')
    expect(page.emitted('update:modelValue')).toEqual([[7]])
    expect(page.find('input').attributes('max')).toBe('20')
  })
  it('waits until the way is known', () => {
    const page = mounted(Way, { shown: shown({ way: null }), modelValue: null })
    expect(page.find('input').attributes('disabled')).toBeDefined()
  })
})

describe('the nearest step', () => {
  it('is found whatever lies around it', () => {
    expect(nearest([0, 0.25, 0.5, 0.75, 1], 0.55)).toBe(2)
    expect(nearest([0, 1], 0.8)).toBe(1)
    expect(nearest([], 0.3)).toBe(0)
  })
})
