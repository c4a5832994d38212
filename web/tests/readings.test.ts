// Two readings of a length: what is being typed outlives what is worked out anew meanwhile.
import { type VueWrapper } from '@vue/test-utils'
import { afterEach, expect, it } from 'vitest'
import Readings from '@/stages/measure/Readings.vue'
import { mounted } from './mounting'

const landmark = {
  landmark: 'thigh',
  readings_m: [] as number[],
  third_reading_wanted: false,
  kept_because: '',
  worth_kg: 3,
}
let row: VueWrapper
const boxes = () => row.findAll('input').map((box) => (box.element as HTMLInputElement).value)
afterEach(() => row.unmount())

it('keeps what is typed when only its worth changes, and shows what was kept', async () => {
  row = mounted(Readings, { lifterId: 'one', landmark }) as unknown as VueWrapper
  await row.findAll('input')[0]!.setValue('43')
  await row.setProps({ landmark: { ...landmark, worth_kg: 2 } })
  expect(boxes().slice(0, 2)).toEqual(['43', ''])
  await row.setProps({ landmark: { ...landmark, readings_m: [0.43, 0.435] } })
  expect(boxes().slice(0, 2)).toEqual(['43', '43.5'])
})
