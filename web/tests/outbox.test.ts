import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type * as Api from '@/shared/api'

const server = vi.hoisted(() => ({
  post: vi.fn(),
  session: { club: 'Weir Lane', coach: 'Ysolde', csrf_token: 't', role: 'coach' },
}))
vi.mock('@/shared/api', async (original) => ({
  ...(await original<typeof Api>()),
  client: {
    POST: server.post,
    GET: () => Promise.resolve({ data: server.session, response: new Response() }),
  },
}))
const { useOutbox } = await import('@/shared/outbox')
const { loadSession } = await import('@/shared/session')
const { bodyOf, freshDraft } = await import('@/stages/log/draft')

const box = useOutbox()
type Sent = { body: { items: { key: string }[] } }
const fates =
  (fateOf: (key: string) => string) =>
  (_: string, { body }: Sent) =>
    Promise.resolve({
      data: {
        fates: body.items.map(({ key }) => ({
          key,
          fate: fateOf(key),
          detail: 'the load lies above 600 kg',
        })),
      },
      response: new Response(),
    })
const sent = () =>
  server.post.mock.calls.map(([, { body }]) => (body as Sent['body']).items.map((item) => item.key))

function aSet() {
  const draft = freshDraft({ reps: ['good'] })
  return { kind: 'set' as const, key: draft.key, lifter_id: 'lifter', set: bodyOf(draft) }
}
const settled = () =>
  vi.waitFor(() => {
    if (box.state.sending) throw new Error('still sending')
  })

beforeEach(async () => {
  await settled()
  for (const item of [...box.items.value]) await box.discard(item.key)
  server.post.mockReset()
  await loadSession()
})

describe('the outbox', () => {
  it('empties what the server keeps and tells whose log grew', async () => {
    server.post.mockImplementation(fates(() => 'kept'))
    const heard = vi.fn()
    const forget = box.onTaken(heard)
    await box.enqueue(aSet())
    await settled()
    expect(box.waiting.value).toBe(0)
    expect(heard).toHaveBeenCalledWith(['lifter'])
    forget()
  })
  it('keeps everything while there is no connection, and sends it in order once there is', async () => {
    server.post.mockRejectedValue(new TypeError('no network'))
    const bodies = [aSet(), aSet(), aSet()]
    for (const body of bodies) await box.enqueue(body)
    await settled()
    expect(box.waiting.value).toBe(3)
    expect(box.state.trouble).toBe('No connection.')
    server.post.mockReset()
    server.post.mockImplementation(fates(() => 'kept'))
    await box.drain()
    expect(sent()).toEqual([bodies.map((body) => body.key)])
    expect(box.waiting.value).toBe(0)
    expect(box.state.trouble).toBe('')
  })
  it('keeps a refused set with the reason and does not send it again', async () => {
    const [bad, good] = [aSet(), aSet()]
    server.post.mockImplementation(fates((key) => (key === bad.key ? 'refused' : 'kept')))
    await box.enqueue(bad)
    await box.enqueue(good)
    await settled()
    await box.drain()
    expect(box.refused.value.map((item) => [item.key, item.refused])).toEqual([
      [bad.key, 'the load lies above 600 kg'],
    ])
    server.post.mockClear()
    await box.drain()
    expect(server.post).not.toHaveBeenCalled()
    await box.discard(bad.key)
    expect(box.items.value).toEqual([])
  })
  it('sends many in batches, each set once', async () => {
    server.post.mockRejectedValue(new TypeError('no network'))
    const bodies = Array.from({ length: 120 }, aSet)
    for (const body of bodies) await box.enqueue(body)
    await settled()
    server.post.mockReset()
    server.post.mockImplementation(fates(() => 'kept'))
    await box.drain()
    expect(sent().map((batch) => batch.length)).toEqual([50, 50, 20])
    expect(new Set(sent().flat()).size).toBe(120)
  })
  it('tries each set by itself where the server refuses a batch, so that one bad set holds up no other', async () => {
    const [bad, good] = [aSet(), aSet()]
    server.post.mockImplementation((_: string, { body }: Sent) =>
      body.items.some(({ key }) => key === bad.key)
        ? Promise.resolve({
            error: { detail: 'this cannot be read' },
            response: new Response(null, { status: 422 }),
          })
        : fates(() => 'kept')(_, { body }),
    )
    await box.enqueue(bad)
    await box.enqueue(good)
    await settled()
    await box.drain()
    expect(box.waiting.value).toBe(0)
    expect(box.refused.value.map((item) => [item.key, item.refused])).toEqual([
      [bad.key, 'this cannot be read'],
    ])
    expect(box.state.trouble).toBe('')
  })
  it('takes a pause or a lost role for no refusal of the set', async () => {
    server.post.mockResolvedValue({
      error: { detail: 'wait' },
      response: new Response(null, { status: 429 }),
    })
    await box.enqueue(aSet())
    await settled()
    expect(box.refused.value).toEqual([])
    expect(box.waiting.value).toBe(1)
  })
  it('asks to sign in again when the session has ended, and loses nothing', async () => {
    server.post.mockResolvedValue({
      error: { detail: 'sign in' },
      response: new Response(null, { status: 401 }),
    })
    await box.enqueue(aSet())
    await settled()
    expect(box.state.trouble).toBe('Sign in again to send.')
    expect(box.waiting.value).toBe(1)
  })
  it('shows another coach on this device nothing of it', async () => {
    server.post.mockRejectedValue(new TypeError('no network'))
    await box.enqueue(aSet())
    await settled()
    server.session = { ...server.session, coach: 'Other' }
    await loadSession()
    await box.drain()
    expect(box.items.value).toEqual([])
    server.session = { ...server.session, coach: 'Ysolde' }
    await loadSession()
    await box.drain()
    expect(box.waiting.value).toBe(1)
  })
})
