/** Edge scrolling: how deep the pointer is in the bands along the sides of the screen. */
import { clamp } from '../math/index.ts';
import type { FullSettings } from '../settings/index.ts';
import type { Point, Screen } from '../view/index.ts';

type EdgeSettings = NonNullable<FullSettings['edge']>;
/** The part of the settings that edges depend on. */
type WithEdge = Pick<FullSettings, 'edge' | 'safeFrame'>;

export const SIDES = ['left', 'top', 'right', 'bottom'] as const;
export type Side = (typeof SIDES)[number];

/** The direction of an edge pan: to the right and down, in edge speeds. */
export interface Push {
  readonly right: number;
  readonly down: number;
}

export const NO_PUSH: Push = { right: 0, down: 0 };
const NO_SIDES: readonly Side[] = [];

/** The width of the band along a side of this screen, CSS pixels. */
export function bandOf(side: Side, edge: EdgeSettings, { width, height }: Screen): number {
  const { unit, maxWidth } = edge;
  const inPixels = unit === 'pixels';
  const names = SIDES.some((one) => edge[one] !== null);
  const size = edge[side] ?? edge.width ?? (names ? 0 : inPixels ? 20 : 0.03);
  return inPixels ? size : Math.min(maxWidth, size * Math.min(width, height));
}

/** Nothing outside all bands; in a corner both ways. At and beyond the very edge it is all. */
export function pushAt({ x, y }: Point, { edge, safeFrame }: WithEdge, screen: Screen): Push {
  if (edge === null) return NO_PUSH;
  const depth = (inward: number, side: Side): number => {
    const band = bandOf(side, edge, screen);
    const from = edge.along === 'safe-frame' ? inward - safeFrame[side] : inward;
    if (!(from < band)) return 0;
    return edge.sideSpeeds[side] * (edge.speedByDepth === 'constant' ? 1 : clamp(1 - from / band, 0, 1));
  };
  return {
    right: depth(screen.width - x, 'right') - depth(x, 'left') + 0,
    down: depth(screen.height - y, 'bottom') - depth(y, 'top') + 0,
  };
}

/** The pointer over the edges, and since when. */
export class Edge {
  at: Point | null = null;
  askedPush: Push = NO_PUSH;
  /** It has been in a band for long enough. */
  dwelt = false;

  /** It steers no more until it has left the bands. */
  wait(): void {
    this.dwelt = false;
  }

  get push(): Push {
    return this.dwelt ? this.askedPush : NO_PUSH;
  }

  /** The sides in whose bands it pans. */
  get sides(): readonly Side[] {
    const { right, down } = this.push;
    if (right === 0 && down === 0) return NO_SIDES;
    const pushes = { left: right < 0, top: down < 0, right: right > 0, bottom: down > 0 };
    return SIDES.filter((side) => pushes[side]);
  }

  /** Whether it is in a band. */
  get isOver(): boolean {
    return this.askedPush.right !== 0 || this.askedPush.down !== 0;
  }

  /** The pointer is here now, or nowhere; says whether it has come into a band, so that a dwell begins. */
  hover(at: Point | null, settings: WithEdge, screen: Screen): boolean {
    const was = this.isOver;
    this.at = at;
    this.askedPush = at === null ? NO_PUSH : pushAt(at, settings, screen);
    if (!this.isOver) this.dwelt = false;
    return this.isOver && !was;
  }

  /** Other settings or another screen: the pointer is where it was. */
  refit(settings: WithEdge, screen: Screen): void {
    this.hover(this.at, settings, screen);
  }

  dwell(): void {
    this.dwelt = this.isOver;
  }
}
