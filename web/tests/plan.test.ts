import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import Reasons from '@/stages/prescribe/Reasons.vue'
import FrameFields from '@/stages/prescribe/FrameFields.vue'
import SeasonLine from '@/stages/prescribe/SeasonLine.vue'
import { seasonOf } from '@/stages/prescribe/season'
import type { Plan, PlanFrame } from '@/stages/prescribe/usePlan'
import { isoDay } from '@/shared/clock'
import { dayWords, minutes, nextMonday, placeOf, titleOf } from '@/stages/prescribe/words'
import { mounted, router } from './mounting'

describe('words of a plan', () => {
  it('says a calendar day whatever the zone of the device', () => {
    expect(dayWords('2026-11-30')).toBe('Mon 30 Nov')
    expect(dayWords('2026-03-29')).toBe('Sun 29 Mar')
    expect(isoDay(new Date(2026, 0, 5, 23, 59))).toBe('2026-01-05')
  })
  it('starts on the next Monday, never today', () => {
    expect(nextMonday(new Date(2026, 10, 25))).toBe('2026-11-30')
    expect(nextMonday(new Date(2026, 10, 30))).toBe('2026-12-07')
    expect(nextMonday(new Date(2026, 10, 29))).toBe('2026-11-30')
  })
  it('names lifts, variations and rests', () => {
    expect(titleOf({ lift: 'squat', variation: 'competition' })).toBe('Squat')
    expect(titleOf({ lift: 'squat', variation: 'front squat' })).toBe('Front squat')
    expect(minutes(90)).toBe('1:30')
    expect(minutes(240)).toBe('4:00')
  })
  it('leads every fact to where it is shown', () => {
    const to = (fact: string) => placeOf(fact, 'x', 'squat').to
    expect(to('fault:hips-rise')).toEqual({
      name: 'review',
      params: { lifterId: 'x' },
      query: { lift: 'squat', fault: 'hips-rise' },
    })
    expect(to('fit:limiter')).toEqual({ name: 'squat', params: { lifterId: 'x' } })
    expect(to('ratio:front squat')).toEqual({
      name: 'prescribe',
      params: { lifterId: 'x' },
      query: { view: 'variations', lift: 'squat', open: 'front squat' },
    })
    expect(to('flag:0190-ab')).toEqual({ name: 'lifter', params: { lifterId: 'x' } })
    expect(to('0190-ab')).toEqual({ name: 'log', params: { lifterId: 'x' } })
  })
})

describe('reasons', () => {
  it('link each place once', () => {
    const reasons = [{ text: 'seen twice', facts: ['a', 'b', 'fault:hips-rise'] }]
    const shown = mount(Reasons, {
      props: { reasons, lifterId: 'x', lift: 'squat' },
      global: { plugins: [router] },
    })
    expect(shown.findAll('a').map((a) => a.text())).toEqual(['the log', 'what the log says of it'])
    expect(shown.text()).toContain('seen twice')
  })
})

describe('the frame of a plan', () => {
  const frame: PlanFrame = {
    start: '2026-11-30',
    weeks: 8,
    weekdays: [0, 2, 4],
    meet: null,
    shape: 'steady',
    strategy: 'placing',
  }
  const changed = (shown: ReturnType<typeof mount>) =>
    shown.emitted('update:modelValue')!.at(-1)![0] as PlanFrame
  const framed = (from: PlanFrame = frame) => mounted(FrameFields, { modelValue: from, withMeet: true })

  it('switches days on and off but never the last one off', async () => {
    const shown = framed()
    await shown.findAll('fieldset button')[1]!.trigger('click')
    expect(changed(shown).weekdays).toEqual([0, 1, 2, 4])
    const one = framed({ ...frame, weekdays: [3] })
    await one.findAll('fieldset button')[3]!.trigger('click')
    expect(changed(one).weekdays).toEqual([3])
  })
  it('takes its length from the meet, within what can be planned', async () => {
    const shown = framed()
    const meet = shown.findAll('input[type="date"]')[1]!
    await meet.setValue('2027-02-13')
    expect(changed(shown)).toMatchObject({ meet: '2027-02-13', weeks: 11 })
    await meet.setValue('2028-01-01')
    expect(changed(shown).weeks).toBe(16)
    await meet.setValue('')
    expect(changed(shown).meet).toBeNull()
  })
})

describe('the season line', () => {
  const line = (lift: string, load: number | null, more = {}) => ({
    line_id: `${lift}${load}`,
    lift,
    variation: 'competition',
    kind: 'main' as const,
    sets: 4,
    reps: 5,
    rpe: 7,
    load_kg: load,
    per_side: [],
    rest_s: 180,
    reasons: [],
    cap_kg: null,
    share: null,
    note: '',
    overruled: null,
    ...more,
  })
  const day = (id: string, on: string, lines: unknown[]) => ({ day_id: id, on, lines, cues: [], moved: '' })
  const plan = (days: unknown[]) =>
    ({
      weeks: [{ number: 1, role: 'build', reason: '', days }],
      proposals: [],
      attempts: {},
      refused: [],
      moves: [],
    }) as unknown as Plan

  it('draws a dot for every main session and says the season in words', async () => {
    const shown = mount(SeasonLine, {
      props: {
        plan: plan([
          day('a', '2026-11-30', [line('squat', 100)]),
          day('b', '2026-12-07', [line('squat', 105)]),
        ]),
        openDay: 'b',
      },
    })
    expect(shown.findAll('circle')).toHaveLength(2)
    expect(shown.find('svg').attributes('aria-label')).toContain('squat from 100 kg to 105 kg')
    expect(shown.findAll('circle.open')).toHaveLength(1)
    await shown.findAll('circle')[0]!.trigger('click')
    expect(shown.emitted('open')).toEqual([['a']])
  })
  it('draws nothing without loads, and no number is ever missing', () => {
    expect(
      mount(SeasonLine, {
        props: { plan: plan([day('a', '2026-11-30', [line('squat', null)])]), openDay: null },
      })
        .find('svg')
        .exists(),
    ).toBe(false)
    const one = mount(SeasonLine, {
      props: { plan: plan([day('a', '2026-11-30', [line('squat', 100)])]), openDay: null },
    })
    expect(one.html()).not.toContain('NaN')
  })
  it('sets what was done, what the log says of the max and what is asked beside it', () => {
    const on = '2026-11-23'
    const soFar = {
      lift: 'squat',
      max_on: [
        { on, kg: 150, low_kg: 142, high_kg: 158 },
        { on: '2026-11-27', kg: 151, low_kg: 144, high_kg: 159 },
      ],
      done: [
        { on, load_kg: 130, reps: 3, rpe: 8, missed: false },
        { on: '2026-11-25', load_kg: 140, reps: 0, rpe: null, missed: true },
      ],
    }
    const days = [
      day('a', '2026-11-20', [line('squat', 110, { share: 0.55, variation: 'competition' })]),
      day('b', '2026-11-30', [
        line('squat', 120, { share: 0.8, intent_kg: 132.5, variation: 'competition' }),
      ]),
    ]
    const [season] = seasonOf(plan(days), [soFar])
    expect(season!.planned.map((p) => p.intent)).toEqual([null, 132.5])
    expect(season!.expected).toEqual([{ on: Date.parse('2026-11-30'), kg: 150 }])
    const shown = mount(SeasonLine, { props: { plan: plan(days), openDay: null, soFar: [soFar] } })
    expect(shown.findAll('.done')).toHaveLength(1)
    expect(shown.findAll('.missed')).toHaveLength(1)
    expect(shown.findAll('.held')).toHaveLength(1)
    expect(shown.find('svg').attributes('aria-label')).toContain(
      'max today about 151 kg, likely 144 to 159 kg, 1 held below what is asked',
    )
    expect(shown.html()).not.toContain('NaN')
  })
  it('leaves out what a coach left out', () => {
    const gone = line('squat', 100, { overruled: { coach: 'x', reason: 'y', load_kg: null, dropped: true } })
    expect(
      mount(SeasonLine, { props: { plan: plan([day('a', '2026-11-30', [gone])]), openDay: null } })
        .find('svg')
        .exists(),
    ).toBe(false)
  })
})
