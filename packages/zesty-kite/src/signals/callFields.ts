/** Fields of signals that more than one type of value may fill, or that depend on each other. */
import type { GridPart } from '../ground/index.ts';
import { Problems } from '../messages/index.ts';
import { plainCopy, SettingsError, type Settings } from '../settings/index.ts';
import {
  asFinite,
  maybe,
  maybeNumber,
  number,
  object,
  coordinate,
  refuseField,
  type Field,
  type OptionalField,
} from '../devices/index.ts';

export const FARTHEST = 1e12;
export const MAX_PIXELS = 1e6;

export const pixels = coordinate(MAX_PIXELS);

/**
 * The point that stays in place while the camera zooms, turns or tilts: a point of the world (its height is that of the ground if
 * it is left out), the ground that shows at a screen point, or the ground below the eye.
 */
export type About =
  | { readonly x: number; readonly y: number; readonly height?: number }
  | { readonly screenX: number; readonly screenY: number }
  | 'eye';

const ABOUT = 'a point {x, y, height}, a screen point {screenX, screenY}, "eye", or nothing';
const worldUnits = number(-FARTHEST, FARTHEST);
export const onScreen = number(-MAX_PIXELS, MAX_PIXELS);
const worldPoint = object<{ readonly x: number; readonly y: number; readonly height?: number }>(
  { x: worldUnits, y: worldUnits, height: maybeNumber(-FARTHEST, FARTHEST) },
  ABOUT,
);
const screenPoint = object<{ readonly screenX: number; readonly screenY: number }>(
  { screenX: onScreen, screenY: onScreen },
  ABOUT,
);
export const about: OptionalField<About> = maybe({
  clean: (value, path, signal) => {
    if (value === 'eye') return value;
    if (typeof value !== 'object' || value === null || !('x' in value || 'screenX' in value))
      return refuseField(path, value, ABOUT);
    return 'x' in value ? worldPoint.clean(value, path, signal) : screenPoint.clean(value, path, signal);
  },
  schema: { anyOf: [worldPoint.schema, screenPoint.schema, { const: 'eye' }] },
});

/** The factor of a zoom without notches. */
export const factor: OptionalField<number> = {
  optional: true,
  clean: (value, path, { notches }) =>
    value === undefined && notches === undefined
      ? refuseField(path, value, 'a number above 0, or notches')
      : maybeNumber(1e-9, 1e9).clean(value, path, {}),
  schema: { type: 'number', minimum: 1e-9, maximum: 1e9 },
};

/** The place of a pointer; both coordinates are left out if it is nowhere. */
export const hovered: OptionalField<number> = {
  optional: true,
  clean: (value, path, { x, y }) => {
    if (x === undefined && y === undefined) return undefined;
    const at = pixels.clean(value, path, {});
    return typeof at === 'number' && Number.isFinite(x) && Number.isFinite(y) ? at : undefined;
  },
  schema: pixels.schema,
};

/** A text, or null together with its partner: flat ground has neither id nor digest. */
export const textOrNull = (partner: string, expected: string): Field<string | null> => ({
  clean: (value, path, signal) => {
    if (typeof value === 'string') return value;
    return value === null && signal[partner] === null ? null : refuseField(path, value, expected);
  },
  schema: { type: ['string', 'null'] },
});

export const part: OptionalField<GridPart> = maybe({
  clean: (value, path) => {
    if (typeof value !== 'object' || value === null)
      return refuseField(path, value, 'a part of a grid {column, row, columns, heights}');
    const { column, row, columns, heights } = value as Record<keyof GridPart, unknown>;
    if (!Array.isArray(heights)) return refuseField(`${path}.heights`, heights, 'a list of numbers');
    return {
      column: asFinite(column, `${path}.column`),
      row: asFinite(row, `${path}.row`),
      columns: asFinite(columns, `${path}.columns`),
      heights: heights.map((height, i) => asFinite(height, `${path}.heights[${String(i)}]`)),
    };
  },
  schema: {
    type: 'object',
    properties: {
      column: { type: 'integer', minimum: 0 },
      row: { type: 'integer', minimum: 0 },
      columns: { type: 'integer', minimum: 1 },
      heights: { type: 'array', items: { type: 'number' } },
    },
    required: ['column', 'row', 'columns', 'heights'],
  },
});

export const settings: Field<Settings> = {
  clean: (value, path) => {
    if (typeof value !== 'object' || value === null) return refuseField(path, value, 'settings');
    const problems = new Problems();
    const plain = plainCopy(value, problems) as Settings;
    SettingsError.throwFor('change', problems);
    return plain;
  },
  schema: { $ref: 'settings.schema.json' },
};
