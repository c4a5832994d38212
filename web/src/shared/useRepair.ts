// A remedy that changes the set-up opens the bench with it: today's pinned as A, the changed one live.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch, type Ref } from 'vue'
import { useRoute } from 'vue-router'
import { catalogueQuery } from './queries'

export type Change = Record<string, number | string>
interface Bench<T> {
  setup: T
  isPinned: boolean
  pin: () => void
  set: (part: Partial<T>) => void
}

/** Words of the repair that is shown; `changed` gives what a change makes of a set-up. */
export function useRepair<T>(bench: Ref<Bench<T> | null>, changed: (setup: T, change: Change) => Partial<T> | null) {
  const route = useRoute()
  const wanted = computed(() => (typeof route.query.repair === 'string' ? route.query.repair : null))
  const catalogue = useQuery({ ...catalogueQuery, enabled: computed(() => wanted.value !== null) })
  const shown = ref('')
  watch([bench, () => catalogue.data.value], ([ready, known]) => {
    const remedy = known?.remedies.find((r) => r.id === wanted.value)
    if (!ready || !remedy?.change || shown.value) return
    const part = changed(ready.setup, remedy.change)
    if (!part) return
    if (!ready.isPinned) ready.pin()
    ready.set(part)
    shown.value = remedy.text
  })
  return shown
}

const added = (now: number, change: Change, name: string) => (typeof change[name] === 'number' ? { [name]: now + (change[name] as number) } : {})
/** The parts of a set-up that a change moves by an amount. */
export function movedBy<T extends object>(setup: T, change: Change): Partial<T> {
  const parts = Object.keys(change).filter((name) => name in setup).map((name) => added(setup[name as keyof T] as number, change, name))
  return Object.assign({}, ...parts) as Partial<T>
}
