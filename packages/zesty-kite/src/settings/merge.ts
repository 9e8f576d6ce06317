/** Layers of settings, and changes: what is named replaces, what is not stays. */
import { checkObject } from '../messages/index.ts';
import type { Settings } from './types.ts';

/**
 * Merges layers of settings. Objects are merged key by key; lists, null and shapes of bounds are replaced. `undefined` counts as
 * left out.
 *
 * ```ts
 * const settings = mergeSettings(tiles({ width: 64, height: 32 }), game, player);
 * ```
 *
 * @returns new settings; the layers stay as they are
 */
export function mergeSettings(...layers: readonly Settings[]): Settings {
  layers.forEach((layer, i) => {
    checkObject(`mergeSettings[${String(i)}]`, layer, 'settings, an object');
  });
  const [first = {}, ...others] = layers.map(withEdgeObject);
  return others.reduce(over, first);
}

/** With `edge: true` as the object that it stands for, and `false` as null. */
export function withEdgeObject(settings: Settings): Settings {
  const edge: unknown = settings.edge;
  return typeof edge === 'boolean' ? { ...settings, edge: edge ? {} : null } : settings;
}

function over(settings: Settings, change: Settings): Settings {
  const { bounds } = settings;
  const below = bounds && change.bounds ? { ...settings, bounds: withoutOtherShapes(bounds, change.bounds) } : settings;
  return merge(below, change) as Settings;
}

/** The keys of each shape that bounds can have. */
const SHAPES = [['left', 'top', 'right', 'bottom'], ['circle'], ['polygon'], ['area']] as const;

type Bounds = NonNullable<Settings['bounds']>;

/** A change that names a shape takes the place of any other. */
function withoutOtherShapes(bounds: Bounds, change: Bounds): Bounds {
  const named = SHAPES.find((keys) => keys.some((key) => change[key] !== undefined));
  if (named === undefined) return bounds;
  const others: readonly string[] = SHAPES.filter((keys) => keys !== named).flat();
  return Object.fromEntries(Object.entries(bounds).filter(([key]) => !others.includes(key)));
}

/** The keys of zooms: a zoom in one unit takes the place of a zoom in another. */
const ZOOMS = ['span', 'minSpan', 'maxSpan', 'at'];

function merge(below: unknown, above: unknown): unknown {
  if (above === undefined) return below;
  if (!isObject(above)) return above;
  const kept = isObject(below) ? below : {};
  // A key such as `__proto__` stays a key of its own: assigned, it would replace the prototype.
  return Object.fromEntries([
    ...Object.entries(kept),
    ...Object.entries(above).map(([key, value]) => [
      key,
      merge(Object.hasOwn(kept, key) && !ZOOMS.includes(key) ? kept[key] : undefined, value),
    ]),
  ]);
}

function isObject(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
