/** The settings in which two differ. */

export interface Change {
  readonly path: string;
  readonly a: unknown;
  readonly b: unknown;
}

/** Returns every leaf that differs, in the order of the settings. */
export function changesBetween(a: unknown, b: unknown, path = ''): Change[] {
  const isGroup = (value: unknown): value is Readonly<Record<string, unknown>> =>
    typeof value === 'object' && value !== null && !Array.isArray(value);
  if (path === '$schema' || JSON.stringify(a) === JSON.stringify(b)) return [];
  if (!isGroup(a) || !isGroup(b)) return [{ path, a: a ?? null, b: b ?? null }];
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].flatMap((key) =>
    changesBetween(a[key], b[key], path === '' ? key : `${path}.${key}`),
  );
}
