import { beforeEach, describe, expect, it, vi } from 'vitest'
import { fresh, server } from './server'

vi.mock('@/shared/api', async (original) => (await import('./server')).withServer(original))
const { default: Invite } = await import('@/stages/people/Invite.vue')
const { default: People } = await import('@/stages/people/People.vue')
const { default: WholeClub } = await import('@/stages/people/WholeClub.vue')
const { default: BringClub } = await import('@/stages/signin/BringClub.vue')
const { default: PersonRow } = await import('@/stages/people/PersonRow.vue')
const { default: Join } = await import('@/stages/signin/Join.vue')
const { loadSession } = await import('@/shared/session')
const { mounted, router } = await import('./mounting')
router.addRoute({ path: '/sign-in', name: 'sign-in', component: { template: '<p />' } })

const person = (over = {}) => ({
  coach_id: 'p1',
  name: 'Corwin Ashdown',
  email: 'corwin@quarry.example',
  role: 'coach',
  you: false,
  left_at: null,
  ...over,
})
const LINK = { link_id: 'k', path: '/join/once', qr_svg: '<svg/>', days: 7 }
beforeEach(async () => {
  fresh()
  await loadSession()
})
const find = (page: ReturnType<typeof mounted>, name: string) =>
  page.findAll('button').find((b) => b.text() === name)

describe('the people of a club', () => {
  const people = async (over = {}) => {
    server.gets['/api/people'] = {
      people: [
        person({ coach_id: 'me', name: 'Ysolde', role: 'owner', you: true }),
        person(),
        person({ coach_id: 'p2', name: 'Gone Before', left_at: '2026-10-01T08:00:00Z' }),
      ],
      links: [],
      may_manage: true,
      ...over,
    }
    server.gets['/api/session/account'] = {
      name: 'Ysolde',
      email: 'y@quarry.example',
      role: 'owner',
      browsers: [],
    }
    server.gets['/api/audit'] = []
    const page = mounted(People, {})
    await vi.waitFor(() => expect(page.text()).toContain('In the club'))
    return page
  }
  it('counts who is there, and keeps who left apart', async () => {
    const page = await people()
    expect(page.text()).toContain('2 people, 1 owner')
    expect(page.findAll('.person')).toHaveLength(2)
    expect(page.text()).toContain('Gone Before')
  })
  it('shows neither invitations nor deeds to one who does not manage it', async () => {
    const page = await people({ may_manage: false })
    expect(page.text()).toContain('Owners invite')
    expect(page.text()).not.toContain('Invite somebody')
    expect(page.text()).not.toContain('What was done')
    expect(page.find('select').exists()).toBe(false)
  })
})

describe('one person', () => {
  const row = (over = {}) => mounted(PersonRow, { person: person(over), mayManage: true })
  it('is taken out only when asked twice', async () => {
    const shown = row()
    await find(shown, 'Take out')!.trigger('click')
    expect(server.posts).toHaveLength(0)
    expect(shown.text()).toContain('what was recorded stays')
    await find(shown, 'Keep')!.trigger('click')
    expect(find(shown, 'Take out now')).toBeUndefined()
    await find(shown, 'Take out')!.trigger('click')
    await find(shown, 'Take out now')!.trigger('click')
    await vi.waitFor(() => expect(shown.emitted('changed')).toHaveLength(1))
    expect(server.posts.map((p) => p.path)).toEqual(['/api/people/{coach_id}/leaving'])
  })
  it('never takes oneself out, nor makes oneself a link', () => {
    expect(row({ you: true }).find('.acts').exists()).toBe(false)
  })
  it('gets another role; a refusal is said and the list is read again', async () => {
    server.refusal = { detail: 'a club keeps one owner', errors: [] }
    const shown = row({ role: 'owner' })
    await shown.find('select').setValue('read_only')
    expect(server.posts[0]!.body).toEqual({ role: 'read_only' })
    await vi.waitFor(() => expect(shown.text()).toContain('a club keeps one owner'))
    expect(shown.emitted('changed')).toHaveLength(1)
  })
  it('who forgot the password gets a link that is shown once', async () => {
    server.answer = LINK
    const shown = row()
    await find(shown, 'Forgot the password')!.trigger('click')
    await vi.waitFor(() => expect(shown.find('input').exists()).toBe(true))
    expect((shown.find('input').element as HTMLInputElement).value).toBe(`${location.origin}/join/once`)
    expect(shown.find('img').attributes('src')).toContain(encodeURIComponent('<svg/>'))
  })
})

describe('a link', () => {
  it('stands without its QR code where the server does not know its address', async () => {
    server.answer = { ...LINK, qr_svg: '' }
    const shown = mounted(PersonRow, { person: person(), mayManage: true })
    await find(shown, 'Forgot the password')!.trigger('click')
    await vi.waitFor(() => expect(shown.text()).toContain('PAVRIK_PUBLIC_URL'))
    expect(shown.find('img').exists()).toBe(false)
    expect((shown.find('input').element as HTMLInputElement).value).toContain('/join/once')
  })
})

describe('an invitation', () => {
  it('is made for an address and a role, and taken off the page when it is closed', async () => {
    server.answer = LINK
    const open = {
      link_id: 'k',
      kind: 'invitation',
      email: 'new@quarry.example',
      expires_at: '2026-12-04T08:00:00Z',
      role: 'coach',
    }
    const shown = mounted(Invite, { links: [open] })
    expect(shown.find('[type=submit]').attributes('disabled')).toBeDefined()
    await shown.find('input[type=email]').setValue('new@quarry.example')
    await shown.find('form').trigger('submit')
    await vi.waitFor(() => expect(shown.text()).toContain('Shown once; it works once, within 7 days.'))
    expect(server.posts[0]!.body).toMatchObject({ email: 'new@quarry.example', role: 'coach' })
    await find(shown, 'close it')!.trigger('click')
    await vi.waitFor(() => expect(shown.text()).not.toContain('Shown once'))
  })
  it('keeps the address when it is refused, with the sentence at the field only', async () => {
    server.refusal = {
      detail: 'one entry cannot be used',
      errors: [{ path: 'email', message: 'is in the club' }],
    }
    const shown = mounted(Invite, { links: [] })
    await shown.find('input[type=email]').setValue('y@quarry.example')
    await shown.find('form').trigger('submit')
    await vi.waitFor(() => expect(shown.text()).toContain('is in the club'))
    expect(shown.find('p[role=alert]').exists()).toBe(false)
    expect((shown.find('input[type=email]').element as HTMLInputElement).value).toBe('y@quarry.example')
  })
})

describe('the link of an invitation', () => {
  const join = async (kind: string) => {
    server.gets['/api/session/join/{token}'] = {
      kind,
      club: 'Quarry Road',
      email: 'n@q.example',
      role: 'read_only',
    }
    const page = mounted(Join, { token: 'once' })
    await vi.waitFor(() => expect(page.text()).toContain('n@q.example'))
    return page
  }
  it('says what the role may do before one joins', async () => {
    const page = await join('invitation')
    expect(page.text()).toContain('Join Quarry Road.')
    expect(page.text()).toContain('see everything and change nothing')
    const [name, password] = page.findAll('input')
    await name!.setValue('Nadia')
    await password!.setValue('twelve letters long')
    await page.find('form').trigger('submit')
    await vi.waitFor(() => expect(router.currentRoute.value.path).toBe('/'))
    expect(server.posts[0]!.body).toEqual({ name: 'Nadia', password: 'twelve letters long', token: 'once' })
  })
  it('of a forgotten password asks for no name and says that others are signed out', async () => {
    const page = await join('password')
    expect(page.findAll('input')).toHaveLength(1)
    expect(page.text()).toContain('Everywhere else you will be signed out')
  })
})

describe('the whole club', () => {
  it('leaves as one file, and only the demo club can be removed', async () => {
    const own = mounted(WholeClub, { club: 'Quarry Road', isDemo: false })
    expect(own.find('a').attributes('href')).toBe('/api/club/archive')
    expect(own.text()).not.toContain('Remove')
    const demo = mounted(WholeClub, { club: 'Demo', isDemo: true })
    await find(demo, 'Remove the demo club')!.trigger('click')
    expect(server.posts).toHaveLength(0)
    expect(demo.text()).toContain('brings it back')
  })
})

describe('a club from elsewhere', () => {
  const pick = async (page: ReturnType<typeof mounted>) => {
    const input = page.find('input[type=file]')
    Object.defineProperty(input.element, 'files', { value: [new File(['zip'], 'club.zip')] })
    await input.trigger('change')
  }
  it('says what came and leads its owner to a password', async () => {
    server.answer = { club: 'First', owner_email: 'o@first.example', path: '/join/once', facts: 1234 }
    const page = mounted(BringClub, { token: 'by-link' })
    await pick(page)
    await vi.waitFor(() => expect(page.text()).toContain('First is here with 1,234 facts'))
    expect(page.find('a').attributes('href')).toContain('/join/once')
    expect(server.posts[0]!.params).toMatchObject({ query: { token: 'by-link' } })
  })
  it('that cannot be used is refused in the words of the server, and another file can be chosen', async () => {
    server.refusal = { detail: 'this is no archive of a club', errors: [] }
    const page = mounted(BringClub, { token: '' })
    await pick(page)
    await vi.waitFor(() => expect(page.text()).toContain('this is no archive of a club'))
    expect(page.find('input[type=file]').attributes('disabled')).toBeUndefined()
  })
})
