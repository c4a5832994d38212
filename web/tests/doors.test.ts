import { beforeEach, describe, expect, it, vi } from 'vitest'
import type * as Api from '@/shared/api'

type Answer = { data?: unknown; error?: unknown; response: Response }
const server = vi.hoisted(() => ({
  doors: { own_club: true, demo: true },
  link: null as Answer | null,
  posts: [] as [string, unknown][],
  answer: null as Answer | null,
}))
vi.mock('@/shared/api', async (original) => ({
  ...(await original<typeof Api>()),
  client: {
    GET: (path: string) => {
      if (path === '/api/session/doors')
        return Promise.resolve({ data: server.doors, response: new Response() })
      if (path === '/api/session/club-link/{token}') return Promise.resolve(server.link)
      return Promise.resolve({
        data: { club: 'Quarry Road', coach: 'Ysolde', csrf_token: 't', role: 'owner' },
        response: new Response(),
      })
    },
    POST: (path: string, options?: { body?: unknown }) => {
      server.posts.push([path, options?.body])
      return Promise.resolve(server.answer ?? { data: { ok: true }, response: new Response() })
    },
  },
}))
const { default: SignIn } = await import('@/stages/signin/SignIn.vue')
const { default: StartClub } = await import('@/stages/signin/StartClub.vue')
const { mounted, router } = await import('./mounting')

router.addRoute({ path: '/start/:token?', name: 'start-club', component: { template: '<p />' } })
router.addRoute({ path: '/sign-in', name: 'sign-in', component: { template: '<p />' } })

beforeEach(() => {
  server.doors = { own_club: true, demo: true }
  server.link = server.answer = null
  server.posts.length = 0
})

describe('the sign-in page', () => {
  it('has a door to a club of one’s own and one to the demo where both are open', async () => {
    const page = mounted(SignIn, {})
    await vi.waitFor(() => expect(page.text()).toContain('Start your own club'))
    expect(page.text()).toContain('Enter the demo club')
    expect(page.text()).not.toContain('ask whoever runs this server')
  })
  it('says how to come to a club where no door is open', async () => {
    server.doors = { own_club: false, demo: false }
    const page = mounted(SignIn, {})
    await vi.waitFor(() => expect(page.text()).toContain('ask whoever runs this server for a link'))
    expect(page.text()).not.toContain('demo')
  })
  it('enters the demo with one press', async () => {
    const page = mounted(SignIn, {})
    await vi.waitFor(() => expect(page.text()).toContain('Enter the demo club'))
    await page
      .findAll('button')
      .find((b) => b.text() === 'Enter the demo club')!
      .trigger('click')
    expect(server.posts.map(([path]) => path)).toEqual(['/api/session/demo'])
  })
})

const filled = async (page: ReturnType<typeof mounted>) => {
  for (const [i, text] of ['Quarry Road', 'Ysolde Marrow', 'y@quarry.example', 'a lift is a lift'].entries())
    await page.findAll('input')[i]!.setValue(text)
  await page.find('form').trigger('submit')
}

describe('starting a club', () => {
  it('sends what was entered with the browser’s time zone', async () => {
    const page = mounted(StartClub, {})
    await filled(page)
    await vi.waitFor(() => expect(server.posts).toHaveLength(1))
    const [path, body] = server.posts[0]!
    expect(path).toBe('/api/session/club')
    expect(body).toEqual({
      club: 'Quarry Road',
      name: 'Ysolde Marrow',
      email: 'y@quarry.example',
      password: 'a lift is a lift',
      token: '',
      time_zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    })
  })
  it('shows a refusal at its field and keeps everything', async () => {
    server.answer = {
      error: {
        title: 'No',
        detail: 'one entry cannot be used as it is',
        errors: [{ path: 'password', message: 'this takes at least 12 letters' }],
      },
      response: new Response(null, { status: 422 }),
    }
    const page = mounted(StartClub, {})
    await filled(page)
    await vi.waitFor(() => expect(page.text()).toContain('this takes at least 12 letters'))
    expect((page.findAll('input')[0]!.element as HTMLInputElement).value).toBe('Quarry Road')
    expect(page.find('p[role=alert]').text()).toContain('one entry cannot be used')
  })
  it('fills in what a link names', async () => {
    server.link = { data: { club: 'Weir Lane', email: 'owner@weir.example' }, response: new Response() }
    const page = mounted(StartClub, { token: 'once' })
    await vi.waitFor(() =>
      expect((page.findAll('input')[0]!.element as HTMLInputElement).value).toBe('Weir Lane'),
    )
    expect((page.findAll('input')[2]!.element as HTMLInputElement).value).toBe('owner@weir.example')
  })
  it('shows no form for a link that is over', async () => {
    server.link = { error: { detail: 'this link was used' }, response: new Response(null, { status: 422 }) }
    const page = mounted(StartClub, { token: 'gone' })
    await vi.waitFor(() => expect(page.text()).toContain('this link was used'))
    expect(page.find('form').exists()).toBe(false)
  })
})
