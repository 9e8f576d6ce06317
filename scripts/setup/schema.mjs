/** The JSON Schemas of settings, sessions and cutscenes, from the code; and finding one's way in them. */
import { root } from './run.mjs';

const DRAFT = 'https://json-schema.org/draft/2020-12/schema';

/** @returns the schema of settings; every object is closed to keys that it does not name */
export async function settingsJsonSchema() {
  const { toJsonSchema } = await import('@valibot/to-json-schema');
  const { settingsSchema, descriptions } = await import(`${root}packages/zesty-kite/build/settings/index.js`);
  const { useful } = await import(`${root}packages/zesty-kite/build/settings/useful.js`);
  const schema = toJsonSchema(settingsSchema, { target: 'draft-2020-12', typeMode: 'input', ignoreActions: ['check'] });
  schema.$schema = DRAFT;
  schema.title = 'Settings of a Zesty Kite camera';
  const describe = (node, path) => {
    // A zoom, or null: one list of choices.
    if (node.anyOf?.some(isSpan)) node.anyOf = node.anyOf.flatMap((one) => one.anyOf ?? [one]);
    if (path !== '') node.description = described(descriptions, 'settings', path);
    // GeoJSON has members of its own.
    closeObjects(node, path === 'bounds.area' ? {} : false);
    const object = objectOf(node);
    if (!object) return;
    for (const [name, child] of Object.entries(object.properties))
      describe(child, path === '' ? name : `${path}.${name}`);
  };
  describe(schema, '');
  // The check of settings reads `true` as an empty object before the schema sees it.
  schema.properties.edge.anyOf.push({ const: true });
  schema.$defs = { useful: usefulJsonSchema(schema, useful) };
  return schema;
}

/** @returns the schema of one line of a session: the header, or a signal of a kind */
export async function sessionJsonSchema() {
  const { descriptions: inside, SIGNALS } = await import(`${root}packages/zesty-kite/build/signals/index.js`);
  const { DIRECTED } = await import(`${root}packages/zesty-kite/build/direct/index.js`);
  const { descriptions: outside } = await import(`${root}packages/zesty-kite/build/direct/descriptions.js`);
  const descriptions = { ...inside, ...outside };
  const signals = Object.assign({}, SIGNALS, ...DIRECTED.map((mover) => mover.signals));
  const { FORMAT, VERSION } = await import(`${root}packages/zesty-kite/build/session/format.js`);
  const at = {
    type: 'integer',
    minimum: 0,
    maximum: 1e15,
    description: 'Whole microseconds since the session began; never before the line above.',
  };
  const kinds = Object.entries(signals).map(([kind, fields]) => ({
    type: 'object',
    description: described(descriptions, 'signals', kind),
    properties: {
      at,
      kind: { const: kind },
      ...Object.fromEntries(
        Object.entries(fields).map(([name, { schema }]) => [
          name,
          { ...schema, description: described(descriptions, 'signals', `${kind}.${name}`) },
        ]),
      ),
    },
    required: [
      'at',
      'kind',
      ...Object.entries(fields).flatMap(([name, { optional }]) => (optional === true ? [] : [name])),
    ],
    additionalProperties: false,
  }));
  const text = { type: 'string' };
  const size = { type: 'number', minimum: 0 };
  const coordinate = { type: 'number', minimum: -1e12, maximum: 1e12 };
  const pose = {
    type: 'object',
    properties: {
      x: coordinate,
      y: coordinate,
      span: SIGNALS.place.span.schema,
      heading: coordinate,
      pitch: { anyOf: [{ type: 'number', minimum: 0, maximum: 90 }, { type: 'null' }] },
    },
    required: ['x', 'y', 'span', 'heading', 'pitch'],
    additionalProperties: false,
  };
  const header = {
    type: 'object',
    description: 'The first line.',
    properties: {
      format: { const: FORMAT },
      version: { const: VERSION },
      at: {
        description: 'The time at which it begins, microseconds; 0 when left out.',
        type: 'integer',
        minimum: 0,
        maximum: 1e15,
      },
      settings: { $ref: 'settings.schema.json', description: 'What it began with.' },
      screen: {
        description: 'The size that it began with, or null where it was not known yet.',
        anyOf: [
          {
            type: 'object',
            properties: { width: size, height: size, density: size },
            required: ['width', 'height'],
            additionalProperties: false,
          },
          { type: 'null' },
        ],
      },
      pose: {
        description: 'The pose at the beginning; where the settings begin when left out.',
        ...pose,
      },
      home: {
        description: 'Where Home leads; where the settings begin when left out.',
        ...pose,
      },
      terrain: {
        description: 'The terrain that it was played over; flat ground when left out.',
        type: 'object',
        properties: { id: text, digest: text },
        required: ['id', 'digest'],
        additionalProperties: false,
      },
      movers: {
        description:
          'The abilities that the camera had learned. Signals of those that are not in `zesty-kite/direct` are not listed here.',
        type: 'array',
        items: text,
      },
      state: {
        description:
          'All that moved and all that was held at the beginning. Recordings write it; it depends on the version, and is not edited.',
        type: 'object',
        properties: { digest: text },
        required: ['digest'],
      },
    },
    required: ['format', 'version', 'settings', 'screen'],
    additionalProperties: false,
  };
  return {
    $schema: DRAFT,
    title: 'A line of a Zesty Kite session',
    oneOf: [header, ...kinds],
  };
}

/** @returns the schema of a cutscene */
export async function cutsceneJsonSchema() {
  const { KEYFRAME_SCHEMA } = await import(`${root}packages/zesty-kite/build/direct/keyframes.js`);
  return {
    $schema: DRAFT,
    title: 'A Zesty Kite cutscene',
    type: 'object',
    properties: {
      $schema: { type: 'string' },
      keyframes: {
        description: 'Poses, each at a later time than the one before; what one leaves out is as in the one before.',
        type: 'array',
        minItems: 1,
        items: KEYFRAME_SCHEMA,
      },
    },
    required: ['keyframes'],
    additionalProperties: false,
  };
}

/**
 * A schema of the useful part of each number that is allowed. Its title is the unit.
 *
 * @throws Error for a number without a unit, and for a unit without a number
 */
function usefulJsonSchema(schema, useful) {
  const unused = new Set(Object.keys(useful));
  const below = (node, path) => {
    const properties = Object.entries(objectOf(node)?.properties ?? {}).flatMap(([name, child]) => {
      const part = below(child, path === '' ? name : `${path}.${name}`);
      return part === null ? [] : [[name, part]];
    });
    if (properties.length > 0) return { type: 'object', properties: Object.fromEntries(properties) };
    if (!isNumber(node)) return null;
    unused.delete(path);
    const { unit, range } = described(useful, 'settings', path, 'useful');
    const ends = range && { minimum: range[0], maximum: range[1] };
    return { title: unit, type: 'number', ...ends };
  };
  const made = below(schema, '');
  if (unused.size > 0) throw new Error(`settings/useful.ts: there is no number ${[...unused].join(', ')}.`);
  return { description: 'The useful range of each number. Values beyond it are allowed. Titles are units.', ...made };
}

/** Whether a number would do, among others. */
function isNumber({ type, anyOf = [] }) {
  return type === 'number' || anyOf.some(isNumber);
}

/** Says of each object among the choices of a schema which further keys it takes. */
function closeObjects(node, additionalProperties) {
  if (node.properties) node.additionalProperties = additionalProperties;
  if (node.properties && 'pixelsPerUnit' in node.properties) node.minProperties = node.maxProperties = 1;
  if (node.items) closeObjects(node.items, additionalProperties);
  for (const item of node.prefixItems ?? []) closeObjects(item, additionalProperties);
  if (node.properties && 'at' in node.properties) closeObjects(node.properties.at, additionalProperties);
  for (const choice of node.anyOf ?? []) closeObjects(choice, additionalProperties);
}

function described(table, room, path, file = 'descriptions') {
  const text = table[path];
  if (text === undefined) throw new Error(`${room}/${file}.ts lacks "${path}".`);
  return text;
}

/** The part of a schema that names keys: itself, or the other choice where null would do too; else undefined. */
export function objectOf(schema) {
  if (schema.properties) return schema;
  const [object, nothing] = schema.anyOf?.filter((choice) => choice.const !== true) ?? [];
  return nothing?.type === 'null' && object.properties ? object : undefined;
}

/** Whether a schema is that of a zoom in any unit. */
export function isSpan({ anyOf }) {
  return anyOf?.some(({ properties }) => properties !== undefined && 'pixelsPerUnit' in properties) === true;
}

/** The allowed values of a setting, in words. */
export function valuesOf(node) {
  const { type, enum: names, minimum, maximum, items, prefixItems, anyOf } = node;
  if (isSpan(node))
    return `${valuesOf(anyOf[0])}, or another unit${anyOf.some((one) => one.type === 'null') ? ', or null' : ''}`;
  if (names) return names.map((name) => `"${name}"`).join(', ');
  if (anyOf) {
    const [first, ...others] = anyOf;
    if (others.at(-1).const === true) return 'a group, true, or null';
    if (others.length === 1) return `${valuesOf(first)}${first.properties ? '' : ','} or null`;
    // Values that may follow the zoom.
    return `${valuesOf(first)}; stops [span, the same]; or a switch {near, far, at, slack}`;
  }
  if (prefixItems) return `[${prefixItems.map(valuesOf).join(', ')}]`;
  if (type === 'array')
    return items.pattern || items.type === 'string' ? 'a list of inputs' : `a list of ${valuesOf(items)}`;
  if (type === 'number') return `${numeral(minimum)} … ${numeral(maximum)}`;
  if (type === 'boolean') return 'true, false';
  return type === 'object' ? 'a group' : 'a text';
}

/** Large and small numbers by their power of ten. */
function numeral(value) {
  const size = Math.abs(value);
  return size >= 1e6 || (size > 0 && size < 1e-3) ? value.toExponential().replace('e+', 'e') : String(value);
}
