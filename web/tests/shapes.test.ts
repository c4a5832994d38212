// @vitest-environment node
import { describe, expect, it } from 'vitest'
import { elbow, limb } from '@/figure/shapes'
import type { Pose } from '@/figure/pose'

const numbers = (path: string) => (path.match(/-?\d+(\.\d+)?/g) ?? []).map(Number)

describe('outlines', () => {
  it('a limb of equal radii spans its two joints', () => {
    const xs = numbers(limb({ x: 0, y: 0 }, 5, { x: 40, y: 0 }, 5))
    expect(xs.every(Number.isFinite)).toBe(true)
    expect(Math.max(...xs)).toBeCloseTo(40, 1)
  })

  it('a limb of no length is still drawable', () => {
    expect(limb({ x: 1, y: 1 }, 3, { x: 1, y: 1 }, 3)).not.toContain('NaN')
  })

  it('the elbow hangs below the line from shoulder to bar', () => {
    const place = (x: number, z: number) => ({ x, y: 0.2, z })
    const points = {
      ankle: place(0, 0),
      knee: place(0, 0),
      hip: place(0, 0),
      head: place(0, 1),
      shoulder: place(0, 1),
      bar: place(-0.1, 0.98),
    }
    const pose: Pose = { points, angles: {}, arms: { hip: 0, knee: 0 }, use: {}, pitch: 0 }
    const found = elbow(pose, { foot: 0.27, ankleHeight: 0.07, upperArm: 0.32, forearm: 0.25 })
    expect(found.y).toBeGreaterThan(-98)
  })
})
