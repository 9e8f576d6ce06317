/** Why does it not move here? Draws what a camera goes by over its picture, while a game is being made. */
import { checkMade } from '../messages/index.ts';
import { rigOf, type Camera } from '../camera/index.ts';
import { bandOf, SIDES, type Side } from '../hands/index.ts';
import type { Point } from '../view/index.ts';
import { FreePlace, type Place } from './places.ts';
import { drawPlan, MARGIN } from './plan.ts';
import { LOOKS, mark, outline, sizeOf, write, type Context2D, type Style } from './strokes.ts';

/** The surface below: the result of `listen`, or any element. */
export interface Over {
  /** The element of the camera. */
  readonly element: HTMLElement;
  /** The part of the element that shows the view, in CSS pixels. */
  readonly region?: { readonly left: number; readonly top: number; readonly width: number; readonly height: number };
  /** The place of the cursor, in CSS pixels. */
  readonly cursor?: Point | null;
  /** Places of simulated fingers, in CSS pixels. */
  readonly fingers?: readonly Point[];
  /** Aborts when the listening ends: the overlay goes, too. */
  readonly isDetached?: boolean;
}

/** A line that a game adds: of the ground in world units, or of the screen in CSS pixels. */
export interface Line {
  /** The points are world units or CSS pixels. */
  readonly on: 'ground' | 'screen';
  /** The corners of the line, in order. */
  readonly points: readonly Point[];
  /** The last point goes back to the first. */
  readonly closed: boolean;
}

export interface Overlay {
  /** Whether it shows. */
  readonly isOn: boolean;
  /** Shows it or hides it; without an argument, the other of the two. */
  toggle(on?: boolean): void;
}

/**
 * Returns an overlay, hidden at first, for development: edge bands, safe frame, bounds, the area of the focus, goal and grips over
 * the picture, and a plan in a corner. It takes no input. It ends with its listening, or when its element leaves the page.
 *
 * ```ts
 * const overlay = createOverlay(camera, listen(canvas, camera));
 * addEventListener('keydown', ({ code }) => code === 'Backquote' && overlay.toggle());
 * ```
 *
 * @param lines returns further lines in every frame, such as those of `directing`, or the `corners` of a framing
 */
export function createOverlay(camera: Camera, over: Over, lines: () => readonly Line[] = () => []): Overlay {
  checkMade('createOverlay.camera', camera, 'advance', 'a camera');
  checkMade('createOverlay.over', over, 'element', 'what listen returned');
  const { element } = over;
  const window = element.ownerDocument.defaultView;
  if (window === null)
    throw new TypeError('createOverlay: expected an element in a window, got one of a document without a window');
  const canvas = element.ownerDocument.createElement('canvas');
  Object.assign(canvas.style, { position: 'fixed', pointerEvents: 'none', zIndex: '2147483647' });
  canvas.setAttribute('aria-hidden', 'true');
  const context = canvas.getContext('2d');
  let frame = 0;
  const [plan, words] = [new FreePlace(element), new FreePlace(element)];
  const isGone = (): boolean => over.isDetached === true || !element.isConnected;
  const hide = (): void => {
    window.cancelAnimationFrame(frame);
    frame = 0;
    canvas.remove();
  };

  const draw = (time: number): void => {
    if (isGone()) {
      hide();
      return;
    }
    frame = window.requestAnimationFrame(draw);
    if (context === null) return;
    const density = window.devicePixelRatio;
    const box = element.getBoundingClientRect();
    const { width, height } = camera.view;
    const { left = 0, top = 0 } = over.region ?? {};
    canvas.style.left = `${String(box.left + element.clientLeft + left)}px`;
    canvas.style.top = `${String(box.top + element.clientTop + top)}px`;
    canvas.style.width = `${String(width)}px`;
    canvas.style.height = `${String(height)}px`;
    // A new width clears it, too.
    canvas.width = Math.round(width * density);
    canvas.height = Math.round(height * density);
    context.scale(density, density);
    const fingers = (over.fingers ?? []).map(({ x, y }) => ({
      x: x - box.left - element.clientLeft - left,
      y: y - box.top - element.clientTop - top,
    }));
    const { bounds, focus } = drawAll(context, camera, fingers, over.cursor ?? null, lines());
    const origin = { x: box.left + element.clientLeft + left, y: box.top + element.clientTop + top };
    const planTop = drawPlan(context, camera, bounds, focus, (place) => plan.bottomOf(place, origin, time));
    tell(context, camera, planTop - 8, (place) => words.bottomOf(place, origin, time));
  };

  return {
    get isOn() {
      return frame !== 0;
    },
    toggle(on = frame === 0) {
      if (on === (frame !== 0) || (on && isGone())) return;
      if (on) {
        element.ownerDocument.body.append(canvas);
        draw(window.performance.now());
      } else hide();
    },
  };
}

function drawAll(
  context: Context2D,
  camera: Camera,
  fingers: readonly Point[],
  cursor: Point | null,
  lines: readonly Line[],
): Camera['outlines'] {
  const { view, settings, outlines } = camera;
  const { bounds, focus } = outlines;
  drawBands(context, camera);
  const { projection } = view;
  const { left, top, right, bottom } = settings.safeFrame;
  if (left + top + right + bottom > 0) {
    const [x, y] = [projection.middleX - projection.frameWidth / 2, projection.middleY - projection.frameHeight / 2];
    outline(context, LOOKS.frame, [
      { x, y },
      { x: x + projection.frameWidth, y },
      { x: x + projection.frameWidth, y: y + projection.frameHeight },
      { x, y: y + projection.frameHeight },
    ]);
  }
  for (const ring of bounds) onGround(context, camera, LOOKS.bounds, ring);
  for (const ring of focus) onGround(context, camera, LOOKS.focusRegion, ring);
  for (const { on, points, closed } of lines) {
    if (on === 'ground') onGround(context, camera, LOOKS.directed, points, closed);
    else outline(context, LOOKS.directed, points, closed);
  }
  const { goal, shown } = camera;
  const at = view.toScreen(goal.x, goal.y, goal.focusHeight);
  const here = view.toScreen(shown.x, shown.y, shown.focusHeight);
  if (at.inFront) mark(context, LOOKS.goal, at, 9);
  mark(context, LOOKS.focus, here, 6);
  for (const grip of camera.grips) {
    const held = view.toScreen(grip.x, grip.y, grip.height);
    const style = grip.limited ? LOOKS.limited : LOOKS.grip;
    mark(context, style, { x: grip.screenX, y: grip.screenY }, 14);
    if (held.inFront) outline(context, style, [{ x: grip.screenX, y: grip.screenY }, held]);
    if (held.inFront) mark(context, style, held, 3);
  }
  for (const finger of fingers) mark(context, LOOKS.finger, finger, 18);
  if (fingers.length === 2) outline(context, LOOKS.finger, fingers);
  if (cursor !== null) mark(context, LOOKS.cursor, cursor, 5);
  return outlines;
}

/** The bands at the edges; those in which the pointer pans are brighter. */
function drawBands(context: Context2D, camera: Camera): void {
  const { edge, safeFrame } = camera.settings;
  if (edge === null) return;
  const isInside = edge.along === 'safe-frame';
  const { width, height } = camera.view;
  const from = (side: Side): number => (isInside ? safeFrame[side] : 0);
  const active = rigOf('createOverlay', camera).dispatcher.hands.edge.sides;
  for (const side of SIDES) {
    const band = bandOf(side, edge, camera.view);
    const start = from(side);
    context.fillStyle = (active.includes(side) ? LOOKS.activeBand : LOOKS.band).colour;
    if (side === 'left') context.fillRect(start, 0, band, height);
    else if (side === 'right') context.fillRect(width - start - band, 0, band, height);
    else if (side === 'top') context.fillRect(0, start, width, band);
    else context.fillRect(0, height - start - band, width, band);
  }
}

/** The parts of each side of a ring: points behind the eye are left out, and hills are followed. */
const PARTS = 24;

function onGround(context: Context2D, { view }: Camera, style: Style, ring: readonly Point[], closed = true): void {
  const heightOf = (x: number, y: number): number => view.ground.terrain?.heightAt(x, y) ?? view.focusHeight;
  const points = ring.flatMap(({ x, y }, i) => {
    const to = ring[closed ? (i + 1) % ring.length : i + 1];
    if (to === undefined) return [{ x, y }];
    const parts = ring.length > 64 ? 1 : PARTS;
    return Array.from({ length: parts }, (_, part) => ({
      x: x + ((to.x - x) * part) / parts,
      y: y + ((to.y - y) * part) / parts,
    }));
  });
  const shown = [...points, ...points.slice(0, closed ? 1 : 0)].map(({ x, y }) => view.toScreen(x, y, heightOf(x, y)));
  for (const [i, to] of shown.entries()) {
    const from = shown[i - 1];
    if (from?.inFront === true && to.inFront) outline(context, style, [from, to], false);
  }
}

function tell(context: Context2D, camera: Camera, bottom: number, bottomOf: (place: Place) => number): void {
  const { view, shown, goal, settled, boundsExcess, spanRange, grips } = camera;
  const lines = [
    `focus ${shown.x.toFixed(1)}, ${shown.y.toFixed(1)}   height ${shown.focusHeight.toFixed(1)}`,
    `span ${shown.span.toFixed(1)} → ${goal.span.toFixed(1)}   of ${spanRange.min.toFixed(1)} … ${spanRange.max.toFixed(1)}`,
    `heading ${shown.heading.toFixed(1)}°   pitch ${shown.pitch.toFixed(1)}°${
      shown.fieldOfView > 0 ? `   field of view ${shown.fieldOfView.toFixed(1)}°` : ''
    }`,
    ...(shown.fieldOfView > 0 ? [`eye ${view.eye().height.toFixed(1)} high`] : []),
    `${settled ? 'settled' : 'moving'}   grips ${String(grips.length)}${
      grips.some(({ limited }) => limited) ? ', limited' : ''
    }${boundsExcess > 0 ? `   over the edge by ${boundsExcess.toFixed(2)}` : ''}`,
  ];
  const { width, height } = sizeOf(context, lines);
  const right = view.width - MARGIN;
  write(context, lines, { x: right, y: bottomOf({ left: right - width, bottom, width, height }) });
}
