// Screens one at a time: the first that is missing lies open, the next after it is kept.
import { expect, it } from 'vitest'
import type { VueWrapper } from '@vue/test-utils'
import Screens from '@/stages/measure/Screens.vue'
import { mounted } from './mounting'

let page: VueWrapper | undefined

const taken = (kind: string, value: number) => ({
  kind,
  value,
  readings: [value],
  taken_at: '2026-11-20T10:00:00Z',
})
const opened = () => page!.findAll('.row[aria-expanded="true"] b').map((b) => b.text())
function screens(...known: ReturnType<typeof taken>[]) {
  page = mounted(Screens, { lifterId: 'one', screens: known }) as unknown as VueWrapper
  return page
}

it('the first missing screen lies open and says how it is taken and what it gates', () => {
  screens(taken('ankle', 34))
  expect(opened()).toEqual(['Deepest squat with a neutral back'])
  expect(page!.text()).toContain('Gates: depth at every stance')
  expect(page!.findAll('.on .v-text-field')).toHaveLength(2)
})

it('another is opened by pressing it, and closed so', async () => {
  screens()
  expect(opened()).toEqual(['Ankle bend'])
  const hip = page!.findAll('.row').find((r) => r.text().startsWith('Hip opening'))!
  await hip.trigger('click')
  expect(opened()).toEqual(['Hip opening'])
  await hip.trigger('click')
  expect(opened()).toEqual([])
})

it('with all of them taken none lies open: the rest is asked of few', () => {
  screens(taken('ankle', 34), taken('neutral_depth', 150), taken('hip', 44), taken('hip_rotation', 45))
  expect(opened()).toEqual([])
  expect(page!.text()).toContain('Hop and land')
})
