// A remedy that changes the set-up opens the explorer with it: today's pinned as A, the changed one live.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch, type Ref } from 'vue'
import { useRoute } from 'vue-router'
import { catalogueQuery } from '@/shared/queries'
import type { Change, Part, Setup } from './liftPage'

interface Explored {
  setup: Setup
  isPinned: boolean
  pin: () => void
  set: (part: Part) => void
}

/** Words of the repair that is shown; `changed` gives what a change makes of a set-up. */
export function useRepair(
  explorer: Ref<Explored | null>,
  changed: (setup: Setup, change: Change) => Part | null,
) {
  const route = useRoute()
  const wanted = computed(() => (typeof route.query.repair === 'string' ? route.query.repair : null))
  const catalogue = useQuery({ ...catalogueQuery, enabled: computed(() => wanted.value !== null) })
  const shown = ref('')
  watch([explorer, () => catalogue.data.value], ([ready, known]) => {
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

/** The parts of a set-up that a change moves by an amount. */
export function movedBy(setup: object, change: Change): Part {
  const moved = Object.entries(setup).flatMap(([name, now]) => {
    const by = change[name]
    return typeof by === 'number' && typeof now === 'number' ? [[name, now + by] as const] : []
  })
  return Object.fromEntries(moved)
}
