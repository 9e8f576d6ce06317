/** A settings file as a module of a page. */
import { createHash } from 'node:crypto';
import { parse, printParseErrorCode, type ParseError } from 'jsonc-parser';
import { FILES } from '../keep/projectFile.ts';
import type { NamedFile } from './namedFile.ts';

/** Says whether a file is still the one that was read. */
export function digestOf(text: string): string {
  return createHash('sha256').update(text).digest('hex');
}

/** @throws Error for what is no JSON, with its place */
export function parsed(name: string, text: string): unknown {
  const errors: ParseError[] = [];
  const value: unknown = parse(text.replace(/^\uFEFF/, ''), errors, { allowTrailingComma: true });
  const [first] = errors;
  if (first === undefined) return value;
  const lines = text.slice(0, first.offset).split('\n');
  const place = `line ${String(lines.length)}, column ${String((lines.at(-1)?.length ?? 0) + 1)}`;
  throw new Error(`${name}: ${place}: expected JSON, got ${printParseErrorCode(first.error)}`);
}

/**
 * Returns the module of a file. While Vite serves, the module tells the panel where it came from, and replaces itself when the file
 * was edited.
 *
 * @param served null for a build: the settings alone
 */
export function moduleOf(
  { name }: NamedFile,
  text: string,
  served: { readonly address: string; readonly token: string } | null,
): string {
  const settings = JSON.stringify(parsed(name, text));
  if (served === null) return `export default ${settings};\n`;
  const file = JSON.stringify({ path: name, digest: digestOf(text), ...served });
  return `const settings = ${settings};
export default settings;
const shared = (globalThis[Symbol.for(${JSON.stringify(FILES)})] ??= { files: new Map(), followers: new Set() });
const file = { ...${file}, settings };
const before = shared.files.get(file.path);
file.versions = (before?.versions ?? new WeakSet()).add(settings);
shared.files.set(file.path, file);
if (before) for (const follow of shared.followers) follow(file);
if (import.meta.hot) import.meta.hot.accept();
`;
}
