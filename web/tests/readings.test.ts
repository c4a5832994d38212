// Two readings of a length: what is being typed outlives what is worked out anew meanwhile.
import { flushPromises, type VueWrapper } from '@vue/test-utils'
import { beforeEach, expect, it, vi } from 'vitest'
import type { Schemas } from '@/shared/api'
import { fresh, server } from './server'

vi.mock('@/shared/api', async (original) => (await import('./server')).withServer(original as never))
const { default: Measure } = await import('@/stages/measure/Measure.vue')
const { default: Readings } = await import('@/stages/measure/Readings.vue')
const { mounted } = await import('./mounting')

const length = (name: string, more: Partial<Schemas['LandmarkAnswer']> = {}): Schemas['LandmarkAnswer'] => ({
  landmark: name,
  segment: `${name}_m`,
  name,
  how: 'with a tape',
  readings_m: [],
  length_m: 0.42,
  expected_m: 0.42,
  z_score: 0,
  doubt: null,
  estimated: true,
  third_reading_wanted: false,
  kept_because: '',
  ...more,
})
let page: VueWrapper
const boxes = () =>
  page
    .findAll('.readings input')
    .slice(0, 2)
    .map((box) => (box.element as HTMLInputElement).value)
const type = (text: string) => page.find('.readings input').setValue(text)
beforeEach(fresh)

it('keeps what is typed where only what is expected changes, and shows what was kept', async () => {
  page = mounted(Readings, { lifterId: 'one', landmark: length('thigh') }) as unknown as VueWrapper
  await type('43')
  await page.setProps({ landmark: length('thigh', { expected_m: 0.44, z_score: -1 }) })
  expect(boxes()).toEqual(['43', ''])
  await page.setProps({ landmark: length('thigh', { readings_m: [0.43, 0.435] }) })
  expect(boxes()).toEqual(['43', '43.5'])
})

it('stays with the length that is being typed when another turns out to be worth more', async () => {
  let tell: (levers: unknown) => void = () => {}
  const worth = new Promise((resolve) => (tell = resolve))
  const at = '/api/lifters/{lifter_id}'
  server.gets[`${at}/measurements`] = {
    landmarks: [length('thigh'), length('trunk')],
    segments_m: { thigh_m: 0.42, trunk_m: 0.5 },
  }
  server.later[`${at}/levers`] = worth
  page = mounted(Measure, { lifterId: 'one' }) as unknown as VueWrapper
  await flushPromises()
  expect(page.find('.readings h2').text()).toBe('thigh')
  await type('43')
  tell({ worth_kg: { thigh_m: 1, trunk_m: 9 }, kg_per_cm: {} })
  await flushPromises()
  expect(page.text()).toContain('trunk')
  expect([page.find('.readings h2').text(), ...boxes()]).toEqual(['thigh', '43', ''])
})
