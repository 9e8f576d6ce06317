/**
 * Where a mouse event is on an element, in CSS pixels from the top left of its padding box. Right
 * under CSS transforms as long as the event's target is the element itself.
 */
export function positionIn(element: HTMLElement, event: MouseEvent): { x: number; y: number } {
  if (event.target === element) return { x: event.offsetX, y: event.offsetY };
  const box = element.getBoundingClientRect();
  return {
    x: event.clientX - box.left - element.clientLeft,
    y: event.clientY - box.top - element.clientTop,
  };
}
