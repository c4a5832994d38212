import { flushPromises } from '@vue/test-utils'
import { beforeEach, expect, it, vi } from 'vitest'
import { defineComponent, h, ref } from 'vue'
import { fresh, server, withServer } from './server'
import { mounted } from './mounting'
import type { SquatSetup } from '@/stages/setup/liftPage'

vi.mock('@/shared/api', (original) => withServer(original as never))
const { useShownSquat } = await import('@/stages/setup/squat/useShownSquat')

const GRID = '/api/lifters/{lifter_id}/squat/grid'
const askedFor = () => server.asked.filter(({ path }) => path === GRID).map(({ query }) => query.bar_position)

beforeEach(fresh)

it('asks for the grid of the bar under the hand first, then for the others one by one', async () => {
  const setup = ref<SquatSetup>({ bar_position: 'high', stance_m: 0.42, toe_out_deg: 20, heel_lift_m: 0 })
  const answers: ((grid: unknown) => void)[] = []
  const wait = () => (server.later[GRID] = new Promise((answer) => answers.push(answer)))
  wait()
  const page = defineComponent(() => {
    useShownSquat('one', setup, ref(100), () => ['low', 'high', 'front'])
    return () => h('p')
  })
  mounted(page, {})
  await flushPromises()
  expect(askedFor()).toEqual(['high'])
  for (const sofar of [
    ['high', 'low'],
    ['high', 'low', 'front'],
  ]) {
    wait()
    answers.at(-2)?.({})
    await flushPromises()
    expect(askedFor()).toEqual(sofar)
  }
})

it('asks for the grid of another bar as soon as the hand is there', async () => {
  const setup = ref<SquatSetup>({ bar_position: 'high', stance_m: 0.42, toe_out_deg: 20, heel_lift_m: 0 })
  server.later[GRID] = new Promise(() => undefined)
  const page = defineComponent(() => {
    useShownSquat('one', setup, ref(100), () => ['low', 'high', 'front'])
    return () => h('p')
  })
  mounted(page, {})
  await flushPromises()
  setup.value = { ...setup.value, bar_position: 'front' }
  await flushPromises()
  expect(askedFor()).toEqual(['high', 'front'])
})
