// @vitest-environment node
import { describe, expect, it } from 'vitest'
import { useVersions } from '@/shared/useVersions'

const same = (a: { x: number }, b: { x: number }) => a.x === b.x
function moved(...steps: number[]) {
  const history = useVersions({ x: 0 }, same)
  for (const x of steps) {
    history.begin()
    history.live.value = { x }
  }
  return history
}

describe('undo and redo', () => {
  it('go back through every step and forward again', () => {
    const history = moved(1, 2, 3)
    const seen = []
    while (history.canUndo.value) {
      history.undo()
      seen.push(history.live.value.x)
    }
    expect(seen).toEqual([2, 1, 0])
    history.redo()
    history.redo()
    expect(history.live.value.x).toBe(2)
    expect(history.canRedo.value).toBe(true)
  })
  it('skip what changed nothing', () => {
    const history = moved(1, 1, 1)
    history.undo()
    expect(history.live.value.x).toBe(0)
    expect(history.canUndo.value).toBe(false)
  })
  it('forget what was undone once something new is done', () => {
    const history = moved(1, 2)
    history.undo()
    history.begin()
    history.live.value = { x: 9 }
    expect(history.canRedo.value).toBe(false)
    history.undo()
    expect(history.live.value.x).toBe(1)
  })
  it('do nothing at either end', () => {
    const history = moved()
    history.undo()
    history.redo()
    expect(history.live.value.x).toBe(0)
  })
  it('keep a copy as A that later changes leave alone', () => {
    const history = moved(5)
    history.pin()
    history.live.value.x = 6
    expect(history.pinned.value).toEqual({ x: 5 })
    history.pin()
    expect(history.pinned.value).toBeNull()
  })
})
