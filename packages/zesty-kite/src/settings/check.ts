/** Settings as written → settings with every default, or every problem at once. */
import { Problems, shown } from '../messages/index.ts';
import * as v from 'valibot';
import { contradictions, shapesOf } from './contradictions.ts';
import { corrected } from './inputs.ts';
import { mergeSettings, withEdgeObject } from './merge.ts';
import { deepFreeze, plainCopy } from './plain.ts';
import { settingsSchema } from './schema.ts';
import { OBJECT, UNKNOWN_INPUT } from './values.ts';
import { SettingsError } from './settingsError.ts';
import type { KnownShapes, ShapeChecks } from './shapes.ts';
import { NEAREST_SPAN } from './spans.ts';
import type { FullSettings, Settings } from './types.ts';
import { unknownKeys } from './unknownKeys.ts';

/** Settings that have been checked: as they were written, and with every default. Both are frozen. */
export interface Checked {
  readonly written: Settings;
  readonly settings: FullSettings;
  readonly shapes: KnownShapes;
}

/**
 * Returns complete settings, with defaults.
 *
 * ```ts
 * const full = checkSettings([tilted(), { zoom: { notch: 1.2 } }]);
 * console.log(full.zoom.notch, full.pan.speed); // 1.2 1
 * ```
 *
 * @param input settings from JSON or code, or a list of layers; they are copied
 * @param options `shapes: [polygons]` for bounds that are a polygon or an area
 * @returns frozen settings
 * @throws SettingsError with every problem: its path, the allowed values and the value
 */
export function checkSettings(
  input: unknown,
  { shapes = [] }: { readonly shapes?: readonly ShapeChecks[] } = {},
): FullSettings {
  return completeLayers('checkSettings', input, shapes).settings;
}

/** The same, with the settings as written. @param call names the caller in errors. @throws SettingsError */
export function completeLayers(call: string, input: unknown, shapes: KnownShapes): Checked {
  const written = Array.isArray(input)
    ? mergeSettings(...input.map((layer: unknown) => copyOf(call, layer)))
    : copyOf(call, input);
  return complete(call, written, shapes);
}

/** Of one object, as a file has it. @throws SettingsError */
export function completeSettings(input: unknown, shapes: KnownShapes): Checked {
  return complete('', copyOf('', input), shapes);
}

/**
 * Settings with a change laid over them. It costs what it changes: sections that it does not name are as
 * they were, and so is a shape of bounds.
 *
 * @throws SettingsError; then nothing has changed
 */
export function changeSettings(before: Checked, change: unknown): Checked {
  const named = copyOf('change', change);
  return complete('change', deepFreeze(mergeSettings(before.written, named)), before.shapes, named, before.settings);
}

/**
 * @param named the settings whose sections are to be checked
 * @param before has the other sections
 */
function complete(
  call: string,
  written: Settings,
  shapes: KnownShapes,
  named: Settings = written,
  before: FullSettings = unwritten(),
): Checked {
  const problems = new Problems();
  const sections: Record<string, unknown> = { ...before };
  for (const section of Object.keys(settingsSchema.entries) as (keyof Settings)[]) {
    if (!Object.hasOwn(named, section)) continue;
    const value = section === 'bounds' ? withoutCorners(written, shapes, problems) : written[section];
    const { output, issues = [] } = v.safeParse(settingsSchema.entries[section], value);
    addIssues(issues, section, problems);
    sections[section] = deepFreeze(section === 'bounds' ? withShapeOf(written, output) : output);
  }
  unknownKeys(settingsSchema, named, '', problems);
  SettingsError.throwFor(call, problems);
  const settings = sections as unknown as Sections;
  conclude(written, settings);
  Object.freeze(settings);
  contradictions(settings, shapes, problems);
  SettingsError.throwFor(call, problems);
  return { written, settings, shapes };
}

/** The settings of which nothing is written, made for the first camera. They are a copy: engines are slow to copy what grew key by key. */
function unwritten(): FullSettings {
  return (UNWRITTEN.settings ??= { ...deepFreeze(v.safeParse(settingsSchema, {}).output as FullSettings) });
}

const UNWRITTEN: { settings?: FullSettings } = {};

/** The bounds without a polygon, whose corners are checked here, and without a shape that has been checked before. */
function withoutCorners({ bounds }: Settings, shapes: KnownShapes, problems: Problems): unknown {
  if (typeof bounds !== 'object' || bounds === null) return bounds;
  const { polygon, area, ...rest } = bounds;
  const isSound = (shape: object): boolean => shapes?.some((kind) => kind.isSound(shape)) ?? true;
  if (Array.isArray(polygon)) {
    if (!isSound(polygon)) for (const kind of shapes ?? []) kind.checkCorners(polygon, problems);
  } else if ((polygon as unknown) !== undefined) Object.assign(rest, { polygon });
  if (typeof area !== 'object' || (area as unknown) === null || !isSound(area)) Object.assign(rest, { area });
  return rest;
}

/** Bounds with the polygon or the area as it was written, so that an unchanged one is recognised. */
function withShapeOf({ bounds: written }: Settings, bounds: unknown): unknown {
  if (typeof bounds !== 'object' || bounds === null || !written) return bounds;
  const { polygon, area } = written;
  return { ...bounds, ...(polygon && { polygon }), ...(area && { area }) };
}

/**
 * Adds what follows from several settings: a nearest zoom of null is 12, or a nearer start, in world units if the start is; and
 * bounds without a shape, as a preset has them, keep nothing inside.
 */
function conclude(written: Settings, sections: Sections): void {
  const { zoom, start, bounds } = sections;
  const { span = NEAREST_SPAN } = start;
  const minSpan = written.zoom?.minSpan ?? (typeof span === 'number' ? Math.min(NEAREST_SPAN, span) : null);
  if (zoom.minSpan !== minSpan) sections.zoom = Object.freeze({ ...zoom, minSpan });
  const hasOptions = Object.keys(written.bounds ?? {}).length > 0;
  if (hasOptions && bounds !== null && shapesOf(bounds).length === 0) sections.bounds = null;
}

type Sections = { -readonly [K in keyof FullSettings]: FullSettings[K] };

function copyOf(call: string, input: unknown): Settings {
  const problems = new Problems();
  const copied = plainCopy(input, problems);
  SettingsError.throwFor(call, problems);
  if (typeof copied !== 'object' || copied === null || Array.isArray(copied))
    throw new SettingsError([{ path: '', got: shown(input), expected: OBJECT }], 0, call);
  return withEdgeObject(copied);
}

interface Issue {
  readonly path?: readonly { readonly key: unknown }[] | undefined;
  readonly input: unknown;
  readonly message: string;
}

function addIssues(issues: readonly Issue[], section: string, problems: Problems): void {
  for (const { path = [], input, message } of issues)
    problems.add(() => ({
      path: `${section}${path.map((item) => step(item.key)).join('')}`,
      got: shown(input),
      expected: message === UNKNOWN_INPUT ? `an input such as "${corrected(String(input)) ?? 'KeyW'}"` : message,
    }));
}

function step(key: unknown): string {
  return typeof key === 'number' ? `[${String(key)}]` : `.${String(key)}`;
}
