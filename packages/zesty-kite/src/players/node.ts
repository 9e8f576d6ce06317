/** Finds a setting in the JSON Schema of the settings. */

/** What is read of a JSON Schema 2020-12. */
export interface JsonSchema {
  readonly type?: string;
  readonly properties?: Readonly<Record<string, JsonSchema>>;
  readonly anyOf?: readonly JsonSchema[];
  readonly enum?: readonly unknown[];
  readonly minimum?: number;
  readonly maximum?: number;
  readonly description?: string;
}

/** @returns null where there is no such setting */
export function nodeAt(schema: JsonSchema, path: string): JsonSchema | null {
  let node: JsonSchema | null = schema;
  for (const key of path.split('.')) node = below(node, key);
  return node;
}

/** Where null would do too, the object is one of the choices. */
function below(node: JsonSchema | null, key: string): JsonSchema | null {
  const object = node?.properties ? node : node?.anyOf?.find(({ properties }) => properties);
  return Object.entries(object?.properties ?? {}).find(([name]) => name === key)?.[1] ?? null;
}
