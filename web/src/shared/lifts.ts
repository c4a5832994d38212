// What the lifts are, as the server says it: names, axes, phases. Asked once before the first screen,
// kept on the device for screens without a network.
import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import { answered, client, type Schemas } from './api'

export type Lift = 'squat' | 'deadlift'
export type Axis = Schemas['AxisAnswer']

const known = useLocalStorage<Schemas['LiftAnswer'][]>('pavrik-lifts', [])

export async function loadLifts(): Promise<void> {
  try {
    known.value = await answered(client.GET('/api/lifts'))
  } catch {
    // What the device remembers stands until the server answers.
  }
}

const capital = (text: string) => text.slice(0, 1).toUpperCase() + text.slice(1)

export function useLift(lift: Lift) {
  const about = computed(() => known.value.find(({ id }) => id === lift))
  const styles = computed(() => about.value?.styles ?? [])
  const names = computed(() => Object.fromEntries(styles.value.map(({ id, name }) => [id, capital(name)])))
  return {
    styles,
    names,
    nameOf: (style: string | undefined) => (style ? (names.value[style] ?? style) : ''),
    isRival: (style: string) => styles.value.find(({ id }) => id === style)?.rival ?? true,
    axes: computed(() => about.value?.axes ?? []),
    maps: computed(() => about.value?.maps ?? []),
    /** Phases that the model has poses in. */
    phases: computed(() =>
      (about.value?.phases ?? []).flatMap(({ id, progress }) =>
        progress === null ? [] : [{ id, progress, name: capital(id) }],
      ),
    ),
  }
}

/** All lifts, where the lift is chosen on the page. */
export const useLifts = () => ({ squat: useLift('squat'), deadlift: useLift('deadlift') })

/** Index of the value nearest to a wanted one. */
export function nearest(values: readonly number[], wanted: number): number {
  return values.reduce(
    (best, value, i) => (Math.abs(value - wanted) < Math.abs((values[best] ?? Infinity) - wanted) ? i : best),
    0,
  )
}
