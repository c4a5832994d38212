// Outlines for drawing, in centimetres on paper: x right, y down.
import type { Pose } from './pose'

export type Spot = { x: number; y: number }
export const spot = (place: { x: number; z: number }): Spot => ({ x: place.x * 100, y: -place.z * 100 })

/** A limb: two circles and their outer tangents. */
export function limb(a: Spot, ra: number, b: Spot, rb: number): string {
  const dx = b.x - a.x
  const dy = b.y - a.y
  const length = Math.hypot(dx, dy) || 1e-6
  const turn = Math.acos(Math.max(-1, Math.min(1, (ra - rb) / length)))
  const along = Math.atan2(dy, dx)
  const on = (c: Spot, r: number, angle: number) =>
    `${(c.x + r * Math.cos(angle)).toFixed(2)} ${(c.y + r * Math.sin(angle)).toFixed(2)}`
  const big = turn > Math.PI / 2 ? 1 : 0
  return (
    `M${on(a, ra, along + turn)} A${ra} ${ra} 0 ${1 - big} 1 ${on(a, ra, along - turn)} ` +
    `L${on(b, rb, along - turn)} A${rb} ${rb} 0 ${big} 1 ${on(b, rb, along + turn)} Z`
  )
}

export interface BodySizes {
  foot: number
  ankleHeight: number
  upperArm: number
  forearm: number
}

/** The foot from the side, pitched about its ball, toes to the right. */
export function footOutline(sizes: BodySizes, toeOutDeg: number, pitchDeg: number): string {
  const narrow = Math.cos((toeOutDeg * Math.PI) / 180)
  const pitch = (pitchDeg * Math.PI) / 180
  const f = sizes.foot * 100
  const ball = 0.22 * f
  const h = sizes.ankleHeight * 100
  const at = (along: number, up: number) => {
    const x = ball + (along - ball) * Math.cos(pitch) + up * Math.sin(pitch)
    const y = (ball - along) * Math.sin(pitch) + up * Math.cos(pitch)
    return `${(x * narrow).toFixed(2)} ${(-Math.max(y, 0)).toFixed(2)}`
  }
  return (
    `M${at(-0.5 * f, 0)} C${at(-0.53 * f, 0.5 * h)} ${at(-0.48 * f, h)} ${at(-0.36 * f, 1.15 * h)} ` +
    `L${at(-0.12 * f, 1.1 * h)} C${at(0.1 * f, 0.75 * h)} ${at(0.4 * f, 0.5 * h)} ${at(0.49 * f, 0.35 * h)} ` +
    `Q${at(0.52 * f, 0)} ${at(0.47 * f, 0)} Z`
  )
}

/** Where the elbow goes: on the circles of upper arm and forearm, below the line to the hand. */
export function elbow(pose: Pose, sizes: BodySizes): Spot {
  const shoulder = spot(pose.points.shoulder)
  const hand = spot(pose.points.bar)
  const upper = sizes.upperArm * 62
  const fore = sizes.forearm * 74
  const dx = hand.x - shoulder.x
  const dy = hand.y - shoulder.y
  const reach = Math.min(Math.max(Math.hypot(dx, dy), Math.abs(upper - fore) + 0.5), upper + fore - 0.5)
  const angle = Math.acos((upper ** 2 + reach ** 2 - fore ** 2) / (2 * upper * reach))
  const base = Math.atan2(dy, dx)
  const at = (t: number): Spot => ({
    x: shoulder.x + upper * Math.cos(t),
    y: shoulder.y + upper * Math.sin(t),
  })
  const [one, other] = [at(base + angle), at(base - angle)]
  return one.y > other.y ? one : other
}
