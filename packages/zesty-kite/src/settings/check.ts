/** Settings as written → settings with every default, or every problem at once. */
import { Problems, shortened, shown } from '../messages/index.ts';
import * as v from 'valibot';
import { corrected } from './inputs.ts';
import { nearest } from './nearest.ts';
import { mergeSettings, withEdgeObject } from './merge.ts';
import { deepFreeze, plainCopy } from './plain.ts';
import { MIN_SPAN, MOST_ITEMS, OBJECT, settingsSchema, UNKNOWN_INPUT, WORLD, type ByZoom } from './schema.ts';
import type { KnownShapes, ShapeChecks } from './shapes.ts';
import type { FullBounds, FullSettings, Settings } from './types.ts';
import { SettingsError } from './settingsError.ts';

/** The largest |coordinate| that float64 still holds finely, in least spans. */
export const FARTHEST_IN_MIN_SPANS = 1e9;

/** Settings that have been checked: as they were written, and with every default. Both are frozen. */
export interface Checked {
  readonly written: Settings;
  readonly settings: FullSettings;
  readonly shapes: KnownShapes;
}

/**
 * Fills in the defaults.
 *
 * @param input settings, from JSON or code, or a list of them, each laid over those before it; they are copied
 * @param options `shapes: [polygons]` for bounds that are a polygon or an area
 * @returns frozen
 * @throws SettingsError that lists every problem with its path, the value found and what would do
 */
export function checkSettings(
  input: unknown,
  { shapes = [] }: { readonly shapes?: readonly ShapeChecks[] } = {},
): FullSettings {
  return completeLayers(input, shapes).settings;
}

/** The same, with the settings as written. @throws SettingsError */
export function completeLayers(input: unknown, shapes: KnownShapes): Checked {
  if (!Array.isArray(input)) return completeSettings(input, shapes);
  const layers = input.map((layer: unknown) => copyOf(layer) as Settings);
  return completeSettings(mergeSettings(...layers), shapes);
}

/** Of one object, as a file has it. @throws SettingsError */
export function completeSettings(input: unknown, shapes: KnownShapes): Checked {
  const written = withEdgeObject(copyOf(input) as Settings);
  const problems = new Problems();
  const result = v.safeParse(settingsSchema, withoutLongLists(written, shapes, problems));
  addIssues(result.issues ?? [], '', problems);
  unknownKeys(settingsSchema, written, '', problems);
  SettingsError.throwFor(problems);
  const settings = deepFreeze(concluded(written, withShapeOf(written, result.output as FullSettings)));
  contradictions(settings, shapes, problems);
  SettingsError.throwFor(problems);
  return { written, settings, shapes };
}

type Section = keyof FullSettings & keyof Settings;

/**
 * Settings with a change laid over them. It costs what it changes: sections that it does not name are as
 * they were, and so is a shape of bounds.
 *
 * @throws SettingsError; then nothing has changed
 */
export function changeSettings(before: Checked, change: unknown): Checked {
  const named = withEdgeObject(copyOf(change) as Settings);
  const problems = new Problems();
  const { shapes } = before;
  const written = deepFreeze(mergeSettings(before.written, named));
  const settings: Record<string, unknown> = { ...before.settings };
  unknownKeys(settingsSchema, named, '', problems);
  for (const section of Object.keys(named) as Section[]) {
    if (!Object.hasOwn(settingsSchema.entries, section)) continue;
    const { rest, shape } = withoutKnownShape(section, written[section], shapes);
    const { [section]: short } = withoutLongLists({ [section]: rest }, shapes, problems);
    const result = v.safeParse(settingsSchema.entries[section], short);
    addIssues(result.issues ?? [], section, problems);
    settings[section] = result.success && shape !== null ? { ...(result.output as object), ...shape } : result.output;
  }
  SettingsError.throwFor(problems);
  const whole = named.bounds ? withShapeOf(written, settings as FullSettings) : (settings as FullSettings);
  const checked = deepFreeze(concluded(written, whole));
  contradictions(checked, shapes, problems);
  SettingsError.throwFor(problems);
  return { written, settings: checked, shapes };
}

/** A polygon or an area of bounds that has been looked through before is not looked through again. */
function withoutKnownShape(
  section: Section,
  value: unknown,
  shapes: KnownShapes,
): { rest: unknown; shape: object | null } {
  if (section !== 'bounds' || typeof value !== 'object' || value === null) return { rest: value, shape: null };
  for (const name of ['polygon', 'area'] as const) {
    const { [name]: shape, ...rest }: Partial<Record<string, unknown>> = value;
    if (typeof shape === 'object' && shape !== null && (shapes?.some((kind) => kind.isSound(shape)) ?? true))
      return { rest, shape: { [name]: shape } };
  }
  return { rest: value, shape: null };
}

/** Keeps shapes as they were written, so that an unchanged shape is recognised. */
function withShapeOf({ bounds: written }: Settings, settings: FullSettings): FullSettings {
  const { bounds } = settings;
  if (!bounds || !written) return settings;
  const { polygon, area } = written;
  return { ...settings, bounds: { ...bounds, ...(polygon && { polygon }), ...(area && { area }) } };
}

/**
 * Settings with what follows from several of them: a start nearer than the nearest zoom widens it, unless the settings set that; and
 * bounds without a shape, as a preset has them, keep nothing inside.
 */
function concluded(written: Settings, settings: FullSettings): FullSettings {
  const { zoom, start, bounds } = settings;
  const minSpan = written.zoom?.minSpan ?? Math.min(MIN_SPAN, start.span ?? MIN_SPAN);
  const saysHow = Object.keys(written.bounds ?? {}).length > 0;
  return {
    ...settings,
    zoom: zoom.minSpan === minSpan ? zoom : { ...zoom, minSpan },
    bounds: saysHow && bounds !== null && shapesOf(bounds).length === 0 ? null : bounds,
  };
}

function copyOf(input: unknown): unknown {
  const problems = new Problems();
  const copied = plainCopy(input, problems);
  SettingsError.throwFor(problems);
  if (typeof copied !== 'object' || copied === null || Array.isArray(copied))
    throw new SettingsError([{ path: '', found: shown(input), wanted: OBJECT }]);
  return copied;
}

interface Issue {
  readonly path?: readonly { readonly key: unknown }[] | undefined;
  readonly input: unknown;
  readonly message: string;
}

function addIssues(issues: readonly Issue[], section: string, problems: Problems): void {
  for (const { path = [], input, message } of issues)
    problems.add(() => ({
      path: `${section}${path.map((item) => step(item.key)).join('')}`.replace(/^\./, ''),
      found: shown(input),
      wanted: message === UNKNOWN_INPUT ? `perhaps "${corrected(String(input)) ?? 'KeyW'}": ${message}` : message,
    }));
}

/** Lists whose length a mistake can make great, by their section and their name in it. */
const LISTS: ReadonlyMap<string, readonly string[]> = new Map([
  ['pitch', ['degrees']],
  ['lens', ['fieldOfView']],
  ['pan', ['speed']],
]);

/**
 * The settings without lists of any length, for the schema. Corners are checked here. Lists that are too long are refused here,
 * before their items are checked.
 */
function withoutLongLists(written: object, shapes: KnownShapes, problems: Problems): Partial<Record<string, unknown>> {
  const short: Partial<Record<string, unknown>> = { ...written };
  for (const [section, value] of Object.entries(short)) {
    if (Array.isArray(value)) {
      if (value.length <= MOST_ITEMS) continue;
      tooLong(section, value, problems);
      Reflect.deleteProperty(short, section);
    }
    if (typeof value !== 'object' || value === null || Array.isArray(value)) continue;
    const names = section === 'bindings' ? Object.keys(value).slice(0, MOST_ITEMS) : (LISTS.get(section) ?? []);
    const kept: Partial<Record<string, unknown>> = { ...value };
    for (const name of names) {
      const list = kept[name];
      if (!Array.isArray(list) || list.length <= MOST_ITEMS) continue;
      tooLong(`${section}.${name}`, list, problems);
      Reflect.deleteProperty(kept, name);
    }
    if (section === 'zoom' && Array.isArray(kept['stops'])) lookThroughStops(kept, kept['stops'], problems);
    if (section === 'bounds' && Array.isArray(kept['polygon'])) {
      for (const kind of shapes ?? []) kind.checkCorners(kept['polygon'], problems);
      kept['polygon'] = SOUND;
    }
    short[section] = kept;
  }
  return short;
}

function tooLong(path: string, list: readonly unknown[], problems: Problems): void {
  problems.add(() => ({ path, found: `${String(list.length)} items`, wanted: `at most ${String(MOST_ITEMS)}` }));
}

/** A long list of zoom stops with a bad one is left out of what the schema looks through. */
function lookThroughStops(zoom: Partial<Record<string, unknown>>, stops: readonly unknown[], problems: Problems): void {
  if (stops.length <= MOST_ITEMS) return;
  const before = problems.count;
  stops.forEach((stop, i) => {
    if (!(typeof stop === 'number' && stop >= LEAST_STOP && stop <= WORLD))
      problems.add(() => ({ path: `zoom.stops[${String(i)}]`, found: shown(stop), wanted: 'a number above 0' }));
  });
  if (problems.count > before) Reflect.deleteProperty(zoom, 'stops');
}

const LEAST_STOP = 1e-9;

/** Stands for corners in what the schema looks through: they have a check of their own. */
const SOUND = [
  [0, 0],
  [1, 0],
  [0, 1],
] as const;

function step(key: unknown): string {
  return typeof key === 'number' ? `[${String(key)}]` : `.${String(key)}`;
}

/** Reports every key that the schema does not know, at any depth, with the nearest known one; inside lists, too. */
function unknownKeys(schema: unknown, input: unknown, path: string, problems: Problems): void {
  const entries = entriesOf(schema);
  if (entries === null || typeof input !== 'object' || input === null) return;
  if (Array.isArray(input)) {
    problems.add(() => ({ path, found: shown(input), wanted: OBJECT }));
    return;
  }
  const known = Object.keys(entries);
  for (const [key, value] of Object.entries(input)) {
    if (Object.hasOwn(entries, key)) {
      unknownKeys(entries[key], value, path === '' ? key : `${path}.${key}`, problems);
      continue;
    }
    problems.add(() => {
      const near = nearest(key, known);
      const name = shortened(key);
      return {
        path: path === '' ? name : `${path}.${name}`,
        found: 'an unknown key',
        wanted: near === null ? `one of ${known.join(', ')}` : `perhaps "${near}"`,
      };
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

/** Checks that need two settings at once. */
function contradictions(settings: FullSettings, shapes: KnownShapes, problems: Problems): void {
  const { start, home, ground, pitch, lens, turn, pan, zoom, bounds, wrap } = settings;
  const refuse = (path: string, found: unknown, wanted: string): void => {
    problems.add(() => ({ path, found: shown(found), wanted }));
  };
  const inOrder = (low: [string, number | null], high: [string, number | null]): void => {
    if (low[1] !== null && high[1] !== null && high[1] < low[1])
      refuse(high[0], high[1], `at least ${low[0]}, ${String(low[1])}`);
  };
  inOrder(['zoom.minSpan', zoom.minSpan], ['zoom.maxSpan', zoom.maxSpan]);
  inOrder(['zoom.minPixelsPerUnit', zoom.minPixelsPerUnit], ['zoom.maxPixelsPerUnit', zoom.maxPixelsPerUnit]);
  inOrder(['ground.lowest', ground.lowest], ['ground.highest', ground.highest]);
  inOrder(['pitch.min', pitch.min], ['pitch.max', pitch.max]);
  inOrder(['turn.min', turn.min], ['turn.max', turn.max]);
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

  const farthest = zoom.minSpan * FARTHEST_IN_MIN_SPANS;
  const wanted = `at most ${String(farthest)} from 0, for a least span of ${String(zoom.minSpan)}`;
  const coordinates: [string, number | undefined][] = [
    ['start.x', start.x],
    ['start.y', start.y],
    ['home.x', home?.x],
    ['home.y', home?.y],
    ['bounds.left', bounds?.left],
    ['bounds.top', bounds?.top],
    ['bounds.right', bounds?.right],
    ['bounds.bottom', bounds?.bottom],
    ['bounds.circle.x', bounds?.circle?.x],
    ['bounds.circle.y', bounds?.circle?.y],
  ];
  for (const [path, value] of coordinates)
    if (value !== undefined && Math.abs(value) > farthest) refuse(path, value, wanted);
  if (bounds === null || shapes === null) return;
  for (const name of ['polygon', 'area'] as const) {
    if (bounds[name] === undefined) continue;
    const kind = shapes.find(({ names }) => names.includes(name));
    if (kind === undefined)
      problems.add(() => ({
        path: `bounds.${name}`,
        found: 'a shape that needs `zesty-kite/polygons`',
        wanted: 'new Camera(settings, { shapes: [polygons] })',
      }));
    else kind.check(bounds, { most: farthest, wanted }, problems);
  }
}

/** Bounds have one shape, and a rectangle has all its sides. */
function oneShape(bounds: FullBounds, refuse: (path: string, found: unknown, wanted: string) => void): void {
  const { left, top, right, bottom } = bounds;
  const sides = { left, top, right, bottom };
  const shapes = shapesOf(bounds);
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
}

/** The shapes that bounds name. */
function shapesOf(bounds: FullBounds): string[] {
  const { left, top, right, bottom } = bounds;
  const isRectangle = [left, top, right, bottom].some((side) => side !== undefined);
  const others = (['circle', 'polygon', 'area'] as const).filter((name) => bounds[name] !== undefined);
  return [...(isRectangle ? ['left, top, right, bottom'] : []), ...others];
}
