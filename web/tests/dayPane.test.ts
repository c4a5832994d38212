import { describe, expect, it, vi } from 'vitest'
import type * as Api from '@/shared/api'

const posted: unknown[][] = []
vi.mock('@/shared/api', async (original) => ({
  ...(await original<typeof Api>()),
  client: {
    GET: () =>
      Promise.resolve({
        data: { squat: { racks: [{ rack: 'North', hook_hole: 12, safety_hole: 7 }] } },
        response: new Response(),
      }),
    POST: (...asked: unknown[]) => {
      posted.push(asked)
      return Promise.resolve({ data: { result_id: 'r' }, response: new Response() })
    },
  },
}))
const { default: DayPane } = await import('@/stages/prescribe/DayPane.vue')
const { default: ByHand } = await import('@/stages/prescribe/ByHand.vue')
const { default: Reasons } = await import('@/stages/prescribe/Reasons.vue')
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
const DAYS = [
  { day_id: 'd', on: '2026-11-30' },
  { day_id: 'e', on: '2026-12-02' },
]
const SHOWN = { mayWrite: true, busy: false, today: false }
const pane = (lines: unknown[], more = {}) =>
  mounted(DayPane, { lifterId: 'x', day: day(...lines), days: DAYS, ...SHOWN, ...more })
const change = (shown: ReturnType<typeof pane>) => acts(shown, 'change')
const field = (shown: ReturnType<typeof pane>, label: string) =>
  shown
    .findAll('.v-field')
    .find((f) => f.find('label').text().startsWith(label))!
    .find('input')
const acts = (shown: ReturnType<typeof pane>, name: string) =>
  shown.findAll('button').find((b) => b.text() === name)!

describe('the reasons of a line', () => {
  it('are two at once, the others behind a press', async () => {
    const texts = ['one', 'two', 'three', 'four']
    const shown = mounted(Reasons, {
      reasons: texts.map((text) => ({ text, facts: [] })),
      lifterId: 'x',
      lift: 'squat',
    })
    expect(shown.text()).toContain('two.')
    expect(shown.text()).not.toContain('three.')
    await shown.find('button').trigger('click')
    expect(shown.text()).toContain('four.')
    const few = mounted(Reasons, { reasons: [{ text: 'one', facts: [] }], lifterId: 'x', lift: 'squat' })
    expect(few.find('button').exists()).toBe(false)
  })
})

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
  it('asks for a reason only where a cap is passed', async () => {
    const shown = pane([line({ cap_kg: 120 })])
    await change(shown).trigger('click')
    expect(shown.find('form').text()).toContain('The cap here is 120 kg')
    await field(shown, 'Load').setValue('127,5')
    await shown.find('form').trigger('submit')
    expect(shown.text()).toContain('This passes the cap')
    expect(shown.emitted('edit')).toBeUndefined()
    await field(shown, 'Load').setValue('117.5')
    await shown.find('form').trigger('submit')
    expect(shown.emitted('edit')).toMatchObject([[{ kind: 'line', line_id: '1/a', load_kg: 117.5 }]])
  })
  it('takes no load that is none', async () => {
    const shown = pane([line()])
    await change(shown).trigger('click')
    for (const wrong of ['heavy', '0', '700']) {
      await field(shown, 'Load').setValue(wrong)
      await shown.find('form').trigger('submit')
      expect(shown.text()).toContain('between 0 and 600 kg')
    }
    expect(shown.emitted('edit')).toBeUndefined()
  })
  it('lets the load follow reps and RPE where nobody named one', async () => {
    const shown = pane([line()])
    await change(shown).trigger('click')
    await field(shown, 'Reps').setValue('3')
    await shown.find('form').trigger('submit')
    expect(shown.emitted('edit')).toMatchObject([[{ reps: 3, sets: null, load_kg: null, day_id: '' }]])
  })
  it('takes another rest, within reason', async () => {
    const shown = pane([line()])
    await change(shown).trigger('click')
    await field(shown, 'Rest').setValue('5')
    await shown.find('form').trigger('submit')
    expect(shown.text()).toContain('Rest is 15 to 1800 seconds.')
    await field(shown, 'Rest').setValue('300')
    await shown.find('form').trigger('submit')
    expect(shown.emitted('edit')).toMatchObject([[{ rest_s: 300, load_kg: null, sets: null }]])
  })
  it('keeps what was said before when a line only moves', async () => {
    const said = { coach: 'Ysolde', reason: '', sets: 6, load_kg: 125, dropped: false, day_id: '' }
    const shown = pane([line({ sets: 6, load_kg: 125, overruled: said })])
    await change(shown).trigger('click')
    await shown.find('form select').setValue('e')
    await shown.find('form').trigger('submit')
    expect(shown.emitted('edit')).toMatchObject([[{ sets: 6, load_kg: 125, day_id: 'e' }]])
  })
  it('leaves a line out, takes the word back, copies it to another day', async () => {
    const said = { coach: 'Ysolde', reason: '', load_kg: 125, dropped: false }
    const shown = pane([line({ overruled: said })])
    for (const name of ['Leave it out', 'As computed']) {
      await change(shown).trigger('click')
      await acts(shown, name).trigger('click')
    }
    await change(shown).trigger('click')
    await shown.find('form select').setValue('e')
    await acts(shown, 'Copy it there').trigger('click')
    expect(shown.emitted('edit')).toMatchObject([
      [{ kind: 'line', dropped: true }],
      [{ kind: 'line', dropped: false }],
      [{ kind: 'add', day_id: 'e', lift: 'squat', name: 'competition', sets: 4, load_kg: 122.5 }],
    ])
  })
  it('adds other work, every week if wished', async () => {
    const shown = pane([line()])
    await acts(shown, 'Add a line').trigger('click')
    await field(shown, 'What').setValue('')
    await shown.find('form').trigger('submit')
    expect(shown.text()).toContain('Say what is to be done.')
    await field(shown, 'What').setValue('Bench press')
    await shown.find('form input[type="checkbox"]').setValue(true)
    await shown.find('form').trigger('submit')
    expect(shown.emitted('edit')).toMatchObject([
      [
        {
          kind: 'add',
          lift: 'other',
          name: 'Bench press',
          sets: 4,
          reps: 6,
          rpe: 8,
          weekly: true,
          day_id: 'd',
        },
      ],
    ])
  })
  it('takes whether a drill was passed, once its day has come', async () => {
    const drill = line({ kind: 'drill', variation: 'depth box', load_kg: null, per_side: [], rpe: null })
    const shown = pane([drill], { day: { ...day(drill), on: '2026-01-05' } })
    await acts(shown, 'passed').trigger('click')
    await vi.waitFor(() => expect(shown.text()).toContain('the next stage follows'))
    expect(posted.at(-1)).toMatchObject([
      '/api/lifters/{lifter_id}/drills',
      { body: { lift: 'squat', stage: 'depth box', passed: true } },
    ])
    expect(acts(pane([drill], { day: { ...day(drill), on: '2999-01-05' } }), 'passed')).toBeUndefined()
  })
  it('tells what is checked before the set', () => {
    const shown = pane([], { day: { ...day(), checks: ['hooks one hole lower'] } })
    expect(shown.text()).toContain('Before the set hooks one hole lower')
  })
  it('tells a guided way up as one line of loads', () => {
    const step = (load_kg: number) => line({ line_id: `s${load_kg}`, until_rpe: 6.5, load_kg, rpe: null })
    const shown = pane([step(25), step(35), step(42.5), line({ lift: 'deadlift' })])
    expect(shown.findAll('article')).toHaveLength(2)
    expect(shown.find('.what').text()).toMatch(/fives with\s*25, 35, 42\.5\s*kg, up to RPE 6 to 7/)
  })
  it('moves the whole day to a date', async () => {
    const shown = pane([line()])
    await acts(shown, 'move the day').trigger('click')
    await shown.find('input[type="date"]').setValue('2026-12-02')
    expect(shown.emitted('edit')).toMatchObject([[{ kind: 'day', day_id: 'd', to_date: '2026-12-02' }]])
  })
  it('shows a line that was left out as such, and offers nothing to a reader', () => {
    const shown = pane(
      [line({ overruled: { coach: 'Ysolde', reason: 'no time', load_kg: null, dropped: true } })],
      { mayWrite: false },
    )
    expect(shown.text()).toContain('Left out.')
    expect(shown.find('.what').exists()).toBe(false)
    expect(change(shown)).toBeUndefined()
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
  it('leads from a proposal to where it is taken up', () => {
    const shown = news({
      proposals: [
        { text: 'raise the heels', facts: ['repair:squat:heel-lift'] },
        { text: 'answer the questions', facts: ['walk:deadlift:floor-walk'] },
      ],
    })
    const links = shown.findAllComponents({ name: 'RouterLink' }).map((l) => l.props('to'))
    expect(links).toMatchObject([
      { name: 'squat', query: { repair: 'heel-lift' } },
      { name: 'review', query: { lift: 'deadlift', fault: 'floor-stall' } },
    ])
  })
  it('shortens a long history', () => {
    const changes = Array.from({ length: 15 }, (_, i) => change({ line_id: String(i) }))
    expect(news({ versions: [{ plan_id: 'p', made_at: '2026-11-25T10:00:00Z', changes }] }).text()).toContain(
      'and 3 more',
    )
  })
})

const PLATFORM = { variation: 'competition', loadKg: 122.5, lifterId: 'x', lift: 'squat', mayWrite: true }
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
    const shown = mounted(Planned, { lines, ...PLATFORM })
    expect(shown.findAll('li').map((li) => li.text())).toEqual([
      expect.stringContaining('done'),
      expect.stringContaining('1 of 4 done'),
      expect.stringContaining('the hips rise first'),
    ])
    await shown.findAll('button')[1]!.trigger('click')
    expect(shown.emitted('take')).toEqual([[lines[1]]])
  })
  it('takes whether a drill was passed where it is done', async () => {
    const drill = planned({ kind: 'drill', variation: 'depth box', load_kg: null })
    const shown = mounted(Planned, { lines: [drill, planned({ kind: 'main' })], ...PLATFORM })
    await shown
      .findAll('button')
      .find((b) => b.text() === 'not yet')!
      .trigger('click')
    await vi.waitFor(() => expect(shown.text()).toContain('it stays in the plan'))
    expect(posted.at(-1)).toMatchObject(['/api/lifters/{lifter_id}/drills', { body: { passed: false } }])
    const reader = mounted(Planned, { lines: [drill], ...PLATFORM, mayWrite: false })
    expect(reader.text()).not.toContain('not yet')
  })
  it('says once why a way up goes on', () => {
    const step = (id: string, done = 0) => planned({ line_id: id, sets: 1, done, until_rpe: 6.5 })
    const lines = [step('a', 1), step('b'), step('c')]
    const shown = mounted(Planned, { lines, ...PLATFORM, loadKg: 60 })
    expect(shown.findAll('li').map((li) => li.text().includes('the hips rise first'))).toEqual([
      false,
      true,
      false,
    ])
  })
  it('takes no room without a plan', () => {
    expect(
      mounted(Planned, { lines: [], ...PLATFORM })
        .find('section')
        .exists(),
    ).toBe(false)
  })
})

describe('the hand on a plan', () => {
  const said = (n: number) => ({
    edit_id: `e${n}`,
    coach: 'Ysolde',
    said_at: '2026-11-25T10:00:00Z',
    words: `word ${n}`,
  })
  const hand = (more = {}, props = {}) =>
    mounted(ByHand, {
      hand: { edits: [said(1), said(2)], last: 'e2', concerns: [], ...more },
      mayWrite: true,
      busy: false,
      ...props,
    })
  it('tells the newest first and takes back the last or any', async () => {
    const shown = hand({ concerns: [{ text: 'no day of rest', facts: [] }] })
    expect(shown.findAll('.edit').map((e) => e.text())).toEqual([
      expect.stringContaining('word 2'),
      expect.stringContaining('word 1'),
    ])
    expect(shown.text()).toContain('no day of rest')
    await shown
      .findAll('button')
      .find((b) => b.text() === 'Undo')!
      .trigger('click')
    await shown.findAll('.edit button')[1]!.trigger('click')
    expect(shown.emitted('edit')).toMatchObject([
      [{ kind: 'undo', undoes: 'e2' }],
      [{ kind: 'undo', undoes: 'e1' }],
    ])
  })
  it('undoes by the keyboard, but not while something is typed', async () => {
    const shown = hand()
    window.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', ctrlKey: true }))
    expect(shown.emitted('edit')).toMatchObject([[{ kind: 'undo', undoes: 'e2' }]])
    const input = document.body.appendChild(document.createElement('input'))
    input.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', ctrlKey: true, bubbles: true }))
    expect(shown.emitted('edit')).toHaveLength(1)
    input.remove()
  })
  it('offers nothing to a reader and takes no room without edits', () => {
    expect(hand({}, { mayWrite: false }).findAll('button')).toHaveLength(0)
    expect(hand({ edits: [], last: null }).text()).toBe('')
  })
})
