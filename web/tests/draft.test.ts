import { beforeEach, describe, expect, it } from 'vitest'
import { nextTick } from 'vue'
import { useDraft } from '@/stages/log/draft'

beforeEach(() => localStorage.clear())

describe('the set being logged', () => {
  it('outlives the page', async () => {
    const first = useDraft('a-lifter')
    first.draft.value.reps.push('good', 'miss')
    first.draft.value.load_kg = 142.5
    await nextTick()
    const again = useDraft('a-lifter')
    expect(again.isNew).toBe(false)
    expect(again.draft.value).toEqual(first.draft.value)
  })

  it('belongs to one lifter', async () => {
    useDraft('one').draft.value.reps.push('good')
    await nextTick()
    expect(useDraft('another').draft.value.reps).toEqual([])
  })

  it('keeps lift and load for the next set under a new id', () => {
    const { draft, next } = useDraft('a-lifter')
    const before = draft.value.set_id
    Object.assign(draft.value, { lift: 'deadlift', load_kg: 180, reps: ['good'], pull_style: 'rebound' })
    next()
    expect(draft.value).toMatchObject({ lift: 'deadlift', load_kg: 180, reps: [], pull_style: 'rebound' })
    expect(draft.value.set_id).not.toBe(before)
  })
})
