// Places of a clip in the picture, as figures need them.
export type Place = [number, number]
type Places = readonly (Place | null)[]
type Series = Record<string, unknown>

export const placesOf = (from: Series, name: string) => (from[name] ?? []) as Places
export const placeOf = (from: Series, name: string, at: number): Place | null =>
  placesOf(from, name)[at] ?? null
export const seen = (places: Places): Place[] => places.filter((p): p is Place => p !== null)
export const line = (places: readonly Place[]) => places.map((p) => p.join(',')).join(' ')
/** The joints of a chain that are seen in a picture, from the floor up. */
export const chainOf = (from: Series, names: readonly string[], at: number) =>
  seen(names.map((name) => placeOf(from, name, at)))
