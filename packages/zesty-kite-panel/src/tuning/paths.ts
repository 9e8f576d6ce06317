/** Settings by paths such as `pan.speed`. */
import type { Settings } from 'zesty-kite';

export type Tree = Readonly<Partial<Record<string, unknown>>>;

/** One difference: the value at a path, or undefined if the path is to be removed. */
export interface Edit {
  readonly path: string;
  readonly value: unknown;
}

export function isTree(value: unknown): value is Tree {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** Returns the value at a path; undefined if there is none. */
export function valueAt(tree: unknown, path: string): unknown {
  return path.split('.').reduce<unknown>((node, key) => (isTree(node) ? node[key] : undefined), tree);
}

/** Returns settings that have a value at a path. */
export function withValue(settings: Settings, path: string, value: unknown): Settings {
  return placed(settings, path.split('.'), value);
}

function placed(tree: Tree, [key = '', ...below]: readonly string[], value: unknown): Tree {
  if (below.length === 0) return { ...tree, [key]: value };
  const inside = tree[key];
  return { ...tree, [key]: placed(isTree(inside) ? inside : {}, below, value) };
}

/** Returns settings that have nothing at a path. A group that was left with nothing goes, too. */
export function withoutValue(settings: Settings, path: string): Settings {
  return removed(settings, path.split('.'));
}

function removed(tree: Tree, [key = '', ...below]: readonly string[]): Tree {
  const { [key]: inside, ...others } = tree;
  if (below.length === 0 || !isTree(inside)) return others;
  const rest = removed(inside, below);
  return Object.keys(rest).length === 0 ? others : { ...tree, [key]: rest };
}

/** Returns what turns one tree into another, value by value. Lists are values. */
export function editsBetween(before: unknown, to: unknown, above = ''): Edit[] {
  // A new group is new value by value.
  const from = before === undefined && isTree(to) ? {} : before;
  if (!isTree(from) || !isTree(to)) return isSame(from, to) ? [] : [{ path: above, value: to }];
  // An empty group means something: `edge: {}` turns edge scrolling on.
  if (Object.keys(to).length === 0 && above !== '') return isSame(before, to) ? [] : [{ path: above, value: to }];
  return [...new Set([...Object.keys(from), ...Object.keys(to)])].flatMap((key) =>
    editsBetween(from[key], to[key], above === '' ? key : `${above}.${key}`),
  );
}

/** Returns edits as settings. Removed values are left out. */
export function asSettings(edits: readonly Edit[]): Settings {
  return edits
    .filter(({ value }) => value !== undefined)
    .reduce<Settings>((settings, { path, value }) => withValue(settings, path, value), {});
}

export function isSame(one: unknown, other: unknown): boolean {
  return JSON.stringify(one) === JSON.stringify(other);
}
