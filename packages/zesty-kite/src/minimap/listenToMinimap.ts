/** Input on a minimap: press, drag, wheel. */
import { checkMade, checkObject, checkOneOf } from '../messages/index.ts';
import { travel, type TravelOptions } from '../direct/index.ts';
import { notchesOf } from '../dom/index.ts';
import { nearestCopy, type Point } from '../view/index.ts';
import { isInside } from './clip.ts';
import type { Minimap, MinimapRegion } from './minimap.ts';

export interface ListenToMinimapOptions {
  /** The part of the element with the map; all of it by default. */
  readonly region?: () => MinimapRegion;
  /** A press goes there at once, or travels there; `jump` when left out. */
  readonly press?: 'jump' | 'travel';
  /** How it travels. */
  readonly travel?: TravelOptions;
  /** The wheel zooms; true when left out. */
  readonly wheel?: boolean;
}

export interface ListeningMinimap {
  /** Takes everything away again. */
  detach(): void;
}

/** So far does a press go, in CSS pixels, before it drags. */
const DRAGS = 4;
/** Spans beyond the focus up to which a press takes hold of what the view sees. */
const NEAR = 2;

/** A press that is held. */
interface Held {
  readonly id: number;
  /** The press in pixels, the focus that it set, and the map at that time. */
  readonly at: Point;
  readonly from: Point;
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly d: number;
  drags: boolean;
}

/**
 * Steers a camera by the events of a minimap's element. A press with the left button or a finger goes there, a drag moves the view,
 * and the wheel zooms. A place outside the bounds leads to the nearest one inside. Other buttons are the game's; locked abilities
 * are locked.
 *
 * ```ts
 * const listening = listenToMinimap(new Minimap(camera), element, { press: 'travel' });
 * ```
 *
 * @throws TypeError for a wrong minimap, element or option
 */
export function listenToMinimap(
  minimap: Minimap,
  element: HTMLElement | SVGElement,
  options: ListenToMinimapOptions = {},
): ListeningMinimap {
  checkMade('listenToMinimap.minimap', minimap, 'outline', 'a Minimap');
  checkMade('listenToMinimap.element', element, 'addEventListener', 'an element of the page');
  checkObject('listenToMinimap.options', options, "an object such as { press: 'travel' }");
  const { press = 'jump', wheel = true } = options;
  checkOneOf('listenToMinimap.options.press', press, ['jump', 'travel']);
  const { camera } = minimap;
  const abort = new AbortController();
  const { signal } = abort;
  let held: Held | null = null;

  const fit = (): void => {
    const { width, height } = sizeOf(element);
    minimap.region = options.region?.() ?? { left: 0, top: 0, width, height };
  };
  /** Pixels of the element, independent of CSS transforms. */
  const pointOf = ({ clientX, clientY }: MouseEvent): Point => {
    fit();
    const box = element.getBoundingClientRect();
    const { offsetWidth = box.width, offsetHeight = box.height } = element as Partial<HTMLElement>;
    return {
      x: ((clientX - box.left) * offsetWidth) / box.width - element.clientLeft,
      y: ((clientY - box.top) * offsetHeight) / box.height - element.clientTop,
    };
  };
  /** It is this minimap's, and no other listener's of the element. */
  const take = (event: Event): void => {
    event.preventDefault();
    event.stopImmediatePropagation();
  };
  const isLocked = (ability: 'pan' | 'zoom'): boolean => camera.settings.locked.includes(ability);
  /** Whether a press takes hold of what the view sees, as far as that lies near: up to the horizon it may be most of the map. */
  const isOn = (at: Point, ground: Point): boolean => {
    const { view } = camera;
    const { sinHeading, cosHeading } = view.projection;
    const { periodX = 0, periodY = 0 } = view.ground;
    const east = nearestCopy(ground.x - view.x, periodX);
    const south = nearestCopy(ground.y - view.y, periodY);
    const away = east * sinHeading - south * cosHeading;
    return away <= NEAR * view.span && minimap.outlines().some((part) => isInside(at, part));
  };

  const onDown = (event: PointerEvent): void => {
    const at = pointOf(event);
    if (event.button !== 0 || held !== null || !minimap.has(at.x, at.y)) return;
    take(event);
    takeFocus(element);
    if (isLocked('pan')) return;
    const ground = minimap.toGround(at.x, at.y);
    const { view } = camera;
    const holds = isOn(at, ground);
    // The minimap may move with the camera, so a drag is measured on the minimap as it was at the press.
    const { a, b, c, d } = minimap.transform();
    held = { id: event.pointerId, at, from: holds ? { x: view.x, y: view.y } : ground, a, b, c, d, drags: false };
    element.setPointerCapture(event.pointerId);
    if (holds) return;
    if (press === 'jump') camera.place(ground);
    else void travel(camera, ground, options.travel);
  };
  const onMove = (event: PointerEvent): void => {
    if (event.pointerId !== held?.id) return;
    take(event);
    const { x, y } = pointOf(event);
    const right = x - held.at.x;
    const down = y - held.at.y;
    held.drags ||= Math.abs(right) + Math.abs(down) > DRAGS;
    if (!held.drags || isLocked('pan')) return;
    const { from, a, b, c, d } = held;
    const size = a * d - b * c;
    camera.place({ x: from.x + (d * right - c * down) / size, y: from.y + (a * down - b * right) / size });
  };
  const onEnd = (event: PointerEvent): void => {
    if (event.pointerId !== held?.id) return;
    take(event);
    held = null;
  };
  const onWheel = (event: WheelEvent): void => {
    const { x, y } = pointOf(event);
    if (!minimap.has(x, y)) return;
    take(event);
    if (!isLocked('zoom')) camera.zoom({ notches: notchesOf(event, devicePixelRatio) });
  };

  // Before other listeners of the same element for the map.
  const first = { signal, capture: true };
  const events = element as HTMLElement;
  events.addEventListener('pointerdown', onDown, first);
  events.addEventListener('pointermove', onMove, first);
  for (const type of ['pointerup', 'pointercancel', 'lostpointercapture'] as const)
    events.addEventListener(type, onEnd, first);
  if (wheel) events.addEventListener('wheel', onWheel, { ...first, passive: false });
  if (options.region === undefined) element.style.touchAction = 'none';
  fit();
  const observer = new ResizeObserver(fit);
  observer.observe(element);
  return {
    detach: () => {
      abort.abort();
      observer.disconnect();
      held = null;
    },
  };
}

/** A text field that had the focus has it no longer, as with any press beside it. */
function takeFocus(element: Element): void {
  const root = element.getRootNode();
  const active = 'activeElement' in root ? (root.activeElement as (Element & Partial<HTMLElement>) | null) : null;
  if (active !== null && !active.contains(element)) active.blur?.();
}

/** Inside its border, CSS pixels. Not every browser has that for an SVG. */
function sizeOf(element: HTMLElement | SVGElement): { width: number; height: number } {
  const { clientWidth: width, clientHeight: height } = element;
  return width > 0 && height > 0 ? { width, height } : element.getBoundingClientRect();
}
