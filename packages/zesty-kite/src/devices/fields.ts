/** The fields of signals: how each is cleaned, and its JSON Schema. */
import { clamp, finite } from '../math/index.ts';
import { refuse } from '../messages/index.ts';

/** Cleans one field; plain data beside it, so that types, messages, schema and docs have it from the same place. */
export interface Field<T> {
  /**
   * @param path names the field in a message
   * @param signal the whole signal, for fields that depend on another
   * @returns undefined for a field to leave out, `IGNORE_SIGNAL` for a signal that means nothing
   * @throws TypeError for what is of the wrong type
   */
  readonly clean: (value: unknown, path: string, signal: Fields) => T | undefined | typeof IGNORE_SIGNAL;
  /** JSON Schema 2020-12. */
  readonly schema: Readonly<Record<string, unknown>>;
}

/** A field that may be left out. */
export interface OptionalField<T> extends Field<T> {
  readonly optional: true;
}

export type Fields = Readonly<Partial<Record<string, unknown>>>;

/** Marks a signal without a place: it moves nothing. */
export const IGNORE_SIGNAL = Symbol('nowhere');

export function refuseField(path: string, got: unknown, expected: string): never {
  return refuse(`signal.${path}`, got, expected);
}

function range(min: number, max: number): Field<number>['schema'] {
  return { type: 'number', ...(min > -Infinity ? { minimum: min } : {}), ...(max < Infinity ? { maximum: max } : {}) };
}

/** A number. Values that are not finite count as 0; others are clamped to the range. */
export function number(min = -Infinity, max = Infinity): Field<number> {
  return { clean: (value, path) => clamp(asFinite(value, path), min, max), schema: range(min, max) };
}

/** An optional number. Values that are not finite are left out. */
export function maybeNumber(min: number, max: number): OptionalField<number> {
  return {
    optional: true,
    clean: (value, path) => {
      if (value === undefined) return undefined;
      if (typeof value !== 'number') return refuseField(path, value, 'a number, or nothing');
      return Number.isFinite(value) ? clamp(value + 0, min, max) : undefined;
    },
    schema: range(min, max),
  };
}

/** A coordinate. A signal with one that is not finite is ignored. */
export function coordinate(max: number): Field<number> {
  return {
    clean: (value, path) => {
      if (typeof value !== 'number') return refuseField(path, value, 'a number');
      return Number.isFinite(value) ? clamp(value + 0, -max, max) : IGNORE_SIGNAL;
    },
    schema: range(-max, max),
  };
}

export function asFinite(value: unknown, path: string): number {
  return typeof value === 'number' ? finite(value, 0) : refuseField(path, value, 'a number');
}

/** A string. @param expected the expected value in messages */
export function text(expected: string): Field<string> {
  return {
    clean: (value, path) => (typeof value === 'string' ? value : refuseField(path, value, expected)),
    schema: { type: 'string' },
  };
}

/** True or false. */
export function yesOrNo(): Field<boolean> {
  return {
    clean: (value, path) => (typeof value === 'boolean' ? value : refuseField(path, value, 'true or false')),
    schema: { type: 'boolean' },
  };
}

/** The field `true`, or left out. */
export function trueOrAbsent(): OptionalField<boolean> {
  return { optional: true, clean: (value) => (value === true ? value : undefined), schema: { const: true } };
}

/**
 * One of some names.
 *
 * @param expected the expected value in messages
 */
export function oneOf<const T extends string>(names: readonly T[], expected = `one of ${names.join(', ')}`): Field<T> {
  return {
    clean: (value, path) => names.find((name) => name === value) ?? refuseField(path, value, expected),
    schema: { enum: names },
  };
}

/** At most `max` numbers from `min` to 1; what is not finite counts as nothing. */
export function list(max: number, min: number): Field<readonly number[]> {
  return {
    clean: (values, path) => {
      if (!Array.isArray(values)) return refuseField(path, values, 'a list of numbers');
      return values.slice(0, max).map((value, i) => clamp(asFinite(value, `${path}[${String(i)}]`), min, 1));
    },
    schema: { type: 'array', items: range(min, 1), maxItems: max },
  };
}

/** An optional field. `undefined` is left out. */
export function maybe<T>({ clean, schema }: Field<T>): OptionalField<T> {
  return {
    optional: true,
    clean: (value, path, signal) => (value === undefined ? undefined : clean(value, path, signal)),
    schema,
  };
}

/** An object of numbers, each with its own range; some may be left out. */
export function object<T extends { readonly [K in keyof T]?: number }>(
  fields: { readonly [K in keyof T]-?: Field<number> },
  expected: string,
): Field<T> {
  const entries = Object.entries<Field<number>>(fields);
  const isNeeded = ([, field]: readonly [string, Field<number>]): boolean => !('optional' in field);
  return {
    clean: (value, path, signal) => {
      if (typeof value !== 'object' || value === null) return refuseField(path, value, expected);
      const given = value as Fields;
      const cleaned = entries.map(([name, field]) => [name, field.clean(given[name], `${path}.${name}`, signal)]);
      return Object.fromEntries(cleaned.filter(([, clean]) => clean !== undefined)) as T;
    },
    schema: {
      type: 'object',
      properties: Object.fromEntries(entries.map(([name, { schema }]) => [name, schema])),
      required: entries.filter(isNeeded).map(([name]) => name),
    },
  };
}

/** The fields of a kind of signal. */
export type SignalShape = Readonly<Record<string, Field<unknown>>>;
/** Kinds of signals with their fields. */
export type SignalShapes = Readonly<Record<string, SignalShape>>;

type Value<F> = F extends Field<infer T> ? T : never;
type OptionalOf<S> = { [N in keyof S]: S[N] extends OptionalField<unknown> ? N : never }[keyof S];
/** The fields of a kind of signal, as types. */
export type Body<S> = { readonly [N in keyof Omit<S, OptionalOf<S>>]: Value<S[N & keyof S]> } & {
  readonly [N in keyof Pick<S, OptionalOf<S>>]?: Value<S[N]>;
};

/** The signals of some kinds, without their times. */
export type SignalsOf<K extends SignalShapes> = string extends keyof K
  ? { readonly kind: string }
  : { [N in keyof K & string]: { readonly kind: N } & Body<K[N]> }[keyof K & string];
