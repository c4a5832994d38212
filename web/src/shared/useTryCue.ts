// Try one cue of a lift from now on; the platform and the diagnosis do it alike.
import { useQueryClient } from '@tanstack/vue-query'
import { answered, client, once, uuid7, type Schemas } from './api'
import { useProblem } from './useProblem'

export function useTryCue() {
  const queries = useQueryClient()
  const problem = useProblem()
  async function tryCue(lifterId: string, lift: Schemas['CueRequest']['lift'], cue: string) {
    const choice_id = uuid7()
    const done = await problem.run(() =>
      answered(
        client.POST('/api/lifters/{lifter_id}/cues', {
          params: { path: { lifter_id: lifterId }, ...once(choice_id) },
          body: { choice_id, lift, cue },
        }),
      ),
    )
    await queries.invalidateQueries({ queryKey: ['platform'] })
    return done !== undefined
  }
  return { tryCue, problem }
}
