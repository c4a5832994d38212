// A value with undo, redo and a pinned A; equal values are one, and a whole drag is one step.
import { useManualRefHistory } from '@vueuse/core'
import { computed, ref, shallowReadonly, type Ref } from 'vue'

const MOST = 100

export function useVersions<T extends object>(start: T, same: (a: T, b: T) => boolean) {
  const live = ref(start) as Ref<T>
  const pinned = ref(null) as Ref<T | null>
  const versions = useManualRefHistory(live, { clone: true, capacity: MOST })
  const isKept = computed(() => same(versions.last.value.snapshot, live.value))

  /** Remember the present before a change, so that it can be undone. */
  function begin() {
    if (!isKept.value) versions.commit()
  }
  function undo() {
    begin()
    versions.undo()
  }
  function pin() {
    pinned.value = pinned.value ? null : { ...live.value }
  }
  return {
    live,
    pinned: shallowReadonly(pinned),
    canUndo: computed(() => versions.canUndo.value || !isKept.value),
    canRedo: computed(() => versions.canRedo.value && isKept.value),
    begin,
    undo,
    redo: versions.redo,
    pin,
  }
}
