// What a lifter sent by the own link and nobody took up yet, and a coach's word to it.
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answered, client, once, uuid7, type Schemas } from './api'
import { sentQuery } from './queries'
import { useForget } from './useLifter'
import { useProblem } from './useProblem'

export function useSent(lifterId: () => string, kind: 'set' | 'film') {
  const forget = useForget()
  const problem = useProblem()
  const sent = useQuery(computed(() => sentQuery(lifterId())))
  const waiting = computed(() =>
    (sent.data.value ?? []).filter((one) => one.kind === kind && one.state === 'waits'),
  )
  async function sayWord(itemId: string, word: Schemas['SentWordRequest']['word']) {
    const id = uuid7()
    const said = await problem.run(() =>
      answered(
        client.POST('/api/lifters/{lifter_id}/sent/{item_id}/words', {
          params: { path: { lifter_id: lifterId(), item_id: itemId }, ...once(id) },
          body: { word_id: id, word },
        }),
      ),
    )
    if (said) await forget(lifterId())
    return said !== undefined
  }
  return { waiting, sayWord, ...problem }
}
