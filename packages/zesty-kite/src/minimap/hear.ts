/** What a player does on a minimap: press, drag, wheel. */
import { travel, type TravelOptions } from '../direct/index.ts';
import { notchesOf } from '../dom/index.ts';
import type { Point } from '../view/index.ts';
import { isInside } from './clip.ts';
import type { Minimap, MinimapRegion } from './minimap.ts';

export interface HearMinimapOptions {
  /** Where in the element it is drawn, for a canvas that shows more than that; all of it when left out. */
  readonly region?: () => MinimapRegion;
  /** A press goes there at once, or travels there; `jump` when left out. */
  readonly press?: 'jump' | 'travel';
  /** How it travels. */
  readonly travel?: TravelOptions;
  /** The wheel zooms; true when left out. */
  readonly wheel?: boolean;
}

export interface HeardMinimap {
  /** Takes everything away again. */
  detach(): void;
}

/** So far does a press go, in CSS pixels, before it drags. */
const DRAGS = 4;

/**
 * A press with the left button or a finger goes there, and drags: pressed on what the view sees, it is held where it was
 * pressed. Where that is not allowed the camera goes to the nearest place that is. Other buttons are the game's. What the
 * settings lock does nothing here either.
 */
export function hearMinimap(
  minimap: Minimap,
  element: HTMLElement | SVGElement,
  options: HearMinimapOptions = {},
): HeardMinimap {
  const { press = 'jump', wheel = true } = options;
  const { camera } = minimap;
  const abort = new AbortController();
  const { signal } = abort;
  /** What is held: by whom, where it was pressed, and how far that is from the focus, in pixels. */
  let held: { readonly id: number; readonly at: Point; readonly off: Point; drags: boolean } | null = null;

  const fit = (): void => {
    const { width, height } = sizeOf(element);
    minimap.region = options.region?.() ?? { left: 0, top: 0, width, height };
  };
  /** In pixels of the element, whatever CSS transforms do to it. */
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
  const goTo = ({ x, y }: Point): void => {
    camera.place(minimap.toGround(x, y));
  };

  const onDown = (event: PointerEvent): void => {
    const at = pointOf(event);
    if (event.button !== 0 || held !== null || !minimap.has(at.x, at.y)) return;
    take(event);
    if (isLocked('pan')) return;
    const outline = minimap.outline();
    const { view } = camera;
    const focus = minimap.toMinimap(view.x, view.y);
    const isOn = isInside(at, outline);
    held = {
      id: event.pointerId,
      at,
      off: isOn ? { x: focus.x - at.x, y: focus.y - at.y } : { x: 0, y: 0 },
      drags: false,
    };
    element.setPointerCapture(event.pointerId);
    if (isOn) return;
    if (press === 'jump') goTo(at);
    else void travel(camera, minimap.toGround(at.x, at.y), options.travel);
  };
  const onMove = (event: PointerEvent): void => {
    if (event.pointerId !== held?.id) return;
    take(event);
    const { x, y } = pointOf(event);
    held.drags ||= Math.abs(x - held.at.x) + Math.abs(y - held.at.y) > DRAGS;
    if (held.drags && !isLocked('pan')) goTo({ x: x + held.off.x, y: y + held.off.y });
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

  // Before whoever listens to the same element for the map.
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

/** Inside its border, CSS pixels. Of an SVG not every browser says that. */
function sizeOf(element: HTMLElement | SVGElement): { width: number; height: number } {
  const { clientWidth: width, clientHeight: height } = element;
  return width > 0 && height > 0 ? { width, height } : element.getBoundingClientRect();
}
