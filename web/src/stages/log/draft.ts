// The set being logged, kept in the browser until the server has it: nothing typed is lost.
import { ref, watch } from 'vue'
import { uuid7 } from '@/shared/api'

export interface SeenFault {
  observation_id: string
  rep: number
  fault_id: string
  phase: string
  severity: number
  note: string
}
export interface Draft {
  set_id: string
  key: string
  lift: 'squat' | 'deadlift'
  variation: string
  load_kg: number
  reps: ('good' | 'miss')[]
  rpe: number | null
  aimed_rpe: number | null
  pull_style: 'dead_stop' | 'rebound' | null
  note: string
  faults: SeenFault[]
}

export const freshDraft = (from: Partial<Draft> = {}): Draft => ({
  set_id: uuid7(), key: uuid7(), lift: 'squat', variation: 'competition', load_kg: 60, reps: [], rpe: null,
  aimed_rpe: null, pull_style: null, note: '', faults: [], ...from,
})

export function useDraft(lifterId: string) {
  const place = `pavrik-draft-${lifterId}`
  const stored = localStorage.getItem(place)
  const draft = ref<Draft>(stored ? (JSON.parse(stored) as Draft) : freshDraft())
  watch(draft, (now) => localStorage.setItem(place, JSON.stringify(now)), { deep: true })
  /** The next set: same lift, load and style, a new id. */
  function next() {
    const { lift, variation, load_kg, aimed_rpe, pull_style } = draft.value
    draft.value = freshDraft({ lift, variation, load_kg, aimed_rpe, pull_style })
  }
  return { draft, next, isNew: stored === null }
}
