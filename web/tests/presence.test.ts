import { beforeEach, describe, expect, it, vi } from 'vitest'
import { fresh, server } from './server'

vi.mock('@/shared/api', async (original) => (await import('./server')).withServer(original))
const { default: BodyMass } = await import('@/stages/lifter/BodyMass.vue')
const { default: Presence } = await import('@/stages/lifter/Presence.vue')
const { loadSession } = await import('@/shared/session')
const { mounted } = await import('./mounting')

const PROFILE = { name: 'Ida', sex: 'female', mass_kg: 63, stature_m: 1.66 } as never
const press = (page: ReturnType<typeof mounted>, text: string) =>
  page
    .findAll('button')
    .find((b) => b.text() === text)!
    .trigger('click')

beforeEach(async () => {
  fresh()
  await loadSession()
})

describe('a lifter who leaves', () => {
  it('is out of the club with one press and back with one', async () => {
    await press(mounted(Presence, { lifterId: 'x', name: 'Ida', awaySince: null }), 'Left the club')
    expect(server.posts[0]).toMatchObject({
      path: '/api/lifters/{lifter_id}/presence',
      body: { here: false },
    })
    const away = mounted(Presence, { lifterId: 'x', name: 'Ida', awaySince: '2026-11-20T10:00:00Z' })
    expect(away.text()).toContain('Ida left the club on 20 Nov')
    await press(away, 'Back in the club')
    expect(server.posts[1]!.body).toEqual({ here: true })
  })
  it('is told to a reader without a button', async () => {
    server.gets['/api/session'] = { club: 'Q', coach: 'R', csrf_token: 't', role: 'read_only' }
    await loadSession()
    const away = mounted(Presence, { lifterId: 'x', name: 'Ida', awaySince: '2026-11-20T10:00:00Z' })
    expect(away.text()).toContain('left the club')
    expect(away.find('button').exists()).toBe(false)
  })
})

describe('body mass', () => {
  const masses = [
    { on: '2026-08-01', mass_kg: 61 },
    { on: '2026-11-01', mass_kg: 63 },
  ]
  it('is a curve, and today’s is one number away', async () => {
    const page = mounted(BodyMass, { lifterId: 'x', profile: PROFILE, masses })
    expect(page.text()).toContain('63 kg since 1 Nov')
    expect(page.find('svg').exists()).toBe(true)
    await page.find('input').setValue('64,5')
    await page.find('form').trigger('submit')
    await vi.waitFor(() => expect(server.posts).toHaveLength(1))
    expect(server.posts[0]!.body).toMatchObject({ name: 'Ida', mass_kg: 64.5, stature_m: 1.66 })
  })
  it('that cannot be is refused beside the line, and what was typed stays', async () => {
    server.refusal = { detail: 'no', errors: [{ path: 'mass_kg', message: '20 kg is below 35' }] }
    const page = mounted(BodyMass, { lifterId: 'x', profile: PROFILE, masses: masses.slice(0, 1) })
    expect(page.find('svg').exists()).toBe(false)
    await page.find('input').setValue('20')
    await page.find('form').trigger('submit')
    await vi.waitFor(() => expect(page.text()).toContain('20 kg is below 35'))
    expect((page.find('input').element as HTMLInputElement).value).toBe('20')
  })
})
