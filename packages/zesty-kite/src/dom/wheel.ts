/** The wheel over the element, in notches. */
import { positionIn } from './position.ts';
import type { Send } from './send.ts';

/** What browsers report for one notch, by `deltaMode`: pixels, lines, pages. */
const PER_NOTCH = [100, 3, 1];
/** A trackpad pinch arrives as a wheel with Ctrl, about 10 pixels for what feels like a notch. */
const PER_PINCH_NOTCH = 10;
/** However far one event says the wheel went, it counts as this at the most. */
const MOST_NOTCHES = 4;

export function hearWheel(element: HTMLElement, send: Send): () => void {
  const onWheel = (event: WheelEvent): void => {
    if (event.defaultPrevented) return;
    const { x, y } = positionIn(element, event);
    const used = send({ kind: 'wheel', x, y, notches: notchesOf(event), time: event.timeStamp });
    if (used) event.preventDefault();
  };
  element.addEventListener('wheel', onWheel, { passive: false });
  return () => {
    element.removeEventListener('wheel', onWheel);
  };
}

function notchesOf(event: WheelEvent): number {
  // With Shift, browsers turn the wheel sideways; for a map it is the same wheel.
  const delta = event.deltaY === 0 && event.shiftKey ? event.deltaX : event.deltaY;
  const unit = event.ctrlKey && event.deltaMode === 0 ? PER_PINCH_NOTCH : (PER_NOTCH[event.deltaMode] ?? 100);
  return Math.max(-MOST_NOTCHES, Math.min(MOST_NOTCHES, delta / unit));
}
