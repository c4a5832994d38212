import { flushPromises } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { fresh, server } from './server'

vi.mock('@/shared/api', async (original) => (await import('./server')).withServer(original))
const { default: FirstSteps } = await import('@/stages/floor/FirstSteps.vue')
const { mounted, router } = await import('./mounting')
router.addRoute({ path: '/lifters/new', name: 'new-lifter', component: { template: '<p />' } })
router.addRoute({ path: '/gym', name: 'gym', component: { template: '<p />' } })

const steps = async (lifters: number, racks: unknown[] = []) => {
  server.gets['/api/equipment'] = { racks, bars: racks.length ? [{}, {}] : [{}], plates: [] }
  const page = mounted(FirstSteps, { club: 'Quarry Road', lifters })
  await flushPromises()
  return page
}

beforeEach(fresh)

describe('first steps', () => {
  it('are what the club lacks, each with its door', async () => {
    const page = await steps(0)
    await vi.waitFor(() => expect(page.findAll('li')).toHaveLength(3))
    expect(page.findAll('a').map((a) => a.attributes('href'))).toEqual(['/lifters/new', '/gym', '/gym'])
  })
  it('are gone where nothing is lacking', async () => {
    const page = await steps(3, [{}])
    expect(page.find('section').exists()).toBe(false)
  })
  it('are put aside one by one, and stay aside', async () => {
    const page = await steps(2)
    await vi.waitFor(() => expect(page.findAll('li')).toHaveLength(2))
    await page.find('button').trigger('click')
    expect(page.findAll('li')).toHaveLength(1)
    expect(page.text()).not.toContain('Measure a rack')
    const again = await steps(2)
    await vi.waitFor(() => expect(again.findAll('li')).toHaveLength(1))
  })
})
