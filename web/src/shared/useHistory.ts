// A value with undo, redo and a pinned A; equal values are one.
import { computed, ref, type Ref } from 'vue'

export function useHistory<T extends object>(start: T, same: (a: T, b: T) => boolean) {
  const live = ref(start) as Ref<T>
  const past = ref([]) as Ref<T[]>
  const future = ref([]) as Ref<T[]>
  const pinned = ref(null) as Ref<T | null>

  /** Remember the present before a change, so that it can be undone. */
  function begin() {
    const last = past.value.at(-1)
    if (!last || !same(last, live.value)) past.value.push({ ...live.value })
    future.value = []
  }
  function travel(from: T[], to: T[]) {
    let next = from.pop()
    while (next && same(next, live.value)) next = from.pop()
    if (!next) return
    to.push({ ...live.value })
    live.value = next
  }
  return {
    live,
    pinned: computed(() => pinned.value),
    canUndo: computed(() => past.value.some((s) => !same(s, live.value))),
    canRedo: computed(() => future.value.length > 0),
    begin,
    undo: () => travel(past.value, future.value),
    redo: () => travel(future.value, past.value),
    pin: () => (pinned.value = pinned.value ? null : { ...live.value }),
  }
}
