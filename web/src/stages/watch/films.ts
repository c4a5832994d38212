// Films and pictures that this page holds, by the clip they belong to: they are shown from the device's
// memory and gone when the page is.
import { shallowReactive } from 'vue'

interface Held {
  url: string
  still: boolean
}
const held = shallowReactive(new Map<string, Held>())

export function hold(clipId: string, film: Blob): string {
  const before = held.get(clipId)
  if (before) URL.revokeObjectURL(before.url)
  const url = URL.createObjectURL(film)
  held.set(clipId, { url, still: isPicture(film) })
  return url
}
/** A film that cannot be shown here is not held. */
export function letGo(clipId: string) {
  const before = held.get(clipId)
  if (before) URL.revokeObjectURL(before.url)
  held.delete(clipId)
}
export const isPicture = (file: Blob) => file.type.startsWith('image/')
export const filmOf = (clipId: string): Held | undefined => held.get(clipId)
