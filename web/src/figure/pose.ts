// One pose out of the server's columns. Points in metres: x forward, y left, z up.
import type { Schemas } from '@/shared/api'

export type Joint = 'ankle' | 'knee' | 'hip' | 'shoulder' | 'head' | 'bar'
export type Place = { x: number; y: number; z: number }

export interface Pose {
  points: Record<Joint, Place>
  angles: Record<string, number>
  arms: { hip: number; knee: number }
  use: Record<string, number>
  pitch: number
}

const pick = (columns: Record<string, number[]>, index: number) =>
  Object.fromEntries(Object.entries(columns).map(([name, values]) => [name, values[index] ?? 0]))

export function poseAt(columns: Schemas['DrawnColumns'], index: number): Pose {
  const points = Object.fromEntries(
    Object.entries(columns.points).map(([name, { x, y, z }]) => [
      name,
      { x: x[index] ?? 0, y: y[index] ?? 0, z: z[index] ?? 0 },
    ]),
  ) as Record<Joint, Place>
  const arms = pick(columns.arms_m, index)
  return {
    points,
    angles: pick(columns.angles_deg, index),
    arms: { hip: arms.hip ?? 0, knee: arms.knee ?? 0 },
    use: pick(columns.use, index),
    pitch: columns.pitch_deg[index] ?? 0,
  }
}
