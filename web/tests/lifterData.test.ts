import { describe, expect, it, vi } from 'vitest'
import type * as Api from '@/shared/api'

const server = vi.hoisted(() => ({ role: 'owner', posts: [] as unknown[][] }))
vi.mock('@/shared/api', async (original) => ({
  ...(await original<typeof Api>()),
  client: {
    GET: () =>
      Promise.resolve({
        data: { club: 'Quarry Road', coach: 'Ysolde', csrf_token: 't', role: server.role },
        response: new Response(),
      }),
    POST: (...asked: unknown[]) => {
      server.posts.push(asked)
      return Promise.resolve({ data: { lifter_id: 'x' }, response: new Response() })
    },
  },
}))
const { default: LifterData } = await import('@/stages/lifter/LifterData.vue')
const { loadSession } = await import('@/shared/session')
const { mounted, router } = await import('./mounting')
router.addRoute({ path: '/', name: 'floor', component: { template: '<p />' } })

const data = async (role: string) => {
  server.role = role
  await loadSession()
  return mounted(LifterData, { lifterId: 'x', name: 'Ida Łęcka' })
}

describe('the data of a lifter', () => {
  it('are one file away for everyone', async () => {
    const shown = await data('read_only')
    expect(shown.find('a').attributes('href')).toBe('/api/lifters/x/export')
    expect(shown.text()).not.toContain('Delete for good')
  })
  it('are deleted only by the owner and only with the name', async () => {
    const shown = await data('owner')
    await shown
      .findAll('button')
      .find((b) => b.text() === 'Delete for good')!
      .trigger('click')
    const last = () => shown.find('button[type="submit"]')
    expect(last().attributes('disabled')).toBeDefined()
    await shown.find('input').setValue('Ida')
    expect(last().attributes('disabled')).toBeDefined()
    await shown.find('input').setValue(' Ida Łęcka ')
    expect(last().attributes('disabled')).toBeUndefined()
    localStorage.setItem('pavrik-draft-x', '{}')
    await shown.find('form').trigger('submit')
    expect(server.posts).toMatchObject([
      ['/api/lifters/{lifter_id}/erasure', { body: { name: 'Ida Łęcka' } }],
    ])
    await vi.waitFor(() => expect(router.currentRoute.value.name).toBe('floor'))
    expect(localStorage.getItem('pavrik-draft-x')).toBeNull()
  })
})
