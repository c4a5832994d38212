import { describe, expect, it } from 'vitest'
import { nextTick } from 'vue'
import {
  addFault,
  addRep,
  amending,
  bodyOf,
  changeLast,
  freshDraft,
  isEntering,
  keepDraft,
  mending,
  undo,
  useDraft,
} from '@/stages/log/draft'
import { rpeOf } from '@/stages/log/keys'
import { nearestLoading } from '@/stages/log/usePlatform'

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

  it('comes back as it was entered, under a new key, when the server refused it', () => {
    const entered = freshDraft({
      load_kg: 900,
      reps: ['good', 'miss'],
      rpe: 8,
      note: 'felt odd',
      replaces: 'older',
    })
    addFault(entered, { fault_id: 'hips-rise', phase: 'bottom' }, true)
    const sent = bodyOf(entered)
    const again = mending(sent)
    expect(again.key).not.toBe(entered.key)
    expect(again.set_id).not.toBe(entered.set_id)
    const blank = { set_id: '', faults: [] }
    expect({ ...bodyOf(again), ...blank }).toEqual({ ...sent, ...blank })
    const seen = [sent, bodyOf(again)].map((body) => body.faults?.map((f) => [f.fault_id, f.rep]))
    expect(seen[1]).toEqual(seen[0])
    expect(isEntering('someone')).toBe(false)
    keepDraft('someone', again)
    expect(isEntering('someone')).toBe(true)
    expect(useDraft('someone').draft.value.load_kg).toBe(900)
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

describe('rep by rep', () => {
  const draft = () => freshDraft()

  it('counts a fault as a rep of its own unless it belongs to the one before', () => {
    const d = draft()
    addRep(d, 'good')
    addFault(d, { fault_id: 'heels-up', phase: 'bottom' }, false)
    addFault(d, { fault_id: 'hips-rise', phase: 'out of the hole' }, true)
    expect(d.reps).toEqual(['good', 'good'])
    expect(d.faults.map((f) => f.rep)).toEqual([2, 2])
  })

  it('undoes one step at a time, severity and side included', () => {
    const d = draft()
    addFault(d, { fault_id: 'heels-up', phase: 'bottom' }, false)
    changeLast(d, { severity: 3 })
    changeLast(d, { side: 'left' })
    undo(d)
    expect(d.faults[0]).toMatchObject({ severity: 3, side: null })
    undo(d)
    undo(d)
    expect(d.reps).toEqual([])
    undo(d)
    expect(d.reps).toEqual([])
  })

  it('sends good reps and misses apart', () => {
    const d = freshDraft({ lift: 'deadlift' })
    addRep(d, 'good')
    addRep(d, 'miss')
    expect(bodyOf(d)).toMatchObject({ reps: 1, missed_reps: 1, pull_style: 'dead_stop' })
  })

  it('amends under a new id and remembers what it replaces', () => {
    const first = {
      ...bodyOf(freshDraft({ reps: ['good', 'miss'], rpe: 8 })),
      withdrawn: false,
      estimated_max_kg: null,
    }
    const d = amending(first as unknown as Parameters<typeof amending>[0])
    expect(d.replaces).toBe(first.set_id)
    expect(d.set_id).not.toBe(first.set_id)
    expect(d.reps).toEqual(['good', 'miss'])
  })
})

describe('keys', () => {
  it('gives whole RPEs and, pressed again, halves', () => {
    expect(rpeOf('8', null)).toBe(8)
    expect(rpeOf('8', 8)).toBe(8.5)
    expect(rpeOf('8', 8.5)).toBe(null)
    expect(rpeOf('0', 9)).toBe(10)
    expect(rpeOf('3', null)).toBeUndefined()
  })
})

describe('plates without a network', () => {
  const gym = {
    bar_kg: 20,
    collars_kg: 0,
    loadings: [20, 25, 40, 60].map((total_kg) => ({ total_kg, per_side: [] })),
  }
  it('takes the nearest total, the lighter one of two', () => {
    expect(nearestLoading(gym, 41)?.total_kg).toBe(40)
    expect(nearestLoading(gym, 50)?.total_kg).toBe(40)
    expect(nearestLoading(gym, 300)?.total_kg).toBe(60)
    expect(nearestLoading(gym, 5)?.total_kg).toBe(20)
    expect(nearestLoading({ ...gym, loadings: [] }, 60)).toBeNull()
  })
})
