/** Where a pointer is in a drawing's own coordinates (y downwards). */
export function placeUnder(
  element: SVGGraphicsElement,
  { clientX, clientY }: { clientX: number; clientY: number },
): { x: number; y: number } {
  // Without a matrix the drawing is not laid out, and nothing can be under a pointer.
  const { x, y } = new DOMPoint(clientX, clientY).matrixTransform(element.getScreenCTM()?.inverse())
  return { x, y }
}
