// What was logged and is not on the server yet: kept in the browser's database, sent in order, each
// item under a key of its own, so that nothing is lost and nothing doubled.
import { say } from '@/words'
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { useDocumentVisibility, useOnline, useTimeoutFn } from '@vueuse/core'
import { computed, reactive, readonly, ref, watch } from 'vue'
import { answered, client, ProblemError, type Schemas } from './api'
import { now } from './clock'
import { loadSession, useSession } from './session'

export type QueuedBody = Schemas['QueuedSetRequest'] | Schemas['QueuedWithdrawalRequest']
export interface Queued {
  key: string
  owner: string
  body: QueuedBody
  at: string
  refused?: string
}
interface OutboxSchema extends DBSchema {
  outbox: { key: string; value: Queued; indexes: { 'by-time': string } }
}

const BATCH = 50
/** Answers that say nothing about an item: sign in, wait, try again. */
const NOT_ABOUT_THE_ITEM = new Set([401, 403, 408, 413, 429])
const isRefusal = (error: unknown): error is ProblemError =>
  error instanceof ProblemError &&
  error.status >= 400 &&
  error.status < 500 &&
  !NOT_ABOUT_THE_ITEM.has(error.status)
const RETRY_MS = [1000, 2000, 4000, 8000, 15000]

let opened: Promise<IDBPDatabase<OutboxSchema>> | null = null
const database = () =>
  (opened ??= openDB<OutboxSchema>('pavrik', 1, {
    upgrade(db) {
      db.createObjectStore('outbox', { keyPath: 'key' }).createIndex('by-time', 'at')
    },
  }))

const state = reactive<{ items: Queued[]; sending: boolean; trouble: string }>({
  items: [],
  sending: false,
  trouble: '',
})
const listeners = new Set<(lifterIds: string[]) => void>()
const tries = ref(0)

const { session } = useSession()
const owner = () => (session.value ? `${session.value.club}/${session.value.coach}` : '')

async function reload() {
  const all = await (await database()).getAllFromIndex('outbox', 'by-time')
  state.items = all.filter((item) => item.owner === owner())
}

const plain = (item: Queued) => JSON.parse(JSON.stringify(item)) as Queued

/** Keep an item and send it as soon as the server answers. */
export async function enqueue(body: QueuedBody): Promise<void> {
  const item: Queued = {
    key: body.key,
    owner: owner(),
    body: JSON.parse(JSON.stringify(body)) as QueuedBody,
    at: now().toISOString(),
  }
  state.items.push(item)
  await (await database()).put('outbox', plain(item))
  void drain()
}

/** Give a refused item up. */
export async function discard(key: string): Promise<void> {
  await (await database()).delete('outbox', key)
  state.items = state.items.filter((item) => item.key !== key)
}

const retryMs = () => RETRY_MS[Math.min(tries.value, RETRY_MS.length - 1)] ?? 1000
const retry = useTimeoutFn(() => void drain(), retryMs, { immediate: false })
function again() {
  retry.start()
  tries.value += 1
}

/** Take what was kept out of the box and mark what was refused, in one write and one redraw. */
async function settle(sent: Queued[], fates: Schemas['FateAnswer'][]) {
  const refusals = new Map(fates.filter((f) => f.fate !== 'kept').map((f) => [f.key, f.detail]))
  const kept = new Set(fates.filter((f) => f.fate === 'kept').map((f) => f.key))
  const writing = (await database()).transaction('outbox', 'readwrite')
  for (const item of sent) {
    if (kept.has(item.key)) void writing.store.delete(item.key)
    const refused = refusals.get(item.key)
    if (refused !== undefined) void writing.store.put({ ...plain(item), refused })
  }
  await writing.done
  state.items = state.items
    .filter((item) => !kept.has(item.key))
    .map((item) => ({ ...item, refused: refusals.get(item.key) ?? item.refused }))
}

/** What became of a batch. Where the server refuses it as a whole, each item is tried by itself. */
async function fatesOf(batch: Queued[]): Promise<Schemas['FateAnswer'][]> {
  try {
    return (await answered(client.POST('/api/outbox', { body: { items: batch.map((item) => item.body) } })))
      .fates
  } catch (error) {
    if (!isRefusal(error)) throw error
    const [only, ...others] = batch
    if (only && !others.length) return [{ key: only.key, fate: 'refused', detail: error.message }]
    const fates: Schemas['FateAnswer'][] = []
    for (const item of batch) fates.push(...(await fatesOf([item])))
    return fates
  }
}

async function sendAll() {
  const touched = new Set<string>()
  for (;;) {
    const batch = state.items.filter((item) => !item.refused).slice(0, BATCH)
    if (!batch.length) break
    const fates = await fatesOf(batch)
    for (const item of batch) if (item.body.kind === 'set') touched.add(item.body.lifter_id)
    await settle(batch, fates)
  }
  if (touched.size) listeners.forEach((heard) => heard([...touched]))
}

/** Send what waits, in order. Safe to call at any time and from any tab. */
export async function drain(): Promise<void> {
  if (state.sending || !session.value) return
  state.sending = true
  try {
    await reload()
    const alone = async () => {
      await sendAll()
    }
    if (navigator.locks) await navigator.locks.request('pavrik-outbox', alone)
    else await alone()
    state.trouble = ''
    tries.value = 0
  } catch (error) {
    state.trouble =
      error instanceof ProblemError && error.status === 401
        ? say('shared.sign_in_again_to_send')
        : say('shared.no_connection_2')
    if (error instanceof ProblemError && error.status === 403) await loadSession()
    again()
  } finally {
    state.sending = false
  }
}

const online = useOnline()
const visible = useDocumentVisibility()
watch([online, visible], () => {
  if (online.value && visible.value === 'visible') void drain()
})

export function useOutbox() {
  return {
    items: computed(() => state.items),
    waiting: computed(() => state.items.filter((item) => !item.refused).length),
    refused: computed(() => state.items.filter((item) => item.refused)),
    state: readonly(state),
    enqueue,
    discard,
    drain,
    /** Calls back with the lifters whose log the server has just taken. */
    onTaken(heard: (lifterIds: string[]) => void) {
      listeners.add(heard)
      return () => listeners.delete(heard)
    },
  }
}
