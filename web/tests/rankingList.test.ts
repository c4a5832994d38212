import { describe, expect, it } from 'vitest'
import RankingList from '@/stages/setup/RankingList.vue'
import { SQUAT } from '@/stages/setup/squat/squatPage'
import { mounted } from './mounting'

const leader = (bar_position: string, chance_best: number | null, more = {}) => ({
  setup: { bar_position, stance_m: 0.5, toe_out_deg: 20, heel_lift_m: 0 },
  predicted_max_kg: 180, band_kg: [160, 200], chance_best, limiter: 'hips', trunk_lean_deg: 50, shank_deg: 22,
  stance_range_m: [0.46, 0.58], toe_range_deg: [15, 25], use: {}, ...more,
}) // prettier-ignore
const FAMILIES = [
  { styles: ['middle', 'low'], chance_best: 0.62, expected_loss_kg: 1.4 },
  { styles: ['high'], chance_best: 0.2, expected_loss_kg: 7.5 },
]
const ranking = (more = {}) => ({
  leaders: [leader('low', 0.62), leader('middle', 0.62), leader('high', 0.2)],
  families: FAMILIES, none_clearly_best: 0.18, verdict: { kind: 'worth_a_trial', sentence: 'worth a trial: low bar against high bar' },
  why_not: {}, assumed_screens: [], lifts_told: [], strengths: 'nothing', feasible_count: 3, rejected_count: 0, seed: 1, ...more,
}) // prettier-ignore
const live = { bar_position: 'high', stance_m: 0.5, toe_out_deg: 20, heel_lift_m: 0 }
const shown = (more = {}) =>
  mounted(RankingList, { page: SQUAT, ranking: ranking(more), live, lifterId: 'x' })

describe('the ranking', () => {
  it('gives nearly equal set-ups one chance, and says what nobody clearly wins', () => {
    const chances = shown()
      .findAll('.chance')
      .map((c) => c.text())
    expect(chances).toEqual(['62 %', 'same', '20 %'])
    expect(shown().text()).toContain('none clearly best: 18 %')
  })
  it('says what a wrong choice costs, family by family', () => {
    const text = shown().text()
    expect(text).toContain('Worth a trial'.toLowerCase())
    expect(
      shown()
        .findAll('.cost')
        .map((c) => c.text()),
    ).toEqual(['middle or low 1.4 kg', 'high 7.5 kg'])
  })
  it('asks for no single reading once the choice is clear', () => {
    const deciding = { sentence: 'thigh decides', flips: [] }
    const told = (kind: string) =>
      mounted(RankingList, {
        page: SQUAT, ranking: ranking({ verdict: { kind, sentence: 'so it is' } }), live, lifterId: 'x', deciding,
      }).text() // prettier-ignore
    expect(told('worth_a_trial')).toContain('thigh decides')
    expect(told('clear')).not.toContain('thigh decides')
    expect(told('does_not_matter')).not.toContain('thigh decides')
  })
  it('tells a stance as the range that is as good', () => {
    expect(shown().text()).toContain('as good from 46 cm to 58 cm')
    const narrow = { leaders: [leader('low', 1, { stance_range_m: [0.5, 0.51] })] }
    expect(shown(narrow).text()).not.toContain('as good from')
  })
  it('says what limits and which limits are overstepped a little', () => {
    const told = leader('low', 1, {
      limited_by: 'quads 60%, hips 40%',
      oversteps: ['the ankle would bend 41°'],
    })
    const text = shown({ leaders: [told] }).text()
    expect(text).toContain('limited by quads 60%, hips 40%')
    expect(text).toContain('the ankle would bend 41°')
    expect(shown().text()).not.toContain('limited by')
  })
  it('leaves chances out while bodies are being drawn', () => {
    const page = shown({ families: [], none_clearly_best: null, leaders: [leader('low', null)] })
    expect(page.findAll('.chance')).toHaveLength(0)
    expect(page.text()).not.toContain('costs')
  })
  it('marks the live set-up and hands the chosen one on', async () => {
    const page = shown()
    expect(page.findAll('.rank').map((r) => r.classes('on'))).toEqual([false, false, true])
    await page.findAll('.rank')[0]?.trigger('click')
    expect(page.emitted('choose')).toEqual([[{ ...live, bar_position: 'low' }]])
  })
})
