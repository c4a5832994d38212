// The live set-up on the bench with its limits, undo, redo and a pinned A.
import { computed } from 'vue'
import type { Schemas } from '@/shared/api'
import { useHistory } from '@/shared/useHistory'
import { BAR_NAMES, BAR_ORDER, type BarPosition } from '@/shared/words'

export interface Setup {
  bar_position: BarPosition
  stance_m: number
  toe_out_deg: number
  heel_lift_m: number
  specialty?: Schemas['SpecialtyBarIn']
}

/** A set-up as the server takes it. */
export const requestOf = (setup: Setup): Schemas['SquatSetupIn'] => ({ ...setup })
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
  const { live, begin, ...rest } = useHistory(tidy(start), sameSetup)
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
  return { live: computed(() => live.value), begin, change, set, stepBar, ...rest }
}
