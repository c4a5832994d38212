// The plan that stands, and everything a coach does to it; every write is a new version.
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answered, client, once, uuid7, type Schemas } from '@/shared/api'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'

export type Plan = Schemas['Plan']
export type Week = Schemas['Week']
export type Day = Schemas['Day']
export type Line = Schemas['Line']
export type PlanFrame = Schemas['PlanFrame']
export type PlanEdit = Schemas['LineEdit'] | Schemas['AddedLine'] | Schemas['DayEdit'] | Schemas['UndoEdit']

export function usePlan(lifterId: string) {
  const path = { lifter_id: lifterId }
  const forget = useForget()
  const problem = useProblem()
  const standing = useQuery({
    queryKey: ['plan', lifterId],
    queryFn: () => answered(client.GET('/api/lifters/{lifter_id}/plan', { params: { path } })),
  })

  async function write(action: (id: string) => Promise<unknown>): Promise<boolean> {
    const done = await problem.run(() => action(uuid7()))
    if (done !== undefined) await forget(lifterId)
    return done !== undefined
  }
  const make = (frame: PlanFrame) =>
    write((id) =>
      answered(
        client.POST('/api/lifters/{lifter_id}/plan', {
          params: { path, ...once(id) },
          body: { ...frame, plan_id: id },
        }),
      ),
    )
  const follow = () =>
    write((id) =>
      answered(
        client.POST('/api/lifters/{lifter_id}/plan/reflow', {
          params: { path, ...once(id) },
          body: { plan_id: id },
        }),
      ),
    )
  const withdraw = () =>
    write((id) =>
      answered(
        client.POST('/api/lifters/{lifter_id}/plan/withdrawal', {
          params: { path, ...once(id) },
          body: { plan_id: id },
        }),
      ),
    )
  const edit = (what: PlanEdit) =>
    write((id) =>
      answered(
        client.POST('/api/lifters/{lifter_id}/plan/edits', { params: { path, ...once(id) }, body: what }),
      ),
    )
  return {
    standing,
    plan: computed(() => standing.data.value?.plan ?? null),
    problem,
    make,
    follow,
    withdraw,
    edit,
  }
}
