/** Keys that are not in the schema. */
import { shortened, type Problems } from '../messages/index.ts';
import { nearest } from './nearest.ts';
import { OBJECT } from './values.ts';

/** Has members of its own (RFC 7946). */
const GEOJSON = 'bounds.area';

/** Reports every unknown key, at any depth and inside lists, with the nearest known one. */
export function unknownKeys(schema: unknown, input: unknown, path: string, problems: Problems): void {
  const entries = path === GEOJSON ? null : entriesOf(schema, input);
  if (entries === null || typeof input !== 'object' || input === null) return;
  if (Array.isArray(input)) {
    problems.refuse(path, input, OBJECT);
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
        got: `"${name}"`,
        expected: near === null ? `one of ${known.join(', ')}` : `a known key such as "${near}"`,
      };
    });
  }
}

/** The entries of the object in a schema, seen through `optional`, `nullable` and other choices, of which lists are one. */
function entriesOf(schema: unknown, input: unknown): Record<string, unknown> | null {
  if (typeof schema !== 'object' || schema === null) return null;
  if ('wrapped' in schema) return entriesOf(schema.wrapped, input);
  if ('options' in schema && Array.isArray(schema.options))
    return Array.isArray(input) ? null : entriesOf(schema.options.at(-1), input);
  return 'entries' in schema ? (schema.entries as Record<string, unknown>) : null;
}
