import { beforeEach, describe, expect, it, vi } from 'vitest'
import { finding, HEIGHTS, reading } from './reading'
import { fresh, server } from './server'

vi.mock('@/shared/api', async (original) => (await import('./server')).withServer(original))
const { default: ClipActs } = await import('@/stages/watch/ClipActs.vue')
const { default: FindingRow } = await import('@/stages/watch/FindingRow.vue')
const { default: ReviewSheet } = await import('@/stages/watch/ReviewSheet.vue')
const { default: TimeLine } = await import('@/stages/watch/TimeLine.vue')
const { loadSession } = await import('@/shared/session')
const { bestSpeed, isTold, momentAt, nearest, offset, size, speedText, stateClass } =
  await import('@/stages/watch/words')
const { mounted } = await import('./mounting')

beforeEach(async () => {
  fresh()
  await loadSession()
})
const as = async (role: string) => {
  server.gets['/api/session'] = { club: 'Quarry Road', coach: 'Ysolde', csrf_token: 't', role }
  await loadSession()
}
const press = (page: ReturnType<typeof mounted>, name: string) =>
  page
    .findAll('button')
    .find((b) => b.text() === name)!
    .trigger('click')

describe('what was measured, in words', () => {
  it('has its unit, a true minus, and says what was not seen', () => {
    expect(size({ unit: 'm' }, 0.0413)).toBe('4.1 cm')
    expect(size({ unit: 'm' }, -0.012)).toBe('−1.2 cm')
    expect(size({ unit: 'deg' }, 7.25)).toBe('7.3°')
    expect(size({ unit: 's' }, 0.3)).toBe('0.30 s')
    expect(size({ unit: 'm' }, null)).toBe('not seen')
  })
  it('knows no minus nought', () => {
    expect([-0.004, 0.004, -0.014].map(offset)).toEqual(['0', '0', '−1'])
  })
  it('tells faults, not what holds and not what cannot be told', () => {
    const states = ['fails', 'slight', 'holds', 'cannot tell'] as const
    expect(states.map((state) => isTold(finding({ state })))).toEqual([true, true, false, false])
    expect(stateClass('cannot tell')).toBe('is-cannot-tell')
  })
  it('finds the picture nearest to a time', () => {
    expect([-1, 0.9, 1.6, 9].map((t) => nearest([0, 1, 2], t))).toEqual([0, 1, 2, 2])
  })
  it('gives the speed of the fastest rep, and none where the view tells none', () => {
    const [rep] = reading().reps
    expect(bestSpeed(reading({ reps: [rep!, { ...rep!, mean_m_s: 0.55 }] }))).toBe(0.55)
    expect(bestSpeed(reading({ reps: [{ ...rep!, mean_m_s: null }] }))).toBeNull()
    expect([speedText(0.4), speedText(null)]).toEqual(['0.40 m/s', 'cannot tell'])
  })
})

describe('the posture at a share of the way up', () => {
  it('is looked for on the way up of a squat, never on the way down', () => {
    const amid = momentAt(reading(), 0.4)
    expect([amid.bar, amid.lean]).toEqual([[0.02, 1.0], 45])
    expect(momentAt(reading(), 0).lean).toBe(47)
    expect(momentAt(reading(), 1).lean).toBe(10)
    expect(amid.joints).toHaveLength(4)
    expect(amid.way).toHaveLength(HEIGHTS.length)
  })
  it('is looked for before the turn in a pull', () => {
    const pull = reading({ lift: 'deadlift' })
    pull.frames.bar_z_m = [0.2, 0.4, 0.6, 0.8, 0.6, 0.4, 0.2]
    expect(momentAt(pull, 0.6).lean).toBe(40)
  })
  it('leaves out a joint that was not seen', () => {
    const clip = reading()
    clip.frames.metres.shoulder = HEIGHTS.map(() => [null, null, null])
    expect(momentAt(clip, 0).joints).toHaveLength(3)
  })
})

describe('a finding', () => {
  const row = (over = {}) => mounted(FindingRow, { finding: finding(over), lifterId: 'l', clipId: 'c' })

  it('says its size, its error, since when it is told and what it costs', () => {
    expect(row().text()).toContain('4.1 cm ahead of the chest ± 0.6 cm, told from 3.0 cm')
    expect(row().text()).toContain('costs 3 % ± 1 %')
    expect(row({ below: true }).text()).toContain('told below 3.0 cm')
  })
  it('is confirmed or dismissed by the coach under one key, and the word can be taken back', async () => {
    const shown = row()
    await press(shown, 'I see it too')
    await press(shown, 'No')
    await press(row({ word: 'confirmed' }), 'Undo')
    expect(server.posts.map((p) => (p.body as { word: string }).word)).toEqual([
      'confirmed',
      'dismissed',
      'undecided',
    ])
    const [first] = server.posts
    expect(first!.params).toMatchObject({
      path: { lifter_id: 'l', clip_id: 'c' },
      header: { 'Idempotency-Key': (first!.body as { word_id: string }).word_id },
    })
    expect(shown.emitted('said')).toHaveLength(2)
  })
  it('asks nothing about what holds, nor one who only reads', async () => {
    expect(row({ state: 'holds' }).find('.acts').exists()).toBe(false)
    expect(row({ state: 'cannot tell' }).find('.acts').exists()).toBe(false)
    await as('read_only')
    expect(row().find('.acts').exists()).toBe(false)
  })
  it('shows why a word was refused', async () => {
    server.refusal = { detail: 'the clip was taken back', errors: [] }
    const shown = row()
    await press(shown, 'No')
    await vi.waitFor(() => expect(shown.find('[role=alert]').text()).toContain('was taken back'))
    expect(shown.emitted('said')).toBeUndefined()
  })
  it('leads to the reps in which it was seen', async () => {
    const shown = row({ reps: [2, 5] })
    await press(shown, '5')
    expect(shown.emitted('go')).toEqual([[5]])
  })
})

describe('the review', () => {
  it('sets what was measured beside what was computed', () => {
    const text = mounted(ReviewSheet, { reading: reading() }).find('tbody').text()
    for (const said of ['48°', '44°', '−1', '0 cm', '41 cm', '43 cm', 'Hips rise first, 4.1 cm'])
      expect(text).toContain(said)
  })
  it('gives no verdict on depth within its error', () => {
    const sheet = mounted(ReviewSheet, { reading: reading() })
    expect(sheet.text()).toContain('(1 ± 2 cm below level)')
    expect(sheet.findAll('b').map((b) => b.text())).not.toContain('cannot tell')
    const [rep] = reading().reps
    const deep = mounted(ReviewSheet, { reading: reading({ reps: [{ ...rep!, depth: 'deep' }] }) })
    expect(deep.findAll('b').map((b) => b.text())).toContain('deep')
  })
  it('tells no angle, no place, no depth and no speed of an oblique view', () => {
    const clip = reading()
    clip.camera = { ...clip.camera, angles_told: false, speeds_told: false }
    clip.reps = clip.reps.map((r) => ({
      ...r,
      depth: null,
      mean_m_s: null,
      least_m_s: null,
      sticking_m: null,
    }))
    const text = mounted(ReviewSheet, { reading: clip }).text()
    expect(text).not.toContain('48°')
    expect(text.match(/cannot tell: oblique/g)).toHaveLength(2)
    expect(text).not.toContain('m/s')
  })
  it('says of what it cannot tell just that, and never as a fault', () => {
    const unsure = finding({ state: 'cannot tell', value: 0.011 })
    const sheet = mounted(ReviewSheet, { reading: reading({ findings: [unsure] }) })
    expect(sheet.find('tbody').text()).toContain('Hips rise first: cannot tell.')
    expect(sheet.find('.says').exists()).toBe(false)
  })
  it('has no depth of a pull', () => {
    expect(mounted(ReviewSheet, { reading: reading({ lift: 'deadlift' }) }).text()).not.toContain('Depth')
  })
  it('says what is missing for a line of speed against load', () => {
    expect(mounted(ReviewSheet, { reading: reading() }).text()).toContain('it takes three loads')
    const speed = { points: [[100, 0.6]] as [number, number][], max_kg: 168, max_sd_kg: 9, why_not: '' }
    const told = mounted(ReviewSheet, { reading: reading({ speed }) }).text()
    expect(told.replace(/\s+/g, ' ')).toContain('about 168 kg ± 9 kg')
  })
})

describe('from the clip into the rest', () => {
  const LIFTER = 'l'
  const set = (over = {}) => ({
    set_id: 's1',
    performed_at: '2026-11-27T10:00:00Z',
    load_kg: 120.4,
    reps: 3,
    rpe: 8,
    ...over,
  })
  beforeEach(() => {
    server.gets['/api/lifters/{lifter_id}/sets'] = []
  })
  const acts = async (clip = reading()) => {
    const shown = mounted(ClipActs, { reading: clip, lifterId: LIFTER })
    await vi.waitFor(() => expect(shown.find('.v-btn').exists()).toBe(true))
    return shown
  }
  it('offers the sets of that day and load, and logs into the one chosen', async () => {
    server.gets['/api/lifters/{lifter_id}/sets'] = [
      set(),
      set({ set_id: 's2', load_kg: 122.5 }),
      set({ set_id: 's3', performed_at: '2026-11-26T10:00:00Z' }),
    ]
    const shown = await acts(reading({ findings: [finding({ word: 'confirmed' })] }))
    await vi.waitFor(() => expect(shown.findAll('option')).toHaveLength(2))
    await shown.find('select').setValue('s1')
    await press(shown, 'Log the set with what you see (1)')
    await vi.waitFor(() => expect(shown.emitted('said')).toHaveLength(1))
    expect(server.posts[0]).toMatchObject({
      path: '/api/lifters/{lifter_id}/clips/{clip_id}/log',
      body: { replaces: 's1' },
    })
  })
  it('logs a new set where none is chosen, and amends it the next time', async () => {
    await press(await acts(), 'Log the set without a fault')
    expect(server.posts[0]!.body).toMatchObject({ replaces: null })
    expect((await acts(reading({ logged: true }))).text()).toContain('Amend the set without a fault')
  })
  it('is shown to the lifter, hidden again and taken back', async () => {
    const shown = await acts()
    await press(shown, 'Show it on the lifter’s link')
    await press(await acts(reading({ shown: true })), 'Hide it from the lifter')
    await press(shown, 'Take the clip back')
    await vi.waitFor(() => expect(shown.emitted('gone')).toHaveLength(1))
    expect(server.posts.map((p) => (p.body as { word: string }).word)).toEqual([
      'shown',
      'hidden',
      'withdrawn',
    ])
  })
  it('offers nothing to one who only reads', async () => {
    await as('read_only')
    expect(mounted(ClipActs, { reading: reading(), lifterId: LIFTER }).find('button').exists()).toBe(false)
  })
})

describe('the line of time', () => {
  it('marks each rep, and a told fault where it turns', () => {
    const shown = mounted(TimeLine, { reading: reading(), at: 2 })
    expect(shown.findAll('.rep')).toHaveLength(1)
    expect(shown.find('.told').attributes('x1')).toBe('500')
    expect(shown.find('.now').attributes('x1')).toBe(String((1 / 3) * 1000))
    const quiet = reading({ findings: [finding({ state: 'holds' })] })
    expect(mounted(TimeLine, { reading: quiet, at: 0 }).find('.told').exists()).toBe(false)
  })
  it('goes to the picture that was pressed', async () => {
    const shown = mounted(TimeLine, { reading: reading(), at: 0 })
    const svg = shown.find('svg')
    svg.element.getBoundingClientRect = () => new DOMRect(100, 0, 300, 92)
    await svg.trigger('click', { clientX: 300 })
    expect(shown.emitted('go')).toEqual([[4]])
  })
})
