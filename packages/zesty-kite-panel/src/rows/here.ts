/** Values taken from where the camera is now. */
import type { CameraLike, FullSettings } from 'zesty-kite';
import { rounded } from '../tuning/slider.ts';

type Here = (camera: CameraLike, full: FullSettings) => unknown;

const heading: Here = ({ shown }) => rounded(shown.heading, 0.1);
const pitch: Here = ({ shown }) => rounded(shown.pitch, 0.1);
const span: Here = ({ shown }) => fine(shown.span);

/** The pose as a start or a home. A pitch that follows from the settings is left out. */
const place: Here = ({ shown }, full) => ({
  x: fineAt(shown.x, shown.span),
  y: fineAt(shown.y, shown.span),
  span: fine(shown.span),
  heading: rounded(shown.heading, 0.1),
  ...(full.pitch.degrees === shown.pitch ? {} : { pitch: rounded(shown.pitch, 0.1) }),
});

/** The outermost coordinate that shows, or the focus if the bounds keep the focus alone. */
function edge(axis: 0 | 1, outermost: (...values: number[]) => number): Here {
  return ({ view, shown }, { bounds }) => {
    const seen = [...view.frameFootprint()].filter((_, i) => i % 2 === axis);
    const at = bounds?.keep === 'focus' ? [axis === 0 ? shown.x : shown.y] : seen;
    return fineAt(outermost(...at), shown.span);
  };
}

/** By path. A path with a value here has a button "Here". */
export const HERE: Readonly<Partial<Record<string, Here>>> = {
  start: place,
  home: place,
  'start.span': span,
  'home.span': span,
  'start.heading': heading,
  'home.heading': heading,
  'start.pitch': pitch,
  'home.pitch': pitch,
  'pitch.min': pitch,
  'pitch.max': pitch,
  'turn.min': heading,
  'turn.max': heading,
  'zoom.minSpan': span,
  'zoom.maxSpan': span,
  'bounds.left': edge(0, Math.min),
  'bounds.right': edge(0, Math.max),
  'bounds.top': edge(1, Math.min),
  'bounds.bottom': edge(1, Math.max),
};

/** Four digits are enough for a zoom. */
export function fine(value: number): number {
  return rounded(value, Math.abs(value) / 1000);
}

/** A coordinate to a thousandth of what shows. */
export function fineAt(coordinate: number, span: number): number {
  return rounded(coordinate, span / 1000);
}
