// A value that follows another once the hand rests.
import { ref, watch, type Ref } from 'vue'

const REST_MS = 160

export function useRested<T>(live: Ref<T>): Ref<T> {
  const still = ref(live.value) as Ref<T>
  let timer: ReturnType<typeof setTimeout> | undefined
  watch(live, (now) => {
    clearTimeout(timer)
    timer = setTimeout(() => (still.value = now), REST_MS)
  }, { deep: true })
  return still
}
