/** Finds a setting in the JSON Schema of the settings. */

/** The parts of a JSON Schema 2020-12 that are read. */
export interface JsonSchema {
  /** The type of the value. */
  readonly type?: string;
  /** The members of an object. */
  readonly properties?: Readonly<Record<string, JsonSchema>>;
  /** The alternatives. */
  readonly anyOf?: readonly JsonSchema[];
  /** The allowed values. */
  readonly enum?: readonly unknown[];
  /** The schema of a list's items. */
  readonly items?: unknown;
  /** The least number. */
  readonly minimum?: number;
  /** The greatest number. */
  readonly maximum?: number;
  /** A short name. */
  readonly title?: string;
  /** One sentence. */
  readonly description?: string;
  readonly $defs?: Readonly<Record<string, JsonSchema>>;
}

/** @returns null if there is no such setting */
export function nodeAt(schema: JsonSchema, path: string): JsonSchema | null {
  let node: JsonSchema | null = schema;
  for (const key of path.split('.')) node = below(node, key);
  return node;
}

/** A name that a list of settings may have, such as `inverted.wheel`: whether the list has it. */
export interface Member {
  readonly list: string;
  readonly name: string;
  /** All that the list may have. */
  readonly names: readonly unknown[];
}

/** @returns null for the path of a setting of its own */
export function memberAt(schema: JsonSchema, path: string): Member | null {
  const dot = path.lastIndexOf('.');
  const [list, name] = [path.slice(0, dot), path.slice(dot + 1)];
  const names = dot > 0 ? namesIn(nodeAt(schema, list)) : [];
  return names.includes(name) ? { list, name, names } : null;
}

/** If null is allowed, the object is one of the choices. A name of a list is there, or not. */
function below(node: JsonSchema | null, key: string): JsonSchema | null {
  if (namesIn(node).includes(key)) return { type: 'boolean' };
  const object = node?.properties ? node : node?.anyOf?.find(({ properties }) => properties);
  return Object.entries(object?.properties ?? {}).find(([name]) => name === key)?.[1] ?? null;
}

/** The names that a list may have; none if it is no list of names. */
function namesIn(node: JsonSchema | null): readonly unknown[] {
  const items = node?.items;
  if (typeof items !== 'object' || items === null || !('enum' in items)) return [];
  return Array.isArray(items.enum) ? items.enum : [];
}
