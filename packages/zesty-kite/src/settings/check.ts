/** Settings as written → settings with every default, or every problem at once. */
import * as v from 'valibot';
import { nearest } from './nearest.ts';
import { areaOf, ringsOf, type Ring } from './rings.ts';
import { OBJECT, settingsSchema, type ByZoom, type FullBounds, type FullSettings } from './schema.ts';
import { SettingsError, shown, type Problem } from './settingsError.ts';

/** The largest |coordinate| that float64 still holds finely, in least spans. */
export const FARTHEST_IN_LEAST_SPANS = 1e9;

/**
 * Fills in the defaults.
 *
 * @param input settings, from JSON or code
 * @throws SettingsError that lists every problem with its path, the value found and what would do
 */
export function checkSettings(input: unknown): FullSettings {
  if (Array.isArray(input)) throw new SettingsError([{ path: '', found: shown(input), wanted: OBJECT }]);
  const result = v.safeParse(settingsSchema, input);
  const problems: Problem[] = (result.issues ?? []).map((issue) => ({
    path: (issue.path ?? [])
      .map((item) => step(item.key))
      .join('')
      .replace(/^\./, ''),
    found: shown(issue.input),
    wanted: issue.message,
  }));
  unknownKeys(settingsSchema, input, '', problems);
  if (result.success) contradictions(result.output, problems);
  if (problems.length > 0 || !result.success) throw new SettingsError(problems);
  return result.output;
}

function step(key: unknown): string {
  return typeof key === 'number' ? `[${String(key)}]` : `.${String(key)}`;
}

/** Names every key that the schema does not know, at any depth, with the nearest known one; and lists. */
function unknownKeys(schema: unknown, input: unknown, path: string, problems: Problem[]): void {
  const entries = entriesOf(schema);
  if (entries === null || typeof input !== 'object' || input === null) return;
  if (Array.isArray(input)) {
    problems.push({ path, found: shown(input), wanted: OBJECT });
    return;
  }
  const known = Object.keys(entries);
  for (const [key, value] of Object.entries(input)) {
    const where = path === '' ? key : `${path}.${key}`;
    if (Object.hasOwn(entries, key)) {
      unknownKeys(entries[key], value, where, problems);
      continue;
    }
    const near = nearest(key, known);
    problems.push({
      path: where,
      found: 'an unknown key',
      wanted: near === null ? `one of ${known.join(', ')}` : `perhaps "${near}"`,
    });
  }
}

/** The entries of an object schema, seen through `optional` and `nullable`. */
function entriesOf(schema: unknown): Record<string, unknown> | null {
  if (typeof schema !== 'object' || schema === null) return null;
  if ('wrapped' in schema) return entriesOf(schema.wrapped);
  if ('rest' in schema) return null;
  return 'entries' in schema ? (schema.entries as Record<string, unknown>) : null;
}

/** What each setting by itself allows but not two of them together. */
function contradictions(settings: FullSettings, problems: Problem[]): void {
  const { start, ground, pitch, lens, turn, pan, zoom, bounds, wrap } = settings;
  const refuse = (path: string, found: unknown, wanted: string): void => {
    problems.push({ path, found: shown(found), wanted });
  };
  const inOrder = (low: [string, number | null], high: [string, number | null]): void => {
    if (low[1] !== null && high[1] !== null && high[1] < low[1])
      refuse(high[0], high[1], `at least ${low[0]}, ${String(low[1])}`);
  };
  inOrder(['zoom.leastSpan', zoom.leastSpan], ['zoom.mostSpan', zoom.mostSpan]);
  inOrder(['zoom.leastScale', zoom.leastScale], ['zoom.mostScale', zoom.mostScale]);
  inOrder(['ground.lowest', ground.lowest], ['ground.highest', ground.highest]);
  inOrder(['pitch.least', pitch.least], ['pitch.most', pitch.most]);
  inOrder(['turn.least', turn.least], ['turn.most', turn.most]);
  if (lens.fieldOfView !== null && lens.distance !== null)
    refuse('lens.distance', lens.distance, 'null, or lens.fieldOfView null: the one says the other');
  const curves: [string, ByZoom | null][] = [
    ['pitch.degrees', pitch.degrees],
    ['lens.fieldOfView', lens.fieldOfView],
    ['pan.speed', pan.speed],
  ];
  for (const [path, stops] of curves) {
    if (!Array.isArray(stops)) continue;
    const wrong = stops.findIndex(([at], i) => i > 0 && at <= (stops[i - 1]?.[0] ?? 0));
    if (wrong > 0)
      refuse(
        `${path}[${String(wrong)}][0]`,
        stops[wrong]?.[0],
        `more than the span of the stop before it, ${String(stops[wrong - 1]?.[0])}`,
      );
  }
  if (bounds !== null) oneShape(bounds, refuse);
  if (bounds !== null && (wrap.x !== null || wrap.y !== null) && bounds.left === undefined)
    refuse('wrap', wrap, 'null for x and y, or bounds that are a rectangle');

  const farthest = zoom.leastSpan * FARTHEST_IN_LEAST_SPANS;
  const wanted = `at most ${String(farthest)} from 0, for a least span of ${String(zoom.leastSpan)}`;
  const coordinates: [string, number | undefined][] = [
    ['start.x', start.x],
    ['start.y', start.y],
    ['bounds.left', bounds?.left],
    ['bounds.top', bounds?.top],
    ['bounds.right', bounds?.right],
    ['bounds.bottom', bounds?.bottom],
    ['bounds.circle.x', bounds?.circle?.x],
    ['bounds.circle.y', bounds?.circle?.y],
    ...(bounds === null ? [] : ringsOf(bounds).flatMap(({ path, ring }) => inRing(path, ring))),
  ];
  for (const [path, value] of coordinates)
    if (value !== undefined && Math.abs(value) > farthest) refuse(path, value, wanted);
}

function inRing(path: string, ring: Ring): [string, number][] {
  return ring.flatMap(([x, y], i): [string, number][] => [
    [`${path}[${String(i)}][0]`, x],
    [`${path}[${String(i)}][1]`, y],
  ]);
}

/** Bounds have one shape, and it is whole. */
function oneShape(bounds: FullBounds, refuse: (path: string, found: unknown, wanted: string) => void): void {
  const { left, top, right, bottom } = bounds;
  const sides = { left, top, right, bottom };
  const shapes = [
    Object.values(sides).some((side) => side !== undefined) ? 'left, top, right, bottom' : null,
    ...(['circle', 'polygon', 'area'] as const).map((name) => (bounds[name] === undefined ? null : name)),
  ].filter((name) => name !== null);
  if (shapes.length !== 1)
    refuse(
      'bounds',
      shapes.length === 0 ? undefined : shapes.join(' and '),
      'one shape: left, top, right and bottom, or circle, or polygon, or area',
    );
  if (shapes[0] === 'left, top, right, bottom') {
    for (const [side, value] of Object.entries(sides))
      if (value === undefined) refuse(`bounds.${side}`, value, 'a number');
    if (left !== undefined && right !== undefined && !(right > left))
      refuse('bounds.right', right, `more than bounds.left, ${String(left)}`);
    if (top !== undefined && bottom !== undefined && !(bottom > top))
      refuse('bounds.bottom', bottom, `more than bounds.top, ${String(top)}`);
  }
  const rings = ringsOf(bounds, refuse);
  if (rings.length === 0 && bounds.area !== undefined) refuse('bounds.area', bounds.area, 'at least one polygon in it');
  for (const { path, ring } of rings)
    if (!(areaOf(ring) > 0)) refuse(path, ring, 'a ring of at least three corners that has an area');
}
