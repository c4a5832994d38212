// The live set-up on the bench with its limits, undo, redo and a pinned A.
import { computed, ref } from 'vue'
import type { Schemas } from '@/shared/api'
import { BAR_NAMES, BAR_ORDER, type BarPosition } from '@/shared/words'

export interface Setup {
  bar_position: BarPosition
  stance_m: number
  toe_out_deg: number
  heel_lift_m: number
  specialty?: Schemas['SpecialtyBarIn']
}

/** A set-up as the server takes it. */
export const requestOf = (setup: Setup): Schemas['SquatSetupIn'] => ({ ...setup, balance: 'system' })
export const barName = (setup: Setup) => setup.specialty?.name ?? BAR_NAMES[setup.bar_position] ?? ''

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value))
const tidy = (setup: Setup): Setup => ({
  bar_position: setup.bar_position,
  stance_m: Math.round(clamp(setup.stance_m, 0.24, 0.8) * 100) / 100,
  toe_out_deg: Math.round(clamp(setup.toe_out_deg, 0, 45)),
  heel_lift_m: Math.round(clamp(setup.heel_lift_m, 0, 0.03) * 200) / 200,
  ...(setup.specialty ? { specialty: setup.specialty } : {}),
})
export const sameSetup = (a: Setup, b: Setup) =>
  a.bar_position === b.bar_position &&
  a.stance_m === b.stance_m &&
  a.toe_out_deg === b.toe_out_deg &&
  a.heel_lift_m === b.heel_lift_m &&
  a.specialty?.name === b.specialty?.name

export function useSetup(start: Setup) {
  const live = ref<Setup>(tidy(start))
  const past = ref<Setup[]>([])
  const future = ref<Setup[]>([])
  const pinned = ref<Setup | null>(null)

  /** Remember the present before a change, so that it can be undone. */
  function begin() {
    const last = past.value.at(-1)
    if (!last || !sameSetup(last, live.value)) past.value.push({ ...live.value })
    future.value = []
  }
  function change(part: Partial<Setup>) {
    live.value = tidy({ ...live.value, ...part })
  }
  function set(part: Partial<Setup>) {
    begin()
    change(part)
  }
  function stepBar(steps: number) {
    const index = clamp(BAR_ORDER.indexOf(live.value.bar_position) + steps, 0, BAR_ORDER.length - 1)
    change({ bar_position: BAR_ORDER[index]!, specialty: undefined })
  }
  function travel(from: Setup[], to: Setup[]) {
    let next = from.pop()
    while (next && sameSetup(next, live.value)) next = from.pop()
    if (!next) return
    to.push({ ...live.value })
    live.value = next
  }
  return {
    live: computed(() => live.value),
    pinned: computed(() => pinned.value),
    canUndo: computed(() => past.value.some((s) => !sameSetup(s, live.value))),
    canRedo: computed(() => future.value.length > 0),
    begin,
    change,
    set,
    stepBar,
    undo: () => travel(past.value, future.value),
    redo: () => travel(future.value, past.value),
    pin: () => (pinned.value = pinned.value ? null : { ...live.value }),
  }
}
