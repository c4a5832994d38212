// A picture that is tapped: while its taps are measured nobody may begin anew.
import { expect, it, vi } from 'vitest'
import PictureToTap from '@/stages/measure/PictureToTap.vue'
import { STANDING } from '@/stages/measure/screens'
import { mounted } from './mounting'

it('cannot be tapped anew, or exchanged, while an answer to its taps is on its way', async () => {
  vi.stubGlobal('URL', Object.assign(URL, { createObjectURL: () => 'blob:x', revokeObjectURL: () => {} }))
  const shown = mounted(PictureToTap, {
    name: 'A picture',
    how: STANDING.how,
    points: STANDING.points,
    limbs: STANDING.limbs,
    message: '',
    busy: true,
  })
  const field = shown.find('input[type=file]')
  Object.defineProperty(field.element, 'files', { value: [new File([], 'p.jpg')] })
  await field.trigger('change')
  const [anew, another] = shown.findAll('.acts button')
  expect(anew!.text()).toBe('Tap anew')
  expect([anew, another].map((one) => one!.attributes('disabled'))).toEqual(['', ''])
  await shown.setProps({ busy: false })
  expect(anew!.attributes('disabled')).toBeUndefined()
  vi.unstubAllGlobals()
})
