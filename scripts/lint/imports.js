/** Which file of the library imports which: read once, for lint and for the drawing in docs/architecture.md. */
import { readdirSync, readFileSync } from 'node:fs';
import { posix } from 'node:path';

/** @returns file → the files that it imports; paths from `folder` on, types included */
export function importsOf(folder) {
  const files = readdirSync(folder, { recursive: true })
    .map((file) => file.replaceAll('\\', '/'))
    .filter((file) => file.endsWith('.ts'));
  return new Map(
    files.map((file) => {
      const text = readFileSync(`${folder}/${file}`, 'utf8');
      const found = [...text.matchAll(/^(?:import|export)\b[^'";]*?from '(\.[^']+)';/gm)];
      return [file, found.map(([, from]) => posix.join(posix.dirname(file), from))];
    }),
  );
}

/** @returns the files on the shortest way from a file back to itself, by its own import of `first`; or null */
export function circleThrough(imports, file, first) {
  const came = new Map([[first, null]]);
  for (const at of came.keys()) {
    for (const next of imports.get(at) ?? []) {
      if (next === file) {
        const way = [];
        for (let step = at; step !== null; step = came.get(step)) way.unshift(step);
        return [file, ...way, file];
      }
      if (!came.has(next)) came.set(next, at);
    }
  }
  return null;
}
