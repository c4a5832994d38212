import { flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { h, ref } from 'vue'
import type { Schemas } from '@/shared/api'

const jobs: Record<string, (job: unknown) => void> = {}
const asked: string[] = []
const client = {
  GET: (_: string, { params }: { params: { path: { job_id: string } } }) => {
    asked.push(params.path.job_id)
    return new Promise((answer) => {
      jobs[params.path.job_id] = (job) => answer({ data: job, response: new Response() })
    })
  },
}
vi.mock('@/shared/api', async (original) => ({ ...(await original<object>()), client }))
const { useJob } = await import('@/shared/useJob')

const running = (job_id: string): Schemas['JobAnswer'] => ({
  job_id,
  state: 'running',
  progress: 0,
  told: '',
})
const later = () => vi.advanceTimersByTimeAsync(300)

function following(first: string) {
  const given = ref<Schemas['JobAnswer'] | null>(running(first))
  const done = vi.fn()
  let followed!: ReturnType<typeof useJob>
  mount({
    setup: () => ((followed = useJob(given, done)), () => h('p')),
  })
  return { given, done, job: followed.job }
}

beforeEach(() => {
  vi.useFakeTimers()
  asked.length = 0
})
afterEach(() => vi.useRealTimers())

describe('a computation on the server', () => {
  it('is asked for until it ends, and its answer fetched once', async () => {
    const { done, job } = following('a')
    await later()
    jobs.a!({ ...running('a'), progress: 0.5 })
    await flushPromises()
    expect(job.value?.progress).toBe(0.5)
    await later()
    jobs.a!({ ...running('a'), state: 'done' })
    await flushPromises()
    await later()
    expect(asked).toEqual(['a', 'a'])
    expect(done).toHaveBeenCalledOnce()
  })
  it('that another took the place of is forgotten, whatever is still heard of it', async () => {
    const { given, done, job } = following('a')
    await later()
    given.value = running('b')
    await flushPromises()
    jobs.a!(running('a'))
    await flushPromises()
    expect(job.value?.job_id).toBe('b')
    await later()
    expect(asked).toEqual(['a', 'b'])
    jobs.b!({ ...running('b'), state: 'done' })
    await flushPromises()
    expect(done).toHaveBeenCalledOnce()
  })
})
