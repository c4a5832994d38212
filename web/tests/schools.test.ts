import { beforeEach, describe, expect, it, vi } from 'vitest'
import { fresh, server } from './server'

vi.mock('@/shared/api', async (original) => (await import('./server')).withServer(original))
const { default: LifterSchools } = await import('@/stages/lifter/LifterSchools.vue')
const { loadSession } = await import('@/shared/session')
const { mounted } = await import('./mounting')

const school = (id: string, lift: string, ...texts: string[]) => ({
  id,
  lift,
  question: `${id}?`,
  positions: texts.map((text) => ({ id: text, text, cue: '' })),
  why_default: 'Habit.',
  switches: 'a cue',
})
beforeEach(async () => {
  fresh()
  server.gets['/api/schools'] = {
    schools: [
      school('break', 'squat', 'together', 'hips first'),
      school('blades', 'deadlift', 'down', 'back'),
      school('weak', 'both', 'position', 'muscle'),
    ],
    club: { blades: 'back' },
  }
  await loadSession()
})
const shown = async (chosen: Record<string, string>) => {
  const page = mounted(LifterSchools, { lifterId: 'l', chosen })
  await vi.waitFor(() => expect(page.findAll('summary')).toHaveLength(3))
  return page
}

describe('the schools of a lifter', () => {
  it('stand there for both lifts, in a line each', async () => {
    const page = await shown({ break: 'hips first', blades: 'back', weak: 'position' })
    expect(page.findAll('summary').map((s) => s.text())).toEqual([
      'squat hips first',
      'deadlift as the club',
      'Both lifts as the club',
    ])
    expect(page.findAll('details').every((d) => d.attributes('open') === undefined)).toBe(true)
  })
  it('name what differs from the club, not from the default', async () => {
    const page = await shown({ break: 'together', blades: 'down', weak: 'position' })
    expect(page.findAll('summary')[1]!.text()).toBe('deadlift down')
  })
  it('are chosen one by one', async () => {
    const page = await shown({ break: 'together', blades: 'back', weak: 'position' })
    await page.find('#weak').setValue('muscle')
    await vi.waitFor(() => expect(server.posts).toHaveLength(1))
    expect(server.posts[0]).toMatchObject({
      path: '/api/lifters/{lifter_id}/schools',
      body: { question: 'weak', position: 'muscle' },
    })
  })
  it('are read only by who only reads', async () => {
    server.gets['/api/session'] = { club: 'c', coach: 'y', csrf_token: 't', role: 'read_only' }
    await loadSession()
    const page = await shown({ break: 'together', blades: 'back', weak: 'position' })
    expect(page.find('#weak').attributes('disabled')).toBeDefined()
  })
})
