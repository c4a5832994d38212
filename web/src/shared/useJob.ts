// A computation on the server: asked how far it is until it ends, then the answer is fetched again.
import { computed, onUnmounted, ref, toValue, watch, type MaybeRefOrGetter } from 'vue'
import { answered, client, type Schemas } from '@/shared/api'

const ASK_MS = 250
type Job = Schemas['JobAnswer']

export function useJob(given: MaybeRefOrGetter<Job | null>, done: () => void) {
  const heard = ref<Job | null>(null)
  let timer: ReturnType<typeof setTimeout> | undefined

  async function ask(id: string) {
    try {
      const job = await answered(client.GET('/api/jobs/{job_id}', { params: { path: { job_id: id } } }))
      heard.value = job
      if (job.state === 'running') timer = setTimeout(() => ask(id), ASK_MS)
      else if (job.state === 'done') done()
    } catch {
      heard.value = heard.value && { ...heard.value, state: 'failed' }
    }
  }
  watch(
    () => toValue(given)?.job_id,
    (id) => {
      clearTimeout(timer)
      heard.value = toValue(given)
      if (id) timer = setTimeout(() => ask(id), ASK_MS)
    },
    { immediate: true },
  )
  onUnmounted(() => clearTimeout(timer))

  async function cancel() {
    const id = toValue(given)?.job_id
    if (id) heard.value = await answered(client.DELETE('/api/jobs/{job_id}', { params: { path: { job_id: id } } }))
  }
  return { job: computed(() => (toValue(given) ? heard.value : null)), cancel }
}
