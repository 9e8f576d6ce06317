/** Settings files: JSON that may name its schema, with the place of whatever is said of it. */
import type { Node } from 'jsonc-parser';
import { SettingsError, type Settings } from 'zesty-kite';
import { Failure, refusal } from '../failure.ts';
import { parsedJson, readWhole } from './files.ts';
import { isSession } from './kind.ts';

/** Settings with a coast of a hundred thousand corners are a few of these. */
const MAX_SETTINGS = 64e6;

/** A place in a file, counted from 1. */
export interface Place {
  readonly line: number;
  readonly column: number;
}

export interface SettingsFile {
  readonly settings: Settings;
  /** The place of a value, or of the nearest group around it. */
  readonly placeOf: (path: string) => Promise<Place>;
}

/** Returns the settings, or a Failure with the places of the errors. */
export async function readSettings(file: string): Promise<Settings> {
  return (await readSettingsFile(file)).settings;
}

export async function readSettingsFile(file: string): Promise<SettingsFile> {
  const bytes = await readWhole(file, MAX_SETTINGS, 'a settings file (JSON)');
  const text = new TextDecoder().decode(bytes).replace(/^\uFEFF/, '');
  if (isSession(text)) throw refusal(file, 'a session', 'a settings file (JSON)');
  const value = parsedJson(file, text, 'a settings file (JSON)');
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new Failure(`${file}: expected an object, got ${JSON.stringify(value).slice(0, 60)}`);
  let tree: { readonly root: Node | undefined } | null = null;
  return {
    settings: value,
    placeOf: async (path) => {
      // It is loaded, and the text parsed once more, only if there is something to say.
      const { findNodeAtLocation, parseTree } = await import('jsonc-parser');
      tree ??= { root: parseTree(text) };
      const { root } = tree;
      const steps = [...path.matchAll(/[^.[\]]+/g)].map(([step]) => (/^\d+$/.test(step) ? Number(step) : step));
      for (; root !== undefined; steps.pop()) {
        const node = findNodeAtLocation(root, steps);
        const at = node?.parent?.type === 'property' ? node.parent.offset : node?.offset;
        if (at !== undefined) return placeAt(text, at);
        if (steps.length === 0) break;
      }
      return { line: 1, column: 1 };
    },
  };
}

function placeAt(text: string, offset: number): Place {
  let line = 1;
  let from = 0;
  for (let end = text.indexOf('\n'); end >= 0 && end < offset; end = text.indexOf('\n', from)) {
    line += 1;
    from = end + 1;
  }
  return { line, column: offset - from + 1 };
}

/** The same error, each problem with its place in the file; anything else as it is. */
export async function withPlaces(file: string, error: unknown, { placeOf }: SettingsFile): Promise<unknown> {
  if (!(error instanceof SettingsError)) return error;
  const problems = [];
  for (const problem of error.problems) {
    const { line, column } = await placeOf(problem.path);
    problems.push({
      ...problem,
      path: `line ${String(line)}, column ${String(column)}: ${problem.path || 'the whole'}`,
    });
  }
  return new Failure(file, { cause: new SettingsError(problems, error.more) });
}
