import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type * as Api from '@/shared/api'

const server = vi.hoisted(() => ({ fate: 'refused', down: false }))
type Sent = { body: { items: { key: string }[] } }
vi.mock('@/shared/api', async (original) => ({
  ...(await original<typeof Api>()),
  client: {
    GET: () =>
      Promise.resolve({
        data: { club: 'Weir Lane', coach: 'Ysolde', csrf_token: 't', role: 'coach' },
        response: new Response(),
      }),
    POST: (_: string, { body }: Sent) =>
      server.down
        ? Promise.reject(new TypeError('no network'))
        : Promise.resolve({
            data: {
              fates: body.items.map(({ key }) => ({
                key,
                fate: server.fate,
                detail: 'the load lies above 600 kg',
              })),
            },
            response: new Response(),
          }),
  },
}))
const { useOutbox } = await import('@/shared/outbox')
const { loadSession } = await import('@/shared/session')
const { bodyOf, freshDraft, isEntering, keepDraft, useDraft } = await import('@/stages/log/draft')
const { default: SyncState } = await import('@/stages/log/SyncState.vue')
const { mounted } = await import('./mounting')

const box = useOutbox()
const settled = () =>
  vi.waitFor(() => {
    if (box.state.sending) throw new Error('still sending')
  })
async function log(load: number) {
  const draft = freshDraft({ load_kg: load, reps: ['good', 'good'] })
  await box.enqueue({ kind: 'set', key: draft.key, lifter_id: 'lifter', set: bodyOf(draft) })
  await settled()
}
const press = (page: ReturnType<typeof mounted>, name: string) =>
  page
    .findAll('button')
    .find((b) => b.text() === name)!
    .trigger('click')

beforeEach(async () => {
  Object.assign(server, { fate: 'refused', down: false })
  await loadSession()
  for (const item of [...box.items.value]) await box.discard(item.key)
})

describe('what became of the sets', () => {
  it('says that all is on the server', async () => {
    server.fate = 'kept'
    await log(100)
    expect(mounted(SyncState, {}).text()).toBe('All on the server.')
  })
  it('counts what waits and sends it when asked', async () => {
    server.down = true
    await log(100)
    const page = mounted(SyncState, {})
    expect(page.text()).toContain('1 kept on this device')
    Object.assign(server, { fate: 'kept', down: false })
    await press(page, 'Send now')
    await settled()
    await vi.waitFor(() => expect(page.text()).toBe('All on the server.'))
  })
  it('puts a refused set back into the fields it was entered in', async () => {
    await log(900)
    const page = mounted(SyncState, {})
    expect(page.text()).toContain('the load lies above 600 kg')
    await press(page, 'Mend it')
    await vi.waitFor(() => expect(page.emitted('mend')).toEqual([['lifter']]))
    expect(useDraft('lifter').draft.value).toMatchObject({ load_kg: 900, reps: ['good', 'good'] })
    expect(box.items.value).toEqual([])
  })
  it('never writes over a set that is being entered', async () => {
    await log(900)
    keepDraft('lifter', freshDraft({ reps: ['good'], load_kg: 60 }))
    const page = mounted(SyncState, {})
    await press(page, 'Mend it')
    expect(page.text()).toContain('Keep the set that you are entering first')
    expect(box.refused.value).toHaveLength(1)
    expect(isEntering('lifter')).toBe(true)
    expect(useDraft('lifter').draft.value.load_kg).toBe(60)
  })
  it('gives a refused set up', async () => {
    await log(900)
    const page = mounted(SyncState, {})
    await press(page, 'Give it up')
    await vi.waitFor(() => expect(box.items.value).toEqual([]))
    expect(page.emitted('mend')).toBeUndefined()
  })
})
