// The open lifter's record, shared by the rail and the stages.
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { answered, client } from './api'

export function useLifter(lifterId: MaybeRefOrGetter<string | null>) {
  const id = computed(() => toValue(lifterId))
  return useQuery({
    queryKey: ['lifter', id],
    enabled: computed(() => id.value !== null),
    queryFn: () =>
      answered(client.GET('/api/lifters/{lifter_id}', { params: { path: { lifter_id: id.value ?? '' } } })),
  })
}

/** Forget everything known of a lifter, and the floor, after a write. */
export function useForget() {
  const queries = useQueryClient()
  return async (lifterId: string) => {
    await Promise.all([
      queries.invalidateQueries({ predicate: (query) => query.queryKey.includes(lifterId) }),
      queries.invalidateQueries({ queryKey: ['floor'] }),
      queries.invalidateQueries({ queryKey: ['platform'] }),
    ])
  }
}
