import { describe, expect, it, vi } from 'vitest'
import type * as Api from '@/shared/api'
import { found, placesOf } from '@/shared/places'

const lifters = [
  { lifter_id: 'm', name: 'Marlow Teague' },
  { lifter_id: 'b', name: 'Bastien Okafor-Lund' },
  { lifter_id: 'e', name: 'Éloïse Ångstrand' },
]
const faults = [
  { id: 'hips-rise', name: 'Hips rise first', lift: 'squat' },
  { id: 'hips-low', name: 'Hips too low', lift: 'deadlift' },
]
vi.mock('@/shared/api', async (original) => ({
  ...(await original<typeof Api>()),
  client: {
    GET: (path: string) =>
      Promise.resolve({ data: path === '/api/floor' ? lifters : { faults }, response: new Response() }),
  },
}))
const { default: GoTo } = await import('@/shared/GoTo.vue')
const { mounted, router } = await import('./mounting')

const titles = (typed: string, open: string | null = null) =>
  found(placesOf(lifters as never, faults as never, open), typed).map((place) => place.title)

describe('where a few letters lead', () => {
  it('to a lifter and the stages by the beginnings of words', () => {
    expect(titles('mar lo')).toEqual(['Marlow Teague, Log'])
    expect(titles('lund')[0]).toBe('Bastien Okafor-Lund')
    expect(titles('OKAFOR squat')).toEqual(['Bastien Okafor-Lund, Squat'])
  })
  it('whatever accents a keyboard lacks', () => {
    expect(titles('eloise ang')[0]).toBe('Éloïse Ångstrand')
  })
  it('to the place that is called so before those that are about it', () => {
    expect(titles('floor')[0]).toBe('Floor')
    expect(titles('racks')).toEqual(['Gym'])
    expect(titles('add')).toEqual(['Add a lifter'])
  })
  it('to a fault in the open lifter’s log, else in the library', () => {
    const places = found(placesOf(lifters as never, faults as never, 'm'), 'hips rise')
    expect(places.map((place) => place.note)).toEqual([
      'squat, in Marlow Teague’s log',
      'squat, in the library',
    ])
    expect(places[0]!.to).toEqual({
      name: 'review',
      params: { lifterId: 'm' },
      query: { lift: 'squat', fault: 'hips-rise' },
    })
    expect(titles('hips low')).toEqual(['Hips too low'])
  })
  it('to the open lifter’s stages before anything is typed', () => {
    expect(titles('', 'b').slice(0, 2)).toEqual(['Bastien Okafor-Lund', 'Bastien Okafor-Lund, Measure'])
    expect(titles('')[0]).toBe('Floor')
  })
  it('nowhere for what nothing is called', () => {
    expect(titles('zzz')).toEqual([])
    expect(titles('mar zzz')).toEqual([])
  })
})

describe('the box', () => {
  vi.stubGlobal('visualViewport', new EventTarget())
  const box = () => document.querySelector<HTMLInputElement>('.go-to input')!
  const options = () => [...document.querySelectorAll('[role="option"]')]
  const press = async (key: string) => {
    box().dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }))
    await Promise.resolve()
  }

  it('opens with the hand on it, is steered by arrows and goes with Enter', async () => {
    const push = vi.spyOn(router, 'push')
    const shown = mounted(GoTo, { modelValue: true, lifterId: null })
    await vi.waitFor(() => expect(options().length).toBeGreaterThan(5))
    expect(document.activeElement).toBe(box())
    box().value = 'mar'
    box().dispatchEvent(new Event('input'))
    await vi.waitFor(() => expect(options()[0]!.textContent).toContain('Marlow Teague'))
    await press('ArrowDown')
    await vi.waitFor(() => expect(options()[1]!.getAttribute('aria-selected')).toBe('true'))
    expect(box().getAttribute('aria-activedescendant')).toBe(options()[1]!.id)
    await press('Enter')
    expect(push).toHaveBeenCalledWith({ name: 'measure', params: { lifterId: 'm' } })
    expect(shown.emitted('update:modelValue')!.at(-1)).toEqual([false])
  })
})
