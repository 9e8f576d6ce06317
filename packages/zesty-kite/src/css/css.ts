/**
 * Elements and SVG that lie on the ground, and labels pinned to it, moved by CSS transforms. It takes every object with the
 * fields of an element.
 */
import { checkMade, checkObject, checkView } from '../messages/index.ts';
import type { Affine, ScreenPoint, View } from '../view/index.ts';

/** The parts of an element that are used. */
export interface Styled {
  /** The transform is written here. */
  readonly style: { transform: string; transformOrigin: string };
}

/** The parts of a label's element that are used. */
export interface Pinned {
  /** The transform is written here; `visibility` is `hidden` off the screen. */
  readonly style: { transform: string; visibility: string };
}

/**
 * Moves an element so that it lies on the ground: its pixels are world units from the origin. Style it with `position: absolute;
 * left: 0; top: 0` in the map's element. Every lens works.
 *
 * ```ts
 * layOnGround(camera.advance(time), element);
 * ```
 *
 * @param height of the level plane, world units; that of the focus by default
 */
export function layOnGround(view: View, element: Styled, height?: number): void {
  checkView('layOnGround', view);
  const style = styleOf('layOnGround', element);
  style.transformOrigin = '0 0';
  style.transform = cssTransform(view, height);
}

/**
 * Returns the transform of `layOnGround` as text: `matrix(…)`, or `matrix3d(…)` for a tilted perspective.
 *
 * ```ts
 * element.style.transform = cssTransform(view);
 * ```
 */
export function cssTransform(view: View, height?: number): string {
  checkView('cssTransform', view);
  if (isFlat(view)) return svgTransform(view, height);
  const { projection, span, x, y, focusHeight } = view;
  const { sinHeading, cosHeading, sinPitch, cosPitch, invFocal, middleX, middleY, frameHeight } = projection;
  const rise = ((height ?? focusHeight) - focusHeight) / span;
  // Counted from the focus, in spans: to the right and toward the viewer, each a·x + b·y + c.
  const right = [cosHeading / span, sinHeading / span, -(x * cosHeading + y * sinHeading) / span] as const;
  const toward = [-sinHeading / span, cosHeading / span, (x * sinHeading - y * cosHeading) / span] as const;
  // Depth over the focus' own: how much everything shrinks there.
  const depth = toward.map(
    (value, i) => (i === 2 ? 1 : 0) - invFocal * (value * cosPitch + (i === 2 ? rise * sinPitch : 0)),
  );
  const rows = [0, 1, 2].map((i) => {
    const deep = depth[i] ?? 0;
    const down = (toward[i] ?? 0) * sinPitch - (i === 2 ? rise * cosPitch : 0);
    return [middleX * deep + frameHeight * (right[i] ?? 0), middleY * deep + frameHeight * down, 0, deep];
  });
  const [alongX = [], alongY = [], origin = []] = rows;
  return `matrix3d(${[...alongX, ...alongY, 0, 0, 1, 0, ...origin].map(text).join(', ')})`;
}

/**
 * Returns the `transform` of an SVG group that is drawn in world units.
 *
 * ```ts
 * group.setAttribute('transform', svgTransform(camera.advance(time)));
 * ```
 *
 * @throws RangeError for a tilted perspective: SVG has no such transform
 */
export function svgTransform(view: View, height?: number): string {
  checkView('svgTransform', view);
  if (!isFlat(view))
    throw new RangeError(
      `svgTransform: expected an orthographic lens, a pitch of 90, or an HTML element around the SVG and layOnGround, got a field of view of ${String(view.fieldOfView)} at a pitch of ${String(view.pitch)}`,
    );
  const { a, b, c, d, e, f } = view.affine(affine, height);
  return `matrix(${[a, b, c, d, e, f].map(text).join(', ')})`;
}

/**
 * Moves a label to a world point: its top left corner, on whole device pixels, so that text stays sharp. Style it with `position:
 * absolute; left: 0; top: 0` in the map's element. A label behind the eye, or farther than `beyond` outside the screen, is hidden.
 *
 * ```ts
 * pinLabel(camera.advance(time), element, { x: 300, y: 200 });
 * ```
 *
 * @param beyond CSS pixels; 100 by default
 * @returns the screen point; null while it is hidden
 */
export function pinLabel(
  view: View,
  element: Pinned,
  at: { readonly x: number; readonly y: number; readonly height?: number },
  beyond = 100,
): Readonly<ScreenPoint> | null {
  checkView('pinLabel', view);
  checkObject('pinLabel.at', at, 'a point {x, y}');
  const style = styleOf('pinLabel', element);
  const shown = view.toScreen(at.x, at.y, at.height);
  const shows =
    shown.inFront &&
    shown.x >= -beyond &&
    shown.y >= -beyond &&
    shown.x <= view.width + beyond &&
    shown.y <= view.height + beyond;
  style.visibility = shows ? 'visible' : 'hidden';
  if (!shows) return null;
  const whole = (value: number): string => text(Math.round(value * view.density) / view.density);
  style.transform = `translate(${whole(shown.x)}px, ${whole(shown.y)}px)`;
  return shown;
}

/** @throws TypeError for what is no element */
function styleOf<S>(call: string, element: { readonly style: S }): S {
  checkMade(`${call}.element`, element, 'style', 'an element');
  return element.style;
}

/** Returns true if a matrix of six numbers is enough. */
function isFlat({ projection }: View): boolean {
  return projection.invFocal === 0 || projection.cosPitch === 0;
}

/** As short as keeps a ten-thousandth of a pixel across a million world units. */
function text(value: number): string {
  return String(Number(value.toPrecision(12)));
}

const affine: Affine = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };
