/** Keys that the schema does not know. */
import { shortened, shown, type Problems } from '../messages/index.ts';
import { nearest } from './nearest.ts';
import { OBJECT } from './schema.ts';

/** Reports every unknown key, at any depth and inside lists, with the nearest known one. */
export function unknownKeys(schema: unknown, input: unknown, path: string, problems: Problems): void {
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
