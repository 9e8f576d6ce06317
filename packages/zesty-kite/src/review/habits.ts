/** Warnings about what players complain of: wide bands, coarse notches, fast pans. */
import type { SpanSettings } from '../settings/index.ts';
import type { Screen } from '../view/index.ts';
import { greatest, range, short } from './texts.ts';
import type { Warning } from './warning.ts';
import type { Zoom } from './zooms.ts';

const SIDES = ['left', 'top', 'right', 'bottom'] as const;
/** CSS pixels. Bands of 20 to 40 feel right. */
const WIDEST_BAND = 80;
/** The greatest factor of a notch without a warning. 1.04 to 1.2 feels even. */
const COARSEST_NOTCH = 1.5;
/** Screen heights per second. */
const FASTEST_PAN = 5;

/** Bands so wide that the pointer pans on its way to something else; and one band alone. */
export function wideBands({ edge }: SpanSettings, { width, height }: Screen): Warning[] {
  if (edge === null) return [];
  const { unit, maxWidth } = edge;
  const isNamed = SIDES.some((side) => edge[side] !== null);
  const usual = edge.width ?? (isNamed ? 0 : unit === 'share' ? 0.03 : 20);
  const pixels = (band: number): number =>
    unit === 'pixels' ? band : Math.min(band * Math.min(width, height), maxWidth);
  const wide = (['width', ...SIDES] as const).flatMap((name): Warning[] => {
    const band = name === 'width' ? usual : (edge[name] ?? 0);
    if (pixels(band) <= WIDEST_BAND) return [];
    return [
      {
        path: `edge.${name}`,
        message: `a band of ${short(pixels(band))} px pans on the way to other things. Set 20 to 40 px`,
      },
    ];
  });
  const bands = SIDES.filter((side) => pixels(edge[side] ?? usual) > 0);
  if (bands.length !== 1) return wide;
  return [
    ...wide,
    {
      path: `edge.${String(bands[0])}`,
      message: 'no other side has a band, and the edges have no way back. Set a band at the opposite side',
    },
  ];
}

/** Notches so coarse that the picture leaps. */
export function coarseNotch({ zoom: { notch, stops } }: SpanSettings): Warning[] {
  if (stops !== null || notch <= COARSEST_NOTCH) return [];
  return [
    {
      path: 'zoom.notch',
      message: `three notches show ${short(notch * notch * notch)} times as much. Set 1.04 to 1.2`,
    },
  ];
}

/** Pans so fast that nothing can be seen. */
export function fastPan(zooms: readonly Zoom[]): Warning[] {
  const fast = zooms.filter(({ panSpeed }) => panSpeed > FASTEST_PAN);
  const worst = greatest(fast, ({ panSpeed }) => panSpeed);
  if (worst === null) return [];
  return [
    {
      path: 'pan.speed',
      message: `${range(fast)} held keys pan ${short(worst.panSpeed)} screen heights a second. Set at most ${String(FASTEST_PAN)}, such as 1`,
    },
  ];
}
