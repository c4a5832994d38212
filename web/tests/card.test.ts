import { describe, expect, it } from 'vitest'
import CardSheet from '@/stages/card/CardSheet.vue'
import { mounted } from './mounting'

const squat = {
  bar: 'low bar',
  stance_m: 0.44,
  stance_feet: 1.7,
  toe_out_deg: 20,
  heel_lift_m: 0.01,
  grip_m: 0.8,
  grip_words: 'ring finger on the ring',
  grip_from_screen: true,
  lean_deg: 48,
  shank_deg: 24,
  crease_below_knee_m: 0.015,
  depth_school: 'competition',
  predicted_max_kg: 180,
  settled_at: '2026-11-20T10:00:00Z',
  reason: '',
  model_version: '1',
  stale_because: [] as string[],
  racks: [
    {
      rack: 'North rack',
      hook_hole: 9,
      safety_hole: 4,
      dip_m: 0.05,
      safety_below_m: 0.06,
      clearance_m: 0.2,
      problem: null,
    },
    {
      rack: 'Old rack',
      hook_hole: null,
      safety_hole: 2,
      dip_m: 0,
      safety_below_m: 0.1,
      clearance_m: 0.2,
      problem: 'the lowest hook is too high for this lifter: use another rack',
    },
  ],
}
const card = {
  name: 'Ida Łęcka',
  mass_kg: 63,
  cues: ['Mid-foot'],
  pull_cues: [],
  checks: ['Bar centred by the marks'],
  pull_checks: [],
  cautions: ['Spotters'],
  pain: [] as string[],
  squat,
  deadlift: null,
}
const shown = (part: Partial<typeof squat> = {}, more: Partial<typeof card> = {}) =>
  mounted(CardSheet, { card: { ...card, ...more, squat: { ...squat, ...part } } }).text()

describe('the card', () => {
  it('tells the depth that the school in force wants', () => {
    expect(shown()).toContain('Crease of the hip 1.5 cm below the top of the knee.')
    expect(shown({ crease_below_knee_m: 0, depth_school: 'parallel' })).toContain(
      'Crease of the hip level with the top of the knee.',
    )
    expect(shown({ crease_below_knee_m: -0.06, depth_school: 'box' })).toContain(
      'Crease of the hip 6 cm above the top of the knee, on the box.',
    )
  })
  it('gives every setting in what a lifter can check', () => {
    const text = shown()
    for (const part of [
      '44 cm',
      '1.7 of your feet',
      '20°',
      'ring finger on the ring',
      'hooks 9, pins 4',
      'pins 6 cm under the bar at the bottom',
    ])
      expect(text).toContain(part)
  })
  it('says what is wrong with a rack instead of a hole', () => {
    expect(shown()).toContain('hooks –, pins 2the lowest hook is too high for this lifter')
  })
  it('warns of pain and of a set-up that is out of date', () => {
    const text = shown({ stale_because: ['body mass 80 → 84 kg'] }, { pain: ['knee'] })
    expect(text).toContain('Pain flag on the knee: loads are capped')
    expect(text).toContain('Out of date: body mass 80 → 84 kg. Ask the coach.')
  })
  it('tells what is checked before the set', () => {
    expect(shown()).toMatch(/Before the set\s*Squat\s*Bar centred by the marks/)
    expect(shown({}, { checks: [] })).not.toContain('Before the set')
  })
  it('leaves out what is not settled', () => {
    expect(shown()).not.toContain('Deadlift,')
    expect(shown()).toContain('Mid-foot')
  })
})
