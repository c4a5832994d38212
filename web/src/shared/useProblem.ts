// Runs an action and keeps its problem: one message for the form, one per field.
import { say } from '@/words'
import { computed, readonly, ref } from 'vue'
import { ProblemError } from './api'

export function useProblem() {
  const problem = ref<ProblemError | null>(null)
  const busy = ref(false)

  async function run<T>(action: () => Promise<T>): Promise<T | undefined> {
    busy.value = true
    problem.value = null
    try {
      return await action()
    } catch (error) {
      problem.value =
        error instanceof ProblemError
          ? error
          : new ProblemError(0, say('shared.something_went_wrong'), String(error), [])
      return undefined
    } finally {
      busy.value = false
    }
  }

  /** Messages of one field, by its path or the end of it. */
  function of(path: string): string[] {
    return (problem.value?.errors ?? [])
      .filter((e) => e.path === path || e.path.endsWith(`.${path}`))
      .map((e) => e.message)
  }

  const message = computed(() => problem.value?.message ?? '')
  return { problem: readonly(problem), message, busy: readonly(busy), run, of }
}
