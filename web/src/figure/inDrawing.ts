// Where a pointer is, in the units of the drawing it is over.
export function inDrawing(event: PointerEvent): DOMPoint {
  const at = new DOMPoint(event.clientX, event.clientY)
  const { currentTarget } = event
  const svg =
    currentTarget instanceof SVGSVGElement
      ? currentTarget
      : currentTarget instanceof SVGElement
        ? currentTarget.ownerSVGElement
        : null
  const toScreen = svg?.getScreenCTM()
  return toScreen ? at.matrixTransform(toScreen.inverse()) : at
}
