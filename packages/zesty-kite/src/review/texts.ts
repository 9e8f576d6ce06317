/** Numbers, ranges and sizes in warnings. */
import type { Screen } from '../view/index.ts';
import type { Zoom } from './zooms.ts';

export function greatest<T>(list: readonly T[], by: (item: T) => number): T | null {
  return list.reduce<T | null>((best, item) => (best === null || by(item) > by(best) ? item : best), null);
}

export function range(zooms: readonly Zoom[]): string {
  const [first, last] = [zooms[0], zooms.at(-1)];
  return `at spans from ${short(first?.span ?? NaN)} to ${short(last?.span ?? NaN)}`;
}

export function size({ width, height }: Screen): string {
  return `a ${String(width)} × ${String(height)} screen`;
}

export function short(value: number): string {
  return String(Number(value.toPrecision(4)));
}
