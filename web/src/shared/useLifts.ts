// What the lifts are, as the server says it: asked once.
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answered, client } from './api'

export function useLifts() {
  const lifts = useQuery({ queryKey: ['lifts'], staleTime: Infinity, queryFn: () => answered(client.GET('/api/lifts')) })
  /** Phases of the squat that the model has poses in, with the progress of the descent at which they are judged. */
  const squatPhases = computed(() =>
    (lifts.data.value?.find((lift) => lift.id === 'squat')?.phases ?? []).flatMap(({ id, progress }) =>
      progress === null ? [] : [{ id, progress, name: id[0]!.toUpperCase() + id.slice(1) }],
    ),
  )
  return { squatPhases }
}

/** Index of the value nearest to a wanted one. */
export function nearest(values: number[], wanted: number): number {
  return values.reduce((best, value, i) => (Math.abs(value - wanted) < Math.abs((values[best] ?? Infinity) - wanted) ? i : best), 0)
}
