/** Settings as written → settings with every default, or every problem at once. */
import * as v from 'valibot';
import { nearest } from './nearest.ts';
import { OBJECT, settingsSchema, type FullSettings } from './schema.ts';
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
  return 'entries' in schema ? (schema.entries as Record<string, unknown>) : null;
}

/** What each setting by itself allows but not two of them together. */
function contradictions(settings: FullSettings, problems: Problem[]): void {
  const { start, ground, zoom, bounds } = settings;
  const refuse = (path: string, found: number, wanted: string): void => {
    problems.push({ path, found: shown(found), wanted });
  };
  if (zoom.mostSpan < zoom.leastSpan)
    refuse('zoom.mostSpan', zoom.mostSpan, `at least zoom.leastSpan, ${String(zoom.leastSpan)}`);
  if (ground.highest < ground.lowest)
    refuse('ground.highest', ground.highest, `at least ground.lowest, ${String(ground.lowest)}`);
  if (bounds !== null && !(bounds.right > bounds.left))
    refuse('bounds.right', bounds.right, `more than bounds.left, ${String(bounds.left)}`);
  if (bounds !== null && !(bounds.bottom > bounds.top))
    refuse('bounds.bottom', bounds.bottom, `more than bounds.top, ${String(bounds.top)}`);

  const farthest = zoom.leastSpan * FARTHEST_IN_LEAST_SPANS;
  const wanted = `at most ${String(farthest)} from 0, for a least span of ${String(zoom.leastSpan)}`;
  const coordinates: [string, number | undefined][] = [
    ['start.x', start.x],
    ['start.y', start.y],
    ['bounds.left', bounds?.left],
    ['bounds.top', bounds?.top],
    ['bounds.right', bounds?.right],
    ['bounds.bottom', bounds?.bottom],
  ];
  for (const [path, value] of coordinates)
    if (value !== undefined && Math.abs(value) > farthest) refuse(path, value, wanted);
}
