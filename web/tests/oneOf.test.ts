import { describe, expect, it } from 'vitest'
import OneOf from '@/shared/OneOf.vue'
import { mounted } from './mounting'

const options = [
  ['a', 'first'],
  ['b', 'second'],
  ['c', 'third'],
]
const radios = (shown: ReturnType<typeof mounted>) => shown.findAll('[role="radio"]')
const last = (shown: ReturnType<typeof mounted>) => shown.emitted('update:modelValue')?.at(-1)?.[0]

describe('one of a few', () => {
  it('is a named radio group that says which is chosen', () => {
    const shown = mounted(OneOf, { label: 'Lift', options, modelValue: 'b' })
    expect(shown.attributes()).toMatchObject({ role: 'radiogroup', 'aria-label': 'Lift' })
    expect(radios(shown).map((r) => r.attributes('aria-checked'))).toEqual(['false', 'true', 'false'])
  })
  it('is one stop of the tab key: the chosen one, else the first', () => {
    const stops = (modelValue: string | null) =>
      radios(mounted(OneOf, { label: 'x', options, modelValue })).map((r) => r.attributes('tabindex'))
    expect(stops('c')).toEqual(['-1', '-1', '0'])
    expect(stops(null)).toEqual(['0', '-1', '-1'])
  })
  it('moves with the arrow keys, round the ends, and takes the focus along', async () => {
    const shown = mounted(OneOf, { label: 'x', options, modelValue: 'a' })
    await radios(shown)[0]!.trigger('keydown', { key: 'ArrowLeft' })
    expect(last(shown)).toBe('c')
    expect(document.activeElement).toBe(radios(shown)[2]!.element)
    await radios(shown)[2]!.trigger('keydown', { key: 'ArrowDown' })
    expect(last(shown)).toBe('a')
    await radios(shown)[0]!.trigger('keydown', { key: 'g' })
    expect(shown.emitted('update:modelValue')).toHaveLength(2)
  })
  it('keeps its choice when pressed again, unless it may be cleared', async () => {
    const firm = mounted(OneOf, { label: 'x', options, modelValue: 'a' })
    await radios(firm)[0]!.trigger('click')
    expect(firm.emitted('update:modelValue')).toBeUndefined()
    const free = mounted(OneOf, { label: 'x', options, modelValue: 'a', clearable: true })
    await radios(free)[0]!.trigger('click')
    expect(last(free)).toBeNull()
  })
})
