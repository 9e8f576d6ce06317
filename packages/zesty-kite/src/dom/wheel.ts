/** The wheel over the element, in notches. */
import type { Camera } from '../camera.ts';
import { positionIn } from './position.ts';
import type { Send } from './send.ts';

/** What browsers report for one notch, by `deltaMode`: pixels, lines, pages. */
const PER_NOTCH = [100, 3, 1];
/** A trackpad pinch arrives as a wheel with Ctrl, about 10 pixels for what feels like a notch. */
const PER_PINCH_NOTCH = 10;
/** CSS pixels of a line that is scrolled. */
const PER_LINE = 16;
/** However far one event says the wheel went, it counts as this at the most. */
const MOST_NOTCHES = 4;

export function hearWheel(element: HTMLElement, camera: Camera, send: Send): () => void {
  const onWheel = (event: WheelEvent): void => {
    if (event.defaultPrevented || !isMeant(element, camera, event)) return;
    const { x, y } = positionIn(element, event);
    const used = send({
      kind: 'wheel',
      x,
      y,
      notches: notchesOf(event),
      ...scrolled(event, element),
      ...trackpad(event),
      time: event.timeStamp,
    });
    if (used) event.preventDefault();
  };
  element.addEventListener('wheel', onWheel, { passive: false });
  return () => {
    element.removeEventListener('wheel', onWheel);
  };
}

/** Whether the settings let the camera have it, on a page that scrolls by itself. */
function isMeant(element: HTMLElement, { settings: { wheel } }: Camera, event: WheelEvent): boolean {
  if (wheel.waitsFor === 'control') return event.ctrlKey;
  if (wheel.waitsFor === 'nothing') return true;
  const root = element.getRootNode();
  const active = 'activeElement' in root ? (root.activeElement as Element | null) : null;
  return active !== null && (active === element || element.contains(active));
}

function notchesOf(event: WheelEvent): number {
  // With Shift, browsers turn the wheel sideways; for a map it is the same wheel.
  const delta = event.deltaY === 0 && event.shiftKey ? event.deltaX : event.deltaY;
  const unit = isPinch(event) ? PER_PINCH_NOTCH : (PER_NOTCH[event.deltaMode] ?? 100);
  return Math.max(-MOST_NOTCHES, Math.min(MOST_NOTCHES, delta / unit));
}

/** How far it scrolls in pixels, one event no farther than a screen. */
function scrolled(event: WheelEvent, { clientWidth, clientHeight }: HTMLElement): { right: number; down: number } {
  const unit = event.deltaMode === 0 ? 1 : event.deltaMode === 1 ? PER_LINE : clientHeight;
  const within = (delta: number, most: number): number => Math.max(-most, Math.min(most, delta * unit));
  return { right: within(event.deltaX, clientWidth), down: within(event.deltaY, clientHeight) };
}

/** Wheels report whole notches, down or up alone; two fingers report pixels, and sideways too. */
function trackpad(event: WheelEvent): { trackpad?: 'scroll' | 'pinch' } {
  if (isPinch(event)) return { trackpad: 'pinch' };
  if (event.deltaMode !== 0) return {};
  const { wheelDeltaY = 0 } = event as WheelEvent & { readonly wheelDeltaY?: number };
  const whole = event.deltaX === 0 && (wheelDeltaY % 120 === 0 || Math.abs(event.deltaY) % 100 === 0);
  return whole || event.shiftKey ? {} : { trackpad: 'scroll' };
}

/** Browsers report a trackpad's pinch as a wheel with Ctrl. */
function isPinch({ ctrlKey, deltaMode }: WheelEvent): boolean {
  return ctrlKey && deltaMode === 0;
}
