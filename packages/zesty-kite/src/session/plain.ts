/**
 * Objects as plain data, and back. Numbers that JSON does not have, sets, maps and lists of floats become objects whose one
 * field names them: `{"number":"NaN"}`, `{"set":[…]}`, `{"map":[[key,value],…]}`, `{"floats":[…]}`.
 */
export type Plain = boolean | number | string | null | readonly Plain[] | PlainObject;
export interface PlainObject {
  readonly [name: string]: Plain;
}

/** Returns a value as plain data; undefined for a function, which is left out. */
export function plainOf(value: unknown): Plain | undefined {
  if (typeof value === 'number') return Number.isFinite(value) && !Object.is(value, -0) ? value : nameOf(value);
  if (typeof value === 'string' || typeof value === 'boolean' || value === null) return value;
  if (typeof value !== 'object') return undefined;
  if (value instanceof Float64Array) return { floats: listOf([...value]) };
  if (value instanceof Set) return { set: listOf([...(value as ReadonlySet<unknown>)]) };
  if (value instanceof Map)
    return { map: [...(value as ReadonlyMap<unknown, unknown>)].map(listOf).filter((pair) => pair.length === 2) };
  if (Array.isArray(value)) return listOf(value);
  const fields: Record<string, Plain> = {};
  for (const [name, field] of Object.entries(value) as [string, unknown][]) {
    const plain = plainOf(field);
    if (plain !== undefined) fields[name] = plain;
  }
  return fields;
}

function listOf(values: readonly unknown[]): Plain[] {
  return values.map(plainOf).filter((plain) => plain !== undefined);
}

function nameOf(number: number): Plain {
  return { number: Object.is(number, -0) ? '-0' : String(number) };
}

/** Returns the value that plain data stand for: an object of no class for an object. */
export function valueOf(plain: Plain): unknown {
  if (typeof plain !== 'object' || plain === null) return plain;
  if (isList(plain)) return plain.map(valueOf);
  const { number, set, map, floats } = plain;
  if (number !== undefined) return Number(number);
  if (isList(set)) return new Set(set.map(valueOf));
  if (isList(map)) return new Map(map.map((pair) => valueOf(pair) as [unknown, unknown]));
  if (isList(floats)) return new Float64Array(floats.map(Number));
  return Object.fromEntries(Object.entries(plain).map(([name, field]) => [name, valueOf(field)]));
}

function isList(plain: Plain | undefined): plain is readonly Plain[] {
  return Array.isArray(plain);
}

/**
 * Sets the fields of an object, and of the objects of classes in it, to what plain data say.
 *
 * @param path names the object in a message
 * @throws RangeError for a field that the data lack
 */
export function restore(target: object, plain: Plain | undefined, path: string): void {
  for (const [name, before] of Object.entries(target) as [string, unknown][]) {
    if (plainOf(before) === undefined) continue;
    const field = isObject(plain) ? plain[name] : undefined;
    if (field === undefined)
      throw new RangeError(`${path}.${name}: expected a value, got none. Replay it with the version that recorded it`);
    if (isOfClass(before)) restore(before, field, `${path}.${name}`);
    else Reflect.set(target, name, valueOf(field));
  }
}

function isObject(plain: Plain | undefined): plain is PlainObject {
  return typeof plain === 'object' && plain !== null && !isList(plain);
}

/** An object with fields of its own: its methods go on working on them. */
function isOfClass(value: unknown): value is object {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return false;
  const isPlain = Object.getPrototypeOf(value) === Object.prototype;
  return !isPlain && !(value instanceof Map || value instanceof Set || value instanceof Float64Array);
}
