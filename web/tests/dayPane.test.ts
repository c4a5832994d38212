import { describe, expect, it, vi } from 'vitest'
import type * as Api from '@/shared/api'

vi.mock('@/shared/api', async (original) => ({
  ...(await original<typeof Api>()),
  client: {
    GET: () =>
      Promise.resolve({
        data: { squat: { racks: [{ rack: 'North', hook_hole: 12, safety_hole: 7 }] } },
        response: new Response(),
      }),
  },
}))
const { default: DayPane } = await import('@/stages/prescribe/DayPane.vue')
const { default: PlanNews } = await import('@/stages/prescribe/PlanNews.vue')
const { default: Planned } = await import('@/stages/log/Planned.vue')
const { mounted } = await import('./mounting')

const reasons = [{ text: 'the hips rise first', facts: ['fault:hips-rise'] }]
const line = (more = {}) => ({
  line_id: '1/a',
  lift: 'squat',
  variation: 'competition',
  kind: 'main',
  sets: 4,
  reps: 5,
  rpe: 7.5,
  load_kg: 122.5,
  per_side: [25, 25, 1.25],
  rest_s: 240,
  reasons,
  cap_kg: null,
  share: 0.8,
  note: '',
  overruled: null,
  ...more,
})
const day = (...lines: unknown[]) => ({
  day_id: 'd',
  on: '2026-11-30',
  lines,
  cues: ['chest tall'],
  moved: '',
})
const pane = (lines: unknown[], more = {}) =>
  mounted(DayPane, { lifterId: 'x', day: day(...lines), mayWrite: true, busy: false, today: false, ...more })
const overrule = (shown: ReturnType<typeof pane>) =>
  shown.findAll('button').find((b) => b.text() === 'overrule')!
const acts = (shown: ReturnType<typeof pane>, name: string) =>
  shown.findAll('button').find((b) => b.text() === name)!

describe('a day of the plan', () => {
  it('says what to lift, with what, how long to rest and why', () => {
    const shown = pane([line()])
    expect(shown.find('.what').text()).toMatch(/4 × 5.*122\.5 kg.*@ 7\.5.*rest 4:00/)
    expect(shown.text()).toContain('the hips rise first')
    expect(shown.text()).toContain('chest tall')
    expect(shown.find('svg[role="img"]').attributes('aria-label')).toBe('each side: 25 + 25 + 1.25 kg')
  })
  it('names the safeties where the squat is fitted to a rack, and asks for them where not', async () => {
    const shown = pane([line()])
    await vi.waitFor(() => expect(shown.text()).toContain('North: hooks 12, safeties 7'))
    expect(pane([line({ load_kg: null, per_side: [] })]).text()).toContain(
      'Stop at sharp, radiating or new pain',
    )
  })
  it('takes no overrule without a reason', async () => {
    const shown = pane([line()])
    await overrule(shown).trigger('click')
    await shown.find('form').trigger('submit')
    expect(shown.text()).toContain('Say why')
    expect(shown.emitted('overrule')).toBeUndefined()
  })
  it('takes no load that is none', async () => {
    const shown = pane([line()])
    await overrule(shown).trigger('click')
    const [load, reason] = shown.findAll('form input')
    await reason!.setValue('film of Tuesday')
    for (const wrong of ['heavy', '0', '700']) {
      await load!.setValue(wrong)
      await shown.find('form').trigger('submit')
      expect(shown.text()).toContain('between 0 and 600 kg')
    }
    expect(shown.emitted('overrule')).toBeUndefined()
  })
  it('passes a load, a line left out and the way back on, each with its reason', async () => {
    const shown = pane([
      line({
        cap_kg: 120,
        overruled: { coach: 'Ysolde', reason: 'felt easy', load_kg: 125, dropped: false },
      }),
    ])
    await overrule(shown).trigger('click')
    expect(shown.find('form').text()).toContain('The cap here is 120 kg')
    const [load, reason] = shown.findAll('form input')
    await load!.setValue('127,5')
    await reason!.setValue(' film of Tuesday ')
    await shown.find('form').trigger('submit')
    await acts(shown, 'Leave it out').trigger('click')
    await acts(shown, 'As computed').trigger('click')
    const why = 'film of Tuesday'
    expect(shown.emitted('overrule')).toEqual([
      ['1/a', { load_kg: 127.5, dropped: false, reason: why }],
      ['1/a', { load_kg: null, dropped: true, reason: why }],
      ['1/a', { load_kg: null, dropped: false, reason: why }],
    ])
  })
  it('shows a line that was left out as such, and offers nothing to a reader', () => {
    const shown = pane(
      [line({ overruled: { coach: 'Ysolde', reason: 'no time', load_kg: null, dropped: true } })],
      { mayWrite: false },
    )
    expect(shown.text()).toContain('Left out.')
    expect(shown.find('.what').exists()).toBe(false)
    expect(overrule(shown)).toBeUndefined()
  })
  it('starts on the platform only today', () => {
    expect(pane([line()]).text()).not.toContain('Start on the platform')
    expect(pane([line()], { today: true }).text()).toContain('Start on the platform')
  })
})

describe('news of a plan', () => {
  const change = (more = {}) => ({
    line_id: '1/a',
    on: '2026-11-30',
    lift: 'squat',
    what: 'squat',
    before: '120 kg',
    after: '122.5 kg',
    reasons,
    ...more,
  })
  const news = (standing: Record<string, unknown>, more = {}) =>
    mounted(PlanNews, { lifterId: 'x', standing, mayWrite: true, busy: false, ...more })

  it('tells every change with its reason and lets the coach decide', async () => {
    const shown = news({ pending: [change(), change({ line_id: '2/b', after: '' })] })
    expect(shown.text()).toContain('2 lines would change')
    expect(shown.text()).toContain('goes')
    expect(shown.text()).toContain('the hips rise first')
    await shown.find('.v-btn').trigger('click')
    expect(shown.emitted('follow')).toHaveLength(1)
  })
  it('is silent without news and only tells a reader', () => {
    expect(news({}).text()).toBe('')
    expect(
      news({ pending: [change()] }, { mayWrite: false })
        .find('.v-btn')
        .exists(),
    ).toBe(false)
  })
  it('proposes and does not impose, and says what was let go', () => {
    const shown = news({
      proposals: [{ text: 'a lighter week', facts: [] }],
      let_go: [{ text: 'the squat of Monday', facts: [] }],
    })
    expect(shown.text()).toContain('Proposed, not imposed')
    expect(shown.text()).toContain('the squat of Monday.')
  })
  it('shortens a long history', () => {
    const changes = Array.from({ length: 15 }, (_, i) => change({ line_id: String(i) }))
    expect(news({ versions: [{ plan_id: 'p', made_at: '2026-11-25T10:00:00Z', changes }] }).text()).toContain(
      'and 3 more',
    )
  })
})

describe('the plan on the platform', () => {
  const planned = (more = {}) => ({
    line_id: '1/a',
    title: 'Squat',
    variation: 'competition',
    sets: 4,
    reps: 5,
    rpe: 7.5,
    load_kg: 122.5,
    note: '',
    reasons,
    done: 0,
    ...more,
  })
  it('shows what is done and takes a line into the set', async () => {
    const lines = [
      planned({ done: 4 }),
      planned({ line_id: '1/b', done: 1, load_kg: null }),
      planned({ line_id: '1/c' }),
    ]
    const shown = mounted(Planned, { lines, variation: 'competition', loadKg: 122.5 })
    expect(shown.findAll('li').map((li) => li.text())).toEqual([
      expect.stringContaining('done'),
      expect.stringContaining('1 of 4 done'),
      expect.stringContaining('the hips rise first'),
    ])
    await shown.findAll('button')[1]!.trigger('click')
    expect(shown.emitted('take')).toEqual([[lines[1]]])
  })
  it('takes no room without a plan', () => {
    expect(
      mounted(Planned, { lines: [], variation: 'competition', loadKg: 60 }).find('section').exists(),
    ).toBe(false)
  })
})
