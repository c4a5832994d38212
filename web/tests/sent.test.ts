// From afar: what a lifter sends by the own link, and a coach's word to it.
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Schemas } from '@/shared/api'
import { fresh, server } from './server'

vi.mock('@/shared/api', async (original) => (await import('./server')).withServer(original))
const { default: SendAway } = await import('@/stages/card/SendAway.vue')
const { default: SentSets } = await import('@/stages/log/SentSets.vue')
const { default: SentFilms } = await import('@/stages/watch/SentFilms.vue')
const { loadSession } = await import('@/shared/session')
const { mounted } = await import('./mounting')

const ID = '00000000-0000-7000-8000-0000000000aa'
const SENT = '/api/lifters/{lifter_id}/sent'
const sent = (over: Partial<Schemas['SentAnswer']> = {}): Schemas['SentAnswer'] => ({
  item_id: ID,
  kind: 'set',
  lift: 'squat',
  load_kg: 92.5,
  reps: 4,
  missed_reps: 0,
  rpe: 8.5,
  view: null,
  note: 'felt slow',
  performed_at: '2026-11-26T17:00:00Z',
  sent_at: '2026-11-26T17:01:00Z',
  kept_until: null,
  state: 'waits',
  clip_id: null,
  ...over,
})
const press = (page: ReturnType<typeof mounted>, name: string) =>
  page
    .findAll('button')
    .find((b) => b.text() === name)!
    .trigger('click')

beforeEach(async () => {
  fresh()
  await loadSession()
})

describe('the coach', () => {
  it('sees the sets that wait and says that one counts', async () => {
    server.gets[SENT] = [sent(), sent({ item_id: 'other', state: 'counts', load_kg: 60 })]
    const page = mounted(SentSets, { lifterId: 'l' })
    await vi.waitFor(() => expect(page.text().replace(/\s+/g, ' ')).toContain('4 × 92.5 kg @ 8.5'))
    expect(page.text()).toContain('“felt slow”')
    expect(page.text()).not.toContain('60 kg')
    await press(page, 'Count it')
    await vi.waitFor(() => expect(server.posts).toHaveLength(1))
    const [said] = server.posts
    expect(said!.params.path).toEqual({ lifter_id: 'l', item_id: ID })
    expect(said!.body).toMatchObject({ word: 'accepted' })
  })
  it('sees nothing where nothing waits, and films apart from sets', async () => {
    server.gets[SENT] = [sent({ state: 'declined' }), sent({ kind: 'film', view: 'rear', reps: null })]
    const sets = mounted(SentSets, { lifterId: 'l' })
    const films = mounted(SentFilms, { lifterId: 'l' })
    await vi.waitFor(() => expect(films.text()).toContain('squat 92.5 kg from behind'))
    expect(sets.text()).toBe('')
    await press(films, 'Delete it')
    await vi.waitFor(() => expect(server.posts[0]!.body).toMatchObject({ word: 'declined' }))
  })
})

describe('the lifter', () => {
  const page = (items: Schemas['SentAnswer'][] = []) =>
    mounted(SendAway, { token: 'my-own-link', sent: items, consent: 'My coach may look at it.' })
  const fill = (shown: ReturnType<typeof mounted>, label: string, value: string) =>
    shown
      .findAll('.v-text-field')
      .find((f) => f.text().includes(label))!
      .find('input')
      .setValue(value)

  it('sends a set once, however often it is pressed, and the next one under another id', async () => {
    const shown = page()
    await fill(shown, 'Load', '100')
    await fill(shown, 'RPE', '9')
    await shown.find('form').trigger('submit')
    await vi.waitFor(() => expect(shown.emitted('sent')).toHaveLength(1))
    await shown.find('input[type=date]').setValue('2026-11-20')
    await shown.find('form').trigger('submit')
    await vi.waitFor(() => expect(server.posts).toHaveLength(2))
    const [first, second] = server.posts.map((p) => p.body as Record<string, unknown>)
    expect(first).toMatchObject({ load_kg: 100, reps: 5, rpe: 9, lift: 'squat' })
    expect(second!.performed_at).toBe('2026-11-20T12:00:00Z')
    expect(Math.abs(Date.parse(first!.performed_at as string) - Date.now())).toBeLessThan(60_000)
    expect(first!.item_id).not.toBe(second!.item_id)
    expect(server.posts[0]!.params.path).toEqual({ token: 'my-own-link' })
  })
  it('may send a film only with a yes', async () => {
    const shown = page()
    await fill(shown, 'Load', '100')
    await press(shown, 'A film')
    expect(shown.text()).toContain('My coach may look at it.')
    expect(shown.find('button[type=submit]').attributes('disabled')).toBeDefined()
  })
  it('takes back what nobody took up, and deletes a film that was looked at', () => {
    const shown = page([
      sent(),
      sent({ item_id: 'b', state: 'counts' }),
      sent({ item_id: 'c', kind: 'film', state: 'looked at' }),
    ])
    const rows = shown.findAll('.items li').map((row) => row.text())
    expect(rows[0]).toContain('Take back')
    expect(rows[1]).not.toContain('Take back')
    expect(rows[2]).toContain('Delete')
  })
})
