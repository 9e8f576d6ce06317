/** Names of places as HTML over the map: none over another, and none behind a panel. */
import type { View } from 'zesty-kite';
import { pinLabel } from 'zesty-kite/css';
import type { Box } from './page.ts';
import type { Place } from './world.ts';

/** A name keeps so much room for itself, CSS pixels. */
const WIDE = 110;
const HIGH = 18;

/**
 * @param heightAt where a name hangs, world units; the focus height when left out
 * @returns puts the names where a view shows their places; how many show
 */
export function createNames(
  map: HTMLElement,
  places: readonly Place[],
  isCovered: (box: Box) => boolean,
  heightAt?: (place: Place) => number,
): (view: View) => number {
  const labels = places.map((place) => {
    const label = document.createElement('span');
    label.className = `label ${place.kind.replace(' ', '-')}`;
    label.textContent = place.name;
    map.append(label);
    return { place, label };
  });
  return (view) => {
    const taken: { x: number; y: number }[] = [];
    for (const { place, label } of labels) {
      const height = heightAt?.(place) ?? view.focusHeight;
      const at = pinLabel(view, label, { x: place.x, y: place.y, height });
      const isFree =
        at !== null &&
        !taken.some(({ x, y }) => Math.abs(x - at.x) < WIDE && Math.abs(y - at.y) < HIGH) &&
        !isCovered({ left: at.x - 12, top: at.y - 12, right: at.x + WIDE, bottom: at.y + 12 });
      label.style.opacity = isFree ? '1' : '0';
      if (isFree) taken.push({ x: at.x, y: at.y });
    }
    return taken.length;
  };
}
