/** The wheel over the element, in notches. */
import type { InputTarget } from '../cameraLike.ts';
import { log2 } from '../math/index.ts';
import type { IsPanel } from './panels.ts';
import type { PointerOptions } from './pointerPress.ts';
import type { Send } from './send.ts';
import type { Surface } from './surface.ts';

/** The deltas of one notch in browsers, by `deltaMode`: pixels, lines, pages. */
const PER_NOTCH = [100, 3, 1];
/** A trackpad pinch arrives as a wheel with Ctrl, about 10 pixels for what feels like a notch. */
const PER_PINCH_NOTCH = 10;
/** CSS pixels of a line that is scrolled. */
const PER_LINE = 16;
/** The most that one event can count for. */
const MAX_NOTCHES = 4;

/** Some browsers report a trackpad's pinch and twist in events of their own; `scale` and `rotation` count from its beginning. */
type GestureEvent = MouseEvent & { readonly scale?: number; readonly rotation?: number };

/** @param isTouched true while fingers are on the screen: their pinch arrives as pointers already */
export function listenToWheel(
  surface: Surface,
  camera: InputTarget,
  send: Send,
  isTouched: () => boolean,
  isPanel: IsPanel,
  { leftToPage }: PointerOptions,
  report: (error: unknown) => void,
  signal: AbortSignal,
): void {
  const { element } = surface;
  const onWheel = (event: WheelEvent): void => {
    const { x, y } = surface.at(event);
    if (event.defaultPrevented || isPanel(event.composedPath()[0]) || !surface.has({ x, y })) return;
    if (!isMeant(element, camera, event)) {
      try {
        leftToPage?.('wheel');
      } catch (error) {
        report(error);
      }
      return;
    }
    const used = send({
      kind: 'wheel',
      x,
      y,
      notches: notchesOf(event, surface.window.devicePixelRatio),
      ...scrolled(event, element),
      ...trackpad(event, surface.window.devicePixelRatio),
      time: event.timeStamp,
    });
    if (used) event.preventDefault();
  };

  let scaled = 1;
  let rotated = 0;
  const onGesture = (event: Event): void => {
    const { scale = 1, rotation = 0, timeStamp: time } = event as GestureEvent;
    const { x, y } = surface.at(event as GestureEvent);
    if (event.type === 'gesturestart') [scaled, rotated] = [1, 0];
    if (event.defaultPrevented || isPanel(event.composedPath()[0]) || isTouched() || !surface.has({ x, y })) return;
    event.preventDefault();
    const { zoom, twoFingers, locked } = camera.settings;
    const notches = twoFingers.zoom && scale > 0 ? log2(scale / scaled) / log2(zoom.notch) : 0;
    if (notches !== 0) send({ kind: 'wheel', x, y, notches, trackpad: 'pinch', time });
    const degrees = twoFingers.turn && !locked.includes('turn') ? rotation - rotated : 0;
    if (degrees !== 0) send({ kind: 'turn', degrees, about: { screenX: x, screenY: y }, time });
    if (scale > 0) scaled = scale;
    rotated = rotation;
  };

  element.addEventListener('wheel', onWheel, { passive: false, signal });
  for (const type of ['gesturestart', 'gesturechange', 'gestureend'])
    element.addEventListener(type, onGesture, { passive: false, signal });
}

/** Whether the settings let the camera have it, on a page that scrolls by itself. */
function isMeant(element: HTMLElement, { settings: { wheel } }: InputTarget, event: WheelEvent): boolean {
  if (wheel.requires === 'control') return event.ctrlKey;
  if (wheel.requires === 'nothing') return true;
  const root = element.getRootNode();
  const active = 'activeElement' in root ? (root.activeElement as Element | null) : null;
  return active !== null && (active === element || element.contains(active));
}

/** The value of one notch in an old field of wheel events; page zoom and density do not change it, as they change pixels. */
const PER_TICK = 120;
/** The pixels of a notch, without page zoom and density or with them; other deltas are not of a wheel that clicks. */
const LEAST_PIXELS = 60;
const MOST_PIXELS = 160;

/** The notches of a wheel with whole notches, up positive; 0 for a trackpad or a free wheel. */
function wholeNotches(event: WheelEvent, density: number): number {
  const { wheelDeltaX = 0, wheelDeltaY = 0 } = event as WheelEvent & Partial<Record<`wheelDelta${'X' | 'Y'}`, number>>;
  // With Shift, browsers report the wheel as sideways; for a map it counts the same.
  const sideways = event.deltaY === 0 && event.shiftKey;
  const ticks = (sideways ? wheelDeltaX : wheelDeltaY) / PER_TICK;
  const isStraight = sideways || event.deltaX === 0;
  if (!isStraight || event.deltaMode !== 0 || ticks === 0 || !Number.isInteger(ticks)) return 0;
  const pixels = (sideways ? event.deltaX : event.deltaY) / -ticks;
  return isNotch(pixels) || isNotch(pixels * density) ? ticks : 0;
}

function isNotch(pixels: number): boolean {
  return pixels >= LEAST_PIXELS && pixels <= MOST_PIXELS;
}

/**
 * Returns the notches of a wheel event, up positive, -4 … 4: whole ones of a wheel with clicks, parts of a trackpad.
 *
 * ```ts
 * canvas.addEventListener('wheel', (wheel) => camera.zoom({ notches: notchesOf(wheel, devicePixelRatio) }));
 * ```
 *
 * @param density device pixels per CSS pixel
 */
export function notchesOf(event: WheelEvent, density: number): number {
  const whole = isPinch(event) ? 0 : wholeNotches(event, density);
  if (whole !== 0) return Math.max(-MAX_NOTCHES, Math.min(MAX_NOTCHES, whole));
  const delta = event.deltaY === 0 && event.shiftKey ? event.deltaX : event.deltaY;
  const unit = isPinch(event) ? PER_PINCH_NOTCH : (PER_NOTCH[event.deltaMode] ?? 100);
  return Math.max(-MAX_NOTCHES, Math.min(MAX_NOTCHES, -delta / unit)) + 0;
}

/** How far it scrolls in pixels, one event no farther than a screen. A wheel that Shift has turned sideways is turned back. */
function scrolled(event: WheelEvent, { clientWidth, clientHeight }: HTMLElement): { right: number; down: number } {
  const { deltaX, deltaY, deltaMode, shiftKey } = event;
  const unit = deltaMode === 0 ? 1 : deltaMode === 1 ? PER_LINE : clientHeight;
  const within = (delta: number, max: number): number => Math.max(-max, Math.min(max, delta * unit));
  if (shiftKey && deltaY === 0) return { right: 0, down: within(deltaX, clientHeight) };
  return { right: within(deltaX, clientWidth), down: within(deltaY, clientHeight) };
}

/** Wheels report whole notches, down or up alone; two fingers report pixels, and sideways too. */
function trackpad(event: WheelEvent, density: number): { trackpad?: 'scroll' | 'pinch' } {
  if (isPinch(event)) return { trackpad: 'pinch' };
  if (event.deltaMode !== 0) return {};
  const isWhole = wholeNotches(event, density) !== 0 || (event.deltaX === 0 && Math.abs(event.deltaY) % 100 === 0);
  return isWhole || event.shiftKey ? {} : { trackpad: 'scroll' };
}

/** Browsers report a trackpad's pinch as a wheel with Ctrl. */
function isPinch({ ctrlKey, deltaMode }: WheelEvent): boolean {
  return ctrlKey && deltaMode === 0;
}
