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

/** A bench with the bar high, at a load, whose grids come when they are let. */
function opened() {
  const setup = ref<SquatSetup>({ bar_position: 'high', stance_m: 0.42, toe_out_deg: 20, heel_lift_m: 0 })
  const loadKg = ref(100)
  const waiting: (() => void)[] = []
  const hold = () =>
    (server.later[GRID] = new Promise((come) => waiting.push(() => come({ load_kg: loadKg.value }))))
  const letOneCome = async () => {
    hold()
    waiting.shift()?.()
    await flushPromises()
  }
  hold()
  const page = defineComponent(() => {
    useShownSquat('one', setup, loadKg, () => ['low', 'high', 'front'])
    return () => h('p')
  })
  mounted(page, {})
  return { setup, loadKg, letOneCome }
}

it('asks for the grid of the bar under the hand first, then for the others one by one', async () => {
  const { letOneCome } = opened()
  await flushPromises()
  expect(askedFor()).toEqual(['high'])
  await letOneCome()
  expect(askedFor()).toEqual(['high', 'low'])
  await letOneCome()
  expect(askedFor()).toEqual(['high', 'low', 'front'])
})

it('asks for the grid of another bar as soon as the hand is there', async () => {
  const { setup } = opened()
  await flushPromises()
  setup.value = { ...setup.value, bar_position: 'front' }
  await flushPromises()
  expect(askedFor()).toEqual(['high', 'front'])
})

it('keeps the same order at another load', async () => {
  const { loadKg, letOneCome } = opened()
  await flushPromises()
  await letOneCome()
  await letOneCome()
  await letOneCome()
  server.asked = []
  loadKg.value = 120
  await flushPromises()
  expect(askedFor()).toEqual(['high'])
  await letOneCome()
  expect(askedFor()).toEqual(['high', 'low'])
})
