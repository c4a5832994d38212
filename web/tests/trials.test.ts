import { describe, expect, it, vi } from 'vitest'
import type * as Api from '@/shared/api'

const running = {
  trial_id: 't1',
  lift: 'squat',
  a: { words: 'low bar, 44 cm, toes 20°', sessions: 1, reps: 9, faulty: 2 },
  b: { words: 'high bar, 44 cm, toes 20°', sessions: 0, reps: 0, faulty: 0 },
  sessions_each: 4,
  sets: 3,
  reps: 3,
  load_kg: 110,
  started_on: '2026-11-26',
  next_session: 2 as number | null,
  next_arm: 'b' as string | null,
  gain: null,
  band: null,
  chance_b: null,
  verdict: 'too few sessions',
  sentence: 'too few sessions yet',
  outcome: null,
  reason: null,
}
const server = vi.hoisted(() => ({
  trials: [] as unknown[],
  post: vi.fn<(path: string, options: { body: Record<string, unknown> }) => Promise<unknown>>(() =>
    Promise.resolve({ data: { done: true }, response: new Response() }),
  ),
}))
vi.mock('@/shared/api', async (original) => ({
  ...(await original<typeof Api>()),
  client: {
    POST: server.post,
    GET: (path: string) =>
      Promise.resolve({
        data: path.endsWith('/trials')
          ? server.trials
          : [{ exercise: 'squat:low', name: 'low bar squat', how: 'heaviest clean' }],
        response: new Response(),
      }),
  },
}))
vi.mock('@/shared/session', async () => {
  const { computed, ref } = await import('vue')
  const session = ref({ mass_unit: 'lb', length_unit: 'cm' })
  return { useSession: () => ({ session, mayWrite: computed(() => true) }) }
})
const { default: Trials } = await import('@/stages/setup/Trials.vue')
const { default: KnownLifts } = await import('@/stages/lifter/KnownLifts.vue')
const { mounted } = await import('./mounting')

const low = { bar_position: 'low', stance_m: 0.44, toe_out_deg: 20, heel_lift_m: 0 }
const shownTrial = (trial: unknown) => {
  server.trials = [trial]
  return mounted(Trials, {
    modelValue: false,
    page: { id: 'squat' },
    lifterId: 'l1',
    pair: [low, { ...low, bar_position: 'high' }],
    aboutKg: 110,
  })
}

describe('a trial of two set-ups', () => {
  it('says whose turn it is, what was seen, and can be stopped', async () => {
    const shown = shownTrial(running)
    await vi.waitFor(() => expect(shown.text()).toMatch(/Session 2 of 8 is\s+B/))
    expect(shown.text()).toContain('A 2 of 9 reps')
    expect(shown.text()).not.toContain('Settle on')
    await shown.find('button').trigger('click')
    expect(server.post.mock.lastCall![1].body).toMatchObject({ outcome: 'stopped' })
  })
  it('offers both set-ups to settle on once every session is done', async () => {
    const shown = shownTrial({ ...running, next_session: null, next_arm: null })
    await vi.waitFor(() => expect(shown.text()).toContain('Settle on B'))
    await shown.findAll('button')[1]!.trigger('click')
    expect(server.post.mock.lastCall![0]).toBe('/api/trials/{trial_id}/end')
    expect(server.post.mock.lastCall![1].body).toMatchObject({ outcome: 'b' })
  })
  it('is silent where the lift has none', async () => {
    const shown = shownTrial({ ...running, lift: 'deadlift' })
    await vi.waitFor(() => expect(shown.find('.trial').exists()).toBe(false))
  })
})

describe('bests that are told', () => {
  const known = [
    {
      known_id: 'k',
      exercise: 'squat:low',
      name: 'low bar squat',
      load_kg: 100,
      reps: 1,
      rpe: null,
      done_on: '2026-10-01',
    },
  ]
  it('keeps pounds as kilograms and says what cannot be read', async () => {
    const shown = mounted(KnownLifts, { lifterId: 'l1', known: [] })
    await shown.find('button').trigger('click')
    const load = shown.find('input[inputmode="decimal"]')
    await load.setValue('heavy')
    await shown.find('form').trigger('submit')
    expect(shown.text()).toContain('a load such as')
    await load.setValue('315')
    await shown.find('form').trigger('submit')
    const sent = server.post.mock.lastCall![1].body as { load_kg: number; rpe: null }
    expect(sent.load_kg).toBeCloseTo(142.88, 1)
    expect(sent.rpe).toBeNull()
  })
  it('takes one back by a fact without a load', async () => {
    const shown = mounted(KnownLifts, { lifterId: 'l1', known })
    await shown.find('button[aria-label="Take back low bar squat"]').trigger('click')
    expect(server.post.mock.lastCall![1].body).toMatchObject({ exercise: 'squat:low', load_kg: null })
  })
})
