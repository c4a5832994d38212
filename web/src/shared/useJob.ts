// A computation on the server: asked how far it is until it ends, then the answer is fetched again.
import { useTimeoutFn } from '@vueuse/core'
import { computed, ref, toValue, watch, type MaybeRefOrGetter } from 'vue'
import { answered, client, type Schemas } from '@/shared/api'

const ASK_MS = 250
type Job = Schemas['JobAnswer']

export function useJob(given: MaybeRefOrGetter<Job | null>, done: () => void) {
  const heard = ref<Job | null>(null)

  async function ask(id: string) {
    const job = await answered(client.GET('/api/jobs/{job_id}', { params: { path: { job_id: id } } })).catch(
      (): Job | null => heard.value && { ...heard.value, state: 'failed' },
    )
    const overtaken = id !== toValue(given)?.job_id
    if (overtaken) return
    heard.value = job
    if (job?.state === 'running') later.start(id)
    else if (job?.state === 'done') done()
  }
  const later = useTimeoutFn((id: string) => void ask(id), ASK_MS, { immediate: false })
  watch(
    () => toValue(given)?.job_id,
    (id) => {
      later.stop()
      heard.value = toValue(given)
      if (id) later.start(id)
    },
    { immediate: true },
  )

  async function cancel() {
    const id = toValue(given)?.job_id
    if (id)
      heard.value = await answered(client.DELETE('/api/jobs/{job_id}', { params: { path: { job_id: id } } }))
  }
  return { job: computed(() => (toValue(given) ? heard.value : null)), cancel }
}
