/** Edge scrolling: how deep the pointer is in the bands along the sides of the screen. */
import { clamp } from '../math/index.ts';
import type { FullSettings } from '../settings/index.ts';
import type { Point, Screen } from '../view/index.ts';

type EdgeSettings = NonNullable<FullSettings['edge']>;

/** Which way the pointer asks to go: -1 … 1 to the right and down. */
export interface Push {
  readonly right: number;
  readonly down: number;
}

const NOWHERE: Push = { right: 0, down: 0 };

/** How wide a band is on this screen, CSS pixels. */
export function bandOf(size: number, { unit, maxWidth }: EdgeSettings, { width, height }: Screen): number {
  return unit === 'pixels' ? size : Math.min(maxWidth, size * Math.min(width, height));
}

/** Nothing outside all bands; in a corner both ways. At and beyond the very edge it is all. */
export function pushAt({ x, y }: Point, edge: EdgeSettings | null, screen: Screen): Push {
  if (edge === null) return NOWHERE;
  const { left, top, right, bottom } = edge;
  const depth = (inward: number, size: number): number => {
    const band = bandOf(size, edge, screen);
    if (!(inward < band)) return 0;
    return edge.speedByDepth === 'constant' ? 1 : clamp(1 - inward / band, 0, 1);
  };
  return {
    right: depth(screen.width - x, right) - depth(x, left) + 0,
    down: depth(screen.height - y, bottom) - depth(y, top) + 0,
  };
}

/** The pointer over the edges, and since when. */
export class Edge {
  at: Point | null = null;
  askedPush: Push = NOWHERE;
  /** It has been in a band for long enough. */
  dwelt = false;

  /** It steers no more until it has left the bands. */
  wait(): void {
    this.dwelt = false;
  }

  get push(): Push {
    return this.dwelt ? this.askedPush : NOWHERE;
  }

  /** Whether it is in a band. */
  get isOver(): boolean {
    return this.askedPush.right !== 0 || this.askedPush.down !== 0;
  }

  /** The pointer is here now, or nowhere; says whether it has come into a band, so that a dwell begins. */
  hover(at: Point | null, edge: EdgeSettings | null, screen: Screen): boolean {
    const was = this.isOver;
    this.at = at;
    this.askedPush = at === null ? NOWHERE : pushAt(at, edge, screen);
    if (!this.isOver) this.dwelt = false;
    return this.isOver && !was;
  }

  /** Other settings or another screen: the pointer is where it was. */
  refit(edge: EdgeSettings | null, screen: Screen): void {
    this.hover(this.at, edge, screen);
  }

  dwell(): void {
    this.dwelt = this.isOver;
  }
}
