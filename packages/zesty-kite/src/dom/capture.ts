/** Pointer capture of an element that several cameras share. */

/** By element and pointer: how many drags need the capture. */
const captured = new WeakMap<HTMLElement, Map<number, number>>();

/** Sends the pointer's events to the element, wherever the pointer goes. */
export function capture(element: HTMLElement, pointer: number, report: (error: unknown) => void): void {
  const drags = captured.get(element) ?? new Map<number, number>();
  captured.set(element, drags);
  drags.set(pointer, (drags.get(pointer) ?? 0) + 1);
  try {
    element.setPointerCapture(pointer);
  } catch (error) {
    // The pointer is gone, or capture is forbidden: its events arrive only over the page.
    report(error);
  }
}

/** Releases the capture unless another drag needs it. */
export function release(element: HTMLElement, pointer: number): void {
  const drags = captured.get(element);
  const left = (drags?.get(pointer) ?? 0) - 1;
  if (left > 0) drags?.set(pointer, left);
  else {
    drags?.delete(pointer);
    if (element.hasPointerCapture(pointer)) element.releasePointerCapture(pointer);
  }
}
