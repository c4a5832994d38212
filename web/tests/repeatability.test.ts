import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import Repeatability from '@/stages/log/Repeatability.vue'

const shown = (lift: 'squat' | 'deadlift', modelValue = {}) => {
  const page = mount(Repeatability, {
    props: {
      modelValue,
      lift,
      'onUpdate:modelValue': (now: object) => void page.setProps({ modelValue: now }),
    },
  })
  const press = (name: string) =>
    page
      .findAll('button')
      .find((b) => b.text() === name)!
      .trigger('click')
  return { page, press, measures: () => page.props('modelValue') }
}

describe('what should be the same every time', () => {
  it('is noted with one press, and taken back with another', async () => {
    const { page, press, measures } = shown('squat', { hands_to_pull_s: 4 })
    expect(page.find('summary').text()).toContain('not noted')
    await press('3')
    await press('+2')
    expect(measures()).toEqual({ hands_to_pull_s: 4, walkout_steps: 3, foot_offset_m: 0.02 })
    expect(page.find('summary').text()).toContain('3 steps, bar 2 cm from mid-foot')
    await press('3')
    expect(measures()).toMatchObject({ walkout_steps: null })
  })
  it('asks a pull for its hips and no steps', () => {
    expect(shown('deadlift').page.text()).toContain('Hips above the floor')
    expect(shown('deadlift').page.text()).not.toContain('Steps out')
    expect(shown('squat').page.text()).not.toContain('Hips above the floor')
  })
  it('keeps a length in metres and refuses what is none, with the sentence', async () => {
    const { page, measures } = shown('deadlift')
    const [stance, hips] = page.findAll('input')
    await stance!.setValue('42,5')
    await hips!.setValue('5')
    expect(measures()).toEqual({ stance_m: 0.425 })
    expect(page.find('[role=alert]').text()).toBe('“5” is no length from 10 to 120 cm.')
    await hips!.setValue('58')
    expect(page.find('[role=alert]').exists()).toBe(false)
    await stance!.setValue('')
    expect(measures()).toEqual({ stance_m: null, start_hip_m: 0.58 })
  })
})
