// Films that this page holds, by the clip they belong to: they are played from the device's memory and
// gone when the page is.
import { shallowReactive } from 'vue'

const held = shallowReactive(new Map<string, string>())

export function hold(clipId: string, film: Blob): string {
  const before = held.get(clipId)
  if (before) URL.revokeObjectURL(before)
  const url = URL.createObjectURL(film)
  held.set(clipId, url)
  return url
}
export const filmOf = (clipId: string): string | undefined => held.get(clipId)
