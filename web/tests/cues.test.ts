import { describe, expect, it, vi } from 'vitest'
import type * as Api from '@/shared/api'

const posted: unknown[][] = []
vi.mock('@/shared/api', async (original) => ({
  ...(await original<typeof Api>()),
  client: {
    POST: (...asked: unknown[]) => {
      posted.push(asked)
      return Promise.resolve({ data: { cue: 'b' }, response: new Response() })
    },
  },
}))
const { default: Cues } = await import('@/stages/log/Cues.vue')
const { mounted } = await import('./mounting')

const cue = (more = {}) => ({ id: 'a', text: 'Down, not back.', on_trial: true, next_id: 'b', ...more })
const cues = (list: unknown[], more = {}) =>
  mounted(Cues, { lifterId: 'x', lift: 'squat', cues: list, mayWrite: true, modelValue: '', ...more })

describe('the cues on the platform', () => {
  it('swaps a cue that does not land with one tap', async () => {
    const shown = cues([cue()])
    await shown.find('button').trigger('click')
    expect(posted.at(-1)).toMatchObject([
      '/api/lifters/{lifter_id}/cues',
      { body: { lift: 'squat', cue: 'b' } },
    ])
  })
  it('ticks the cue that is given in this set, and takes the tick back', async () => {
    const shown = cues([cue(), cue({ id: '', text: 'the school says', on_trial: false, next_id: '' })])
    expect(shown.findAll('input')).toHaveLength(1)
    await shown.find('input').trigger('change')
    expect(shown.emitted('update:modelValue')).toEqual([['a']])
    const given = cues([cue()], { modelValue: 'a' })
    await given.find('input').trigger('change')
    expect(given.emitted('update:modelValue')).toEqual([['']])
  })
  it('offers no swap to a reader, and takes no room without cues', () => {
    expect(cues([cue()], { mayWrite: false }).find('button').exists()).toBe(false)
    expect(cues([]).find('section').exists()).toBe(false)
  })
})
