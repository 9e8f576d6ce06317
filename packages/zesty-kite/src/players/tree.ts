/** Settings as a tree of values that have paths. */
import type { Settings } from '../settings/index.ts';

export type Tree = Readonly<Partial<Record<string, unknown>>>;

export function isTree(value: unknown): value is Tree {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** A list of names has one, or not. */
export function valueAt(settings: unknown, path: string): unknown {
  return path
    .split('.')
    .reduce<unknown>(
      (value, key) => (Array.isArray(value) ? value.includes(key) : isTree(value) ? value[key] : undefined),
      settings,
    );
}

/** The choice that contains most of a value, and nothing else; the value itself if there is none. */
export function inForce(among: readonly unknown[], value: unknown): unknown {
  const fitting = among.filter((choice) => isPartOf(choice, value));
  const size = (choice: unknown): number => JSON.stringify(choice).length;
  return fitting.length === 0 ? value : fitting.reduce((best, one) => (size(one) > size(best) ? one : best));
}

function isPartOf(choice: unknown, value: unknown): boolean {
  if (!isTree(choice) || !isTree(value)) return isSame(choice, value);
  return Object.entries(choice).every(([key, part]) => isPartOf(part, value[key]));
}

/** A setting is never called so; written to by a path, they would lead to a prototype. */
const NO_SETTINGS: readonly string[] = ['__proto__', 'constructor', 'prototype'];

/** Paths and values, down to what is offered or is no object. */
export function leavesOf(tree: Tree, offered: readonly string[], above = ''): [string, unknown][] {
  return Object.entries(tree).flatMap(([key, value]): [string, unknown][] => {
    if (key.split('.').some((name) => NO_SETTINGS.includes(name))) return [];
    const path = above === '' ? key : `${above}.${key}`;
    return isTree(value) && !offered.includes(path) ? leavesOf(value, offered, path) : [[path, value]];
  });
}

/** Each path's value in its place; of two that are in each other's way, the later. */
export function nested(values: readonly (readonly [string, unknown])[]): Settings {
  return values.reduce<Tree>((tree, [path, value]) => laidIn(tree, path.split('.'), value), {});
}

function laidIn(tree: Tree, [key = '', ...below]: readonly string[], value: unknown): Tree {
  if (below.length === 0) return { ...tree, [key]: value };
  const inside = Object.hasOwn(tree, key) ? tree[key] : undefined;
  return { ...tree, [key]: laidIn(isTree(inside) ? inside : {}, below, value) };
}

export function isSame(one: unknown, other: unknown): boolean {
  return JSON.stringify(one) === JSON.stringify(other);
}
