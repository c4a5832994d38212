// Typing a set-up in numbers: what is being typed outlives the answers that arrive meanwhile.
import { flushPromises, type VueWrapper } from '@vue/test-utils'
import { beforeEach, expect, it, vi } from 'vitest'
import { mounted } from './mounting'

vi.hoisted(() => {
  const axis = (id: string, words: string, reach_low: number, reach_high: number, step: number) => ({
    id,
    words,
    unit: 'm',
    reach_low,
    reach_high,
    step,
  })
  const about = {
    id: 'deadlift',
    styles: [{ id: 'sumo', name: 'sumo', rival: true }],
    phases: [],
    maps: [],
    axes: [
      axis('stance_m', 'stance', 0.1, 1.2, 0.01),
      axis('bar_offset_m', 'bar in front of mid-foot', -0.05, 0.15, 0.005),
      axis('bar_height_m', 'height of the bar', 0.1, 0.5, 0.005),
    ],
  }
  localStorage.setItem('pavrik-lifts', JSON.stringify([about]))
})
const { default: ExactEntry } = await import('@/stages/setup/ExactEntry.vue')
const { DEADLIFT } = await import('@/stages/setup/deadlift/deadliftPage')

const live = { ...DEADLIFT.fresh, style: 'sumo', stance_m: 0.64, bar_offset_m: 0.03 }
let entry: VueWrapper
const field = (name: string) =>
  entry
    .findAll('label')
    .find((label) => label.text().startsWith(name))!
    .find('input')
async function type(name: string, text: string) {
  const input = field(name)
  ;(input.element as HTMLInputElement).value = text
  await input.trigger('input')
}
async function enter(name: string, text: string) {
  await type(name, text)
  await field(name).trigger('change')
  await flushPromises()
}
const shown = (name: string) => (field(name).element as HTMLInputElement).value

beforeEach(() => {
  entry = mounted(ExactEntry, {
    page: DEADLIFT,
    live,
    loadKg: 100,
    barHeightM: null,
  }) as unknown as VueWrapper
})

it('shows what is drawn', () => {
  expect([shown('Stance'), shown('Ahead'), shown('Load')]).toEqual(['64', '3', '100'])
})

it('keeps what is typed while an answer arrives', async () => {
  await type('Ahead', '9')
  await entry.setProps({ barHeightM: 0.225, live: { ...live, stance_m: 0.6 } })
  expect([shown('Stance'), shown('Height'), shown('Ahead')]).toEqual(['60', '22.5', '9'])
})

it('shows what was made of what was typed', async () => {
  await enter('Ahead', '3.1')
  expect(entry.emitted('set')).toEqual([[{ bar_offset_m: expect.closeTo(0.031) as number }]])
  expect(shown('Ahead'), 'the drawing stays on its step').toBe('3')
})

it('says the range of what cannot be, and leaves it to be mended', async () => {
  await enter('Ahead', '90')
  await entry.setProps({ barHeightM: 0.225 })
  expect(entry.find('[role=alert]').text()).toContain('−5 to 15 cm')
  expect([shown('Ahead'), entry.emitted('set')]).toEqual(['90', undefined])
})
