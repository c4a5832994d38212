// Pictures from the front that were only tapped: each with its numbers, none with a verdict.
import { beforeEach, describe, expect, it } from 'vitest'
import HeadOnSheet from '@/stages/watch/HeadOnSheet.vue'
import { mounted } from './mounting'
import { reading } from './reading'

const at = (time_s: number, knee_left_out_m: number) => ({
  time_s,
  knee_left_out_m,
  knee_right_out_m: 0.05,
  expected_out_m: 0.06,
  hips_off_m: null,
  tilt_m: 0.004,
})

describe('tapped pictures from the front', () => {
  let shown: ReturnType<typeof mounted>
  beforeEach(() => {
    shown = mounted(HeadOnSheet, {
      reading: reading({
        view: 'front',
        way: 'points',
        phases: [],
        findings: [],
        reps: [],
        head_on_instants: [at(0.4, 0.061), at(1.2, -0.021)],
      }),
    })
  })
  it('stand one by one with how far each knee is outside its ankle', () => {
    const rows = shown.findAll('tbody tr').map((row) => row.text())
    expect(rows).toHaveLength(2)
    expect(rows[0]).toContain('tapped at 0.40 s')
    expect(rows[0]).toContain('6 cm')
    expect(rows[1]).toContain('−2 cm')
  })
  it('carry no mark, no words to be edited and no errors of findings', () => {
    expect(shown.find('.mark').exists()).toBe(false)
    expect(shown.text()).toContain('Picture by picture')
    expect(shown.text()).not.toContain('What stands out')
    expect(shown.text()).not.toContain('Errors of one film')
  })
  it('lead to their picture', async () => {
    await shown.find('tbody button').trigger('click')
    expect(shown.emitted('go')).toEqual([[0.4]])
  })
})
