import 'fake-indexeddb/auto'
import type { VueWrapper } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import type * as Api from '@/shared/api'

const server = vi.hoisted(() => ({ post: vi.fn(() => Promise.reject(new TypeError('no network'))) }))
vi.mock('@/shared/api', async (original) => ({
  ...(await original<typeof Api>()),
  client: {
    POST: server.post,
    GET: (path: string) =>
      Promise.resolve({ data: path.endsWith('/sent') ? [] : {}, response: new Response() }),
  },
}))
const { nearestLoading, usePlatform } = await import('@/stages/log/usePlatform')
const { amending, bodyOf, freshDraft } = await import('@/stages/log/draft')
const { default: RecentSets } = await import('@/stages/log/RecentSets.vue')
const { default: LifterSet } = await import('@/stages/log/LifterSet.vue')
const { default: Ladder } = await import('@/stages/log/Ladder.vue')
const { useOutbox } = await import('@/shared/outbox')
const { mounted } = await import('./mounting')

const gym = {
  bar_kg: 20,
  collars_kg: 0,
  loadings: [20, 25, 30, 42.5].map((total_kg) => ({ total_kg, per_side: [] })),
} as never

describe('the loading nearest to a load', () => {
  it.each([
    [5, 20],
    [22, 20],
    [22.5, 20],
    [23, 25],
    [30, 30],
    [36, 30],
    [37, 42.5],
    [500, 42.5],
  ])('of %d kg is %d kg', (wanted, made) => {
    expect(nearestLoading(gym, wanted)?.total_kg).toBe(made)
  })
  it('is none where there are no plates and no bar', () => {
    expect(nearestLoading({ loadings: [] } as never, 60)).toBeNull()
  })
})

const logged = (id: string, more = {}) => ({
  set_id: id,
  lift: 'squat',
  variation: 'competition',
  load_kg: 100,
  reps: 5,
  missed_reps: 0,
  rpe: 8,
  aimed_rpe: null,
  pull_style: null,
  cue: '',
  gear: {},
  measures: {},
  note: '',
  performed_at: '2026-11-23T10:00:00Z',
  withdrawn: false,
  replaces: null,
  estimated_max_kg: null,
  faults: [],
  ...more,
})

function platform() {
  let made!: ReturnType<typeof usePlatform>
  mounted(
    {
      setup: () => {
        made = usePlatform(ref(['x']), ref('squat'))
        return () => null
      },
    } as never,
    {},
  )
  return made
}
const lifter = (recent: unknown[]) => ({ lifter_id: 'x', recent }) as never

describe('what is shown of a session', () => {
  const { setsOf, outbox } = platform()
  const enqueueSet = async (more = {}) => {
    const draft = freshDraft({ reps: ['good', 'good'], ...more })
    await outbox.enqueue({ kind: 'set', key: draft.key, lifter_id: 'x', set: bodyOf(draft) })
    return draft.set_id
  }

  it('is what the server knows with what waits on this device on top', async () => {
    const waiting = await enqueueSet()
    const shown = setsOf(lifter([logged('a')]))
    expect(shown.map((s) => [s.set_id, s.waiting])).toEqual([
      [waiting, true],
      ['a', false],
    ])
  })
  it('shows a set once, whichever of the two knows it', async () => {
    const id = await enqueueSet()
    expect(setsOf(lifter([logged(id)])).filter((s) => s.set_id === id)).toHaveLength(1)
  })
  it('puts an amended set in the place of the old one', async () => {
    const draft = amending(logged('old', { load_kg: 90 }) as never)
    draft.load_kg = 92.5
    await outbox.enqueue({ kind: 'set', key: draft.key, lifter_id: 'x', set: bodyOf(draft) })
    const shown = setsOf(lifter([logged('old', { load_kg: 90 })]))
    expect(shown.map((s) => s.set_id)).not.toContain('old')
    expect(shown.find((s) => s.replaces === 'old')?.load_kg).toBe(92.5)
  })
  it('leaves out what is taken back, even before the server knows', async () => {
    await outbox.enqueue({ kind: 'withdrawal', key: 'w', set_id: 'gone', new_id: 'n' })
    expect(setsOf(lifter([logged('gone'), logged('stays')])).map((s) => s.set_id)).not.toContain('gone')
  })
})

describe('what was logged', () => {
  const faultName = (id: string) => ({ 'hips-rise': 'Hips rise first' })[id] ?? id
  const seen = [
    { fault_id: 'hips-rise', rep: 1 },
    { fault_id: 'hips-rise', rep: 3 },
  ]

  it('is told day by day with its faults counted', () => {
    const sets = [
      logged('a', { faults: seen }),
      logged('b', { missed_reps: 1 }),
      logged('c', { variation: 'front squat', performed_at: '2026-11-20T10:00:00Z' }),
    ]
    const shown = mounted(RecentSets, {
      lifterId: 'x',
      sets: sets.map((s) => ({ ...s, waiting: false })),
      faultName,
    })
    expect(shown.findAll('.day')).toHaveLength(2)
    expect(shown.text()).toContain('Hips rise first ×2')
    expect(shown.text()).toContain('5+1 missed × 100 kg')
    expect(shown.text()).toContain('front squat')
  })
  it('says what comes of the first sets where there are none', () => {
    expect(mounted(RecentSets, { lifterId: 'x', sets: [], faultName }).text()).toContain(
      'the first clean set of five gives the first estimate',
    )
  })
  it('offers to amend, and keeps what is taken back until it is sent', async () => {
    const set = { ...logged('t'), waiting: false }
    const shown = mounted(RecentSets, { lifterId: 'x', sets: [set], faultName })
    await shown.find('[aria-label="Amend 5 × 100 kg"]').trigger('click')
    expect(shown.emitted('amend')).toEqual([[set]])
    await shown.find('[aria-label="Take back 5 × 100 kg"]').trigger('click')
    await vi.waitFor(() =>
      expect(
        useOutbox().items.value.some(({ body }) => body.kind === 'withdrawal' && body.set_id === 't'),
      ).toBe(true),
    )
  })
  it('puts a set taken back by mistake back as it was, as a new fact', async () => {
    const set = {
      ...logged('m', {
        load_kg: 142.5,
        faults: [{ fault_id: 'hips-rise', rep: 2, phase: 'bottom', severity: 3, side: 'left' }],
      }),
      waiting: false,
    }
    const shown = mounted(RecentSets, { lifterId: 'x', sets: [set], faultName })
    await shown.find('[aria-label="Take back 5 × 142.5 kg"]').trigger('click')
    expect(shown.text()).toContain('Taken back: 5 × 142.5 kg.')
    await shown
      .findAll('button')
      .find((b) => b.text() === 'Put it back')!
      .trigger('click')
    expect(shown.text()).not.toContain('Taken back')
    await vi.waitFor(() => {
      const { body } = useOutbox().items.value.at(-1)!
      if (body.kind !== 'set') throw new Error('not yet')
      expect(body.lifter_id).toBe('x')
      expect(body.set).toMatchObject({
        replaces: null,
        load_kg: 142.5,
        reps: 5,
        performed_at: set.performed_at,
      })
      expect(body.set.set_id).not.toBe('m')
      expect(body.set.faults![0]).toMatchObject({ fault_id: 'hips-rise', rep: 2, severity: 3, side: 'left' })
    })
  })
})

describe('the way up', () => {
  it('names every step with its discs and hands its load over', async () => {
    const steps = [
      { reps: 8, load_kg: 20, per_side: [] },
      { reps: 5, load_kg: 60, per_side: [20] },
    ]
    const shown = mounted(Ladder, { steps, loadKg: 60 })
    expect(shown.findAll('li').map((li) => li.text())).toEqual(
      ['8 × 20 kg empty bar', '5 × 60 kg 20'].map((text) => expect.stringContaining(text.slice(0, 9))),
    )
    expect(shown.findAll('.step')[1]!.classes()).toContain('on')
    await shown.findAll('.step')[0]!.trigger('click')
    expect(shown.emitted('take')).toEqual([[20]])
  })
})

describe('the load on the bar', () => {
  const follows = (load_kg: number) => ({
    lifter_id: 'of-the-plan',
    name: 'Ada',
    gear: {},
    pain: [],
    silenced: [],
    recent: [],
    lifts: [
      {
        lift: 'squat',
        next: {
          load_kg,
          rpe: 8,
          reps: 5,
          sets: 3,
          variation: 'competition',
          prescribed: true,
          reasons: [],
          warm_up: [],
          per_side: [],
        },
        cues: [],
        cap_kg: null,
        cap_words: '',
        frequent: [],
        hook_hole: null,
        planned: [],
        setup_words: [],
      },
    ],
  })
  const props = (load_kg: number) => ({
    lift: 'squat',
    one: follows(load_kg),
    sets: [],
    catalogue: { faults: [], causes: [], remedies: [], phases: { squat: [] }, purposes: [] },
    gym,
    bars: [],
    racks: [],
    variations: { squat: ['competition'] },
    mayWrite: true,
  })

  it('follows the plan, but not over what is being typed', async () => {
    const set = mounted(LifterSet, props(100)) as unknown as VueWrapper
    const load = set.find('input[inputmode=decimal]')
    const shown = () => (load.element as HTMLInputElement).value
    expect(shown()).toBe('100')
    await set.setProps(props(102.5) as never)
    expect(shown()).toBe('102.5')
    ;(load.element as HTMLInputElement).value = '9'
    await load.trigger('input')
    await set.setProps(props(105) as never)
    expect(shown()).toBe('9')
    await load.setValue('102.50')
    expect(shown(), 'what was entered is as the plan has it').toBe('102.5')
    await set.setProps(props(102.5) as never)
    await set.setProps(props(107.5) as never)
    expect(shown()).toBe('107.5')
    set.unmount()
  })
})
