// The live set-up with what a hand reaches on each axis, undo, redo and a pinned A.
import { computed } from 'vue'
import type { Axis } from '@/shared/lifts'
import { useVersions } from '@/shared/useVersions'
import type { Part, Setup } from './liftPage'

const numbersOf = (setup: Setup) => setup as unknown as Record<string, number | null | undefined>

/** A value inside the axis's reach, on its steps. */
export function onAxis({ reach_low, reach_high, step }: Axis, value: number): number {
  const inside = Math.min(reach_high, Math.max(reach_low, value))
  return Number((Math.round(inside / step) * step).toFixed(4))
}

export function tidied(axes: readonly Axis[], setup: Setup): Setup {
  const moved = axes.flatMap((axis) => {
    const value = numbersOf(setup)[axis.id]
    return typeof value === 'number' ? [[axis.id, onAxis(axis, value)] as const] : []
  })
  return { ...setup, ...Object.fromEntries(moved) }
}

const plain = (setup: Setup) =>
  JSON.stringify(
    Object.entries(setup)
      .filter(([, value]) => value != null)
      .sort(),
  )
export const sameSetup = (a: Setup, b: Setup) => plain(a) === plain(b)

export function useSetup(start: Setup, axes: readonly Axis[]) {
  const { live, begin, ...rest } = useVersions<Setup>(tidied(axes, start), sameSetup)
  function change(part: Part) {
    live.value = tidied(axes, { ...live.value, ...part } as Setup)
  }
  function set(part: Part) {
    begin()
    change(part)
  }
  /** Moves one number by an amount. */
  function move(axis: string, by: number) {
    change({ [axis]: (numbersOf(live.value)[axis] ?? 0) + by })
  }
  return { live: computed(() => live.value), begin, change, set, move, ...rest }
}
