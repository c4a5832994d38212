// A cross over a picture: it follows the pointer, arrow keys move it, a press or Enter sets a point.
import { ref, type Ref } from 'vue'
import type { Pixel } from './taps'

/** Screen pixels for one of the picture, which is shown whole and in the middle of its box. */
export const scaleIn = (box: { width: number; height: number }, [width, height]: [number, number]) =>
  Math.min(box.width / width, box.height / height)

export function useCross(
  shown: Ref<HTMLElement | null>,
  size: Ref<[number, number] | null>,
  put: (at: Pixel) => void,
) {
  const cross = ref<Pixel | null>(null)
  function placeOf(event: PointerEvent | MouseEvent): Pixel | null {
    if (!shown.value || !size.value) return null
    const box = shown.value.getBoundingClientRect()
    const [width, height] = size.value
    const scale = scaleIn(box, size.value)
    return [
      (event.clientX - box.left - (box.width - scale * width) / 2) / scale,
      (event.clientY - box.top - (box.height - scale * height) / 2) / scale,
    ]
  }
  function press(event: MouseEvent) {
    const at = placeOf(event)
    if (at) put(at)
  }
  function key(event: KeyboardEvent) {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]
    if (by && size.value) {
      event.preventDefault()
      const [u, v] = cross.value ?? [size.value[0] / 2, size.value[1] / 2]
      const far = event.shiftKey ? 20 : 1
      cross.value = [u + (by[0] ?? 0) * far, v + (by[1] ?? 0) * far]
    } else if (event.key === 'Enter' && cross.value) {
      event.preventDefault()
      put(cross.value)
    }
  }
  const move = (event: PointerEvent) => (cross.value = placeOf(event))
  return { cross, press, key, move }
}
