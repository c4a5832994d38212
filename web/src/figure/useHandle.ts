// A handle in an SVG: dragging and arrow keys both become whole steps along one axis.
import { inDrawing } from './inDrawing'

interface HandleOptions {
  /** SVG units of one step while dragging. */
  stepUnits: number
  axis: 'x' | 'y'
  begin: () => void
  /** Signed whole steps: to the right or downward is positive. */
  move: (steps: number) => void
}

const KEYS: Record<'x' | 'y', Record<string, number>> = {
  x: { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 },
  y: { ArrowDown: 1, ArrowLeft: 1, ArrowUp: -1, ArrowRight: -1 },
}

export function useHandle({ stepUnits, axis, begin, move }: HandleOptions) {
  let from: number | null = null
  let done = 0

  function pointerdown(event: PointerEvent) {
    const target = event.currentTarget as SVGElement
    target.setPointerCapture(event.pointerId)
    from = inDrawing(event)[axis]
    done = 0
    begin()
  }
  function pointermove(event: PointerEvent) {
    if (from === null) return
    const steps = Math.round((inDrawing(event)[axis] - from) / stepUnits)
    if (steps !== done) move(steps - done)
    done = steps
  }
  function pointerup() {
    from = null
  }
  function keydown(event: KeyboardEvent) {
    const direction = KEYS[axis][event.key]
    if (direction === undefined) return
    event.preventDefault()
    begin()
    move(direction * (event.shiftKey ? 5 : 1))
  }
  return { pointerdown, pointermove, pointerup, pointercancel: pointerup, keydown }
}
