import { expect, it } from 'vitest'
import type { VueWrapper } from '@vue/test-utils'
import FrameFields from '@/stages/prescribe/FrameFields.vue'
import { mounted } from './mounting'

let page: VueWrapper | undefined

function fields(blocked: string[]) {
  const frame = {
    start: '2026-11-30',
    weeks: 8,
    weekdays: [0, 2],
    meet: null,
    shape: 'steady',
    strategy: 'placing',
    blocked,
  }
  page = mounted(FrameFields, { modelValue: frame }) as unknown as VueWrapper
  return page
}
const said = () =>
  (page!.emitted('update:modelValue')?.at(-1)?.[0] as { blocked: string[] } | undefined)?.blocked

it('a date is blocked once, in order, and the field is empty for the next', async () => {
  const input = fields(['2026-12-09']).get('[aria-label="Block a date"]')
  await input.setValue('2026-12-02')
  await input.trigger('change')
  expect(said()).toEqual(['2026-12-02', '2026-12-09'])
  expect((input.element as HTMLInputElement).value).toBe('')
  await input.setValue('2026-12-09')
  await input.trigger('change')
  expect(said()?.filter((d) => d === '2026-12-09')).toHaveLength(1)
})

it('a blocked date is freed by pressing it, which is called so', async () => {
  await fields(['2026-12-02', '2026-12-09']).get('[aria-label="Free Wed 2 Dec again"]').trigger('click')
  expect(said()).toEqual(['2026-12-09'])
})
