/** The settings of a player: offered by the game, inside its range, kept as differences. */
import { checkList, checkMade, checkObject, refuse as complain } from '../messages/index.ts';
import type { Camera } from '../camera/index.ts';
import { bindingWarnings, type Warning } from '../review/index.ts';
import { sentence, shown, type Settings } from '../settings/index.ts';
import { memberAt, nodeAt, type JsonSchema } from './node.ts';
import type { PlayerTexts } from './texts.ts';

/** How far a player may go with a setting. The default ends of a number are its useful range in the schema, and the game's value. */
export interface Offer {
  /** The least number that the player may set. */
  readonly min?: number;
  /** The greatest number that the player may set. */
  readonly max?: number;
  /** Of a slider. */
  readonly step?: number;
  /** Nothing but these: `[null, {}]` turns edge scrolling off and on. */
  readonly among?: readonly unknown[];
}

/** Settings by their paths, such as `pan.speed`, `bindings.panUp` or, of a list of names, `inverted.wheel`. */
export type Offers = Readonly<Record<string, Offer>>;

/** All that a settings dialog needs of one of them. */
export interface OfferedSetting {
  /** The place in the settings, such as `pan.speed`. */
  readonly path: string;
  /** A short name: from the table of texts, or the path in words. */
  readonly name: string;
  /** A sentence for players: from the table of texts, or the description of the schema, with its unit. */
  readonly text: string;
  /** The control that fits the value. */
  readonly kind: 'number' | 'switch' | 'choice' | 'inputs' | 'other';
  /** As it is in force, and as the game has it; of a choice, the one of `among` that is in force. */
  readonly value: unknown;
  /** The value that the game has set. */
  readonly game: unknown;
  /** Of a number. */
  readonly min?: number;
  /** The greatest number. */
  readonly max?: number;
  /** The step of a slider. */
  readonly step?: number;
  /** Of a number, such as "s"; empty if the schema names none. */
  readonly unit?: string;
  /** Of a choice. */
  readonly among?: readonly unknown[];
}

/**
 * Keeps the settings of a player over those of the game. Every change is a change of the camera's settings: at once, and in
 * sessions.
 *
 * ```ts
 * const offers = { 'pan.speed': { min: 0.5, max: 2, step: 0.1 }, 'inverted.wheel': {}, 'bindings.panUp': {} };
 * const own = new PlayerSettings(camera, schema, offers, null, playerTexts);
 * for (const { path, name, text, value } of own.offered) console.log(path, name, text, value);
 * own.set('pan.speed', 1.4);
 * localStorage['own'] = JSON.stringify(own);
 * ```
 *
 * @throws TypeError for an unknown path, or an offer with `min` above `max`
 */
export class PlayerSettings {
  readonly #camera: Camera;
  readonly #schema: JsonSchema;
  readonly #offers: ReadonlyMap<string, Offer>;
  readonly #texts: PlayerTexts;
  /** As the game has them. */
  readonly #game = new Map<string, unknown>();
  /** The differences. */
  readonly #own = new Map<string, unknown>();
  /** Saved settings that are not offered: kept, as they may be offered again. */
  readonly #kept = new Map<string, unknown>();

  /**
   * @param schema of the settings, `zesty-kite/settings.schema.json`
   * @param saved what `toJSON` gave, or null when nothing is stored yet; what is outside of the ends by now comes to the nearest inside,
   *   what is not offered waits
   * @param texts names and texts by path: `playerTexts`, or a translation
   * @throws TypeError for an offer of what is no setting, and for `saved` that is no object
   */
  constructor(
    camera: Camera,
    schema: JsonSchema,
    offers: Offers,
    saved: Settings | null = {},
    texts: PlayerTexts = {},
  ) {
    checkMade('PlayerSettings.camera', camera, 'settings', 'a camera');
    checkMade('PlayerSettings.schema', schema, 'properties', 'the content of zesty-kite/settings.schema.json');
    checkObject('PlayerSettings.offers', offers, 'settings by their paths, such as { "pan.speed": {} }');
    for (const [path, offer] of Object.entries(offers)) checkOffer(`PlayerSettings.offers["${path}"]`, offer);
    this.#camera = camera;
    this.#schema = schema;
    this.#offers = new Map(Object.entries(offers));
    checkObject('PlayerSettings.texts', texts, 'names and texts by path, such as playerTexts');
    this.#texts = texts;
    for (const path of this.#offers.keys()) {
      if (nodeAt(schema, path) === null)
        refuse(`offers["${path}"]`, path, 'the path of a setting, such as "pan.speed"');
      this.#game.set(path, valueAt(camera.settings, path));
    }
    if (saved !== null && !isTree(saved))
      throw new TypeError(
        sentence({
          path: 'PlayerSettings.saved',
          got: shown(saved),
          expected: 'an object that toJSON returned, or null',
        }),
      );
    const pending = new Map<string, unknown>();
    for (const [path, value] of leavesOf(saved ?? {}, [...this.#offers.keys()])) {
      const members = [...this.#offers.keys()].filter((each) => memberAt(schema, each)?.list === path);
      for (const each of members)
        if (Array.isArray(value)) pending.set(each, value.includes(memberAt(schema, each)?.name));
      if (members.length === 0) (this.#offers.has(path) ? pending : this.#kept).set(path, value);
    }
    for (const [path, value] of pending) {
      try {
        this.set(path, value);
      } catch {
        // It was good once; the game's own value stands in for it.
        this.#kept.set(path, value);
      }
    }
  }

  /** In the order in which they were offered. */
  get offered(): readonly OfferedSetting[] {
    return [...this.#offers.keys()].map((path) => this.#itemOf(path));
  }

  /**
   * A number beyond an end comes to that end.
   *
   * @throws TypeError for what is not offered; SettingsError for a value that is none: then nothing has changed
   */
  set(path: string, value: unknown): void {
    if (typeof (path as unknown) !== 'string') refuse('path', path, 'the path of a setting, such as "pan.speed"');
    const { kind, min = -Infinity, max = Infinity, among } = this.#itemOf(path);
    if (kind === 'number' && typeof value !== 'number') refuse(path, value, 'a number');
    if (kind === 'switch' && typeof value !== 'boolean') refuse(path, value, 'true or false');
    if (among !== undefined && !among.some((each) => isSame(each, value)))
      refuse(path, value, `one of ${among.map((each) => shown(each)).join(', ')}`);
    const within = typeof value === 'number' ? Math.min(Math.max(value, min), max) : value;
    this.#camera.change(nested([this.#settingOf(path, within)]));
    this.#kept.delete(path);
    if (isSame(within, this.#game.get(path))) this.#own.delete(path);
    else this.#own.set(path, within);
  }

  /** Back to what the game has: one of them, or all. */
  reset(path?: string): void {
    for (const each of path === undefined ? [...this.#own.keys()] : [path]) {
      this.#camera.change(nested([this.#settingOf(each, this.#game.get(this.#itemOf(each).path))]));
      this.#own.delete(each);
    }
  }

  /** Inputs that two abilities share now. */
  get conflicts(): readonly Warning[] {
    return bindingWarnings(this.#camera.settings);
  }

  /** The conflicts if an ability had these inputs: call it before `set`. */
  conflictsWith(path: string, inputs: readonly string[]): readonly Warning[] {
    if (typeof (path as unknown) !== 'string') refuse('path', path, 'the path of a setting, such as "bindings.panUp"');
    checkList('PlayerSettings.inputs', inputs, 'a list of inputs, such as ["KeyW"]');
    for (const input of inputs)
      if (typeof (input as unknown) !== 'string') complain('PlayerSettings.inputs', input, 'an input, such as "KeyW"');
    const { bindings } = this.#camera.settings;
    const ability = path.slice(path.indexOf('.') + 1);
    return bindingWarnings({ bindings: { ...bindings, [ability]: [...inputs] } }).filter(
      ({ path: at, message }) => at.startsWith(`${path}[`) || message.includes(` ${ability} `),
    );
  }

  /** The differences from the game, as settings: plain data. */
  toJSON(): Settings {
    const whole = new Map([...this.#kept, ...this.#own]);
    // A list of names is saved as it is in force.
    for (const path of this.#own.keys()) {
      const member = memberAt(this.#schema, path);
      if (member === null) continue;
      whole.delete(path);
      whole.set(member.list, valueAt(this.#camera.settings, member.list));
    }
    return nested([...whole]);
  }

  /** A JSON Schema 2020-12 of what `toJSON` gives. */
  get jsonSchema(): Readonly<Record<string, unknown>> {
    const schemas = this.offered.map(({ path, kind, min, max, among }): [string, unknown] => {
      const member = memberAt(this.#schema, path);
      if (member !== null) return [member.list, nodeAt(this.#schema, member.list) ?? {}];
      const node = nodeAt(this.#schema, path) ?? {};
      if (among !== undefined) return [path, { enum: among, description: node.description }];
      if (kind !== 'number') return [path, node];
      return [path, { type: 'number', minimum: min, maximum: max, description: node.description }];
    });
    return { $schema: 'https://json-schema.org/draft/2020-12/schema', ...schemaOf(schemas) };
  }

  /** The path and the value of a change; a name of a list is added to the list, or taken out of it. */
  #settingOf(path: string, value: unknown): readonly [string, unknown] {
    const member = memberAt(this.#schema, path);
    if (member === null) return [path, value];
    const has = valueAt(this.#camera.settings, member.list) as readonly unknown[];
    return [member.list, member.names.filter((name) => (name === member.name ? value === true : has.includes(name)))];
  }

  #itemOf(path: string): OfferedSetting {
    const offer = this.#offers.get(path);
    const node = nodeAt(this.#schema, path);
    if (offer === undefined || node === null)
      return refuse(path, path, `one that is offered: ${[...this.#offers.keys()].join(', ')}`);
    const { name = wordsOf(path), text = node.description ?? '' } = this.#texts[path] ?? {};
    const item = { path, name, text, value: valueAt(this.#camera.settings, path), game: this.#game.get(path) };
    const among = offer.among ?? node.enum;
    if (among !== undefined)
      return { ...item, kind: 'choice', among, value: inForce(among, item.value), game: inForce(among, item.game) };
    const type = node.type ?? node.anyOf?.find((one) => one.type !== 'null')?.type;
    if (type === 'boolean') return { ...item, kind: 'switch' };
    if (type === 'array') return { ...item, kind: path.startsWith('bindings.') ? 'inputs' : 'other' };
    // A zoom in another unit than spans is no number.
    const isUnit = typeof item.value === 'object' && item.value !== null;
    if (type !== 'number' || isUnit) return { ...item, kind: 'other' };
    const ends = node.type === 'number' ? node : (node.anyOf?.find((one) => one.type === 'number') ?? {});
    const { useful = {} } = this.#schema.$defs ?? {};
    const { title: unit = '', minimum, maximum } = nodeAt(useful, path) ?? {};
    // The useful range, and what the game has.
    const games = typeof item.game === 'number' ? [item.game] : [];
    const {
      min: least = Math.min(minimum ?? -Infinity, ...games),
      max: most = Math.max(maximum ?? Infinity, ...games),
    } = offer;
    const min = Math.max(least, ends.minimum ?? -Infinity);
    const max = Math.min(most, ends.maximum ?? Infinity);
    return { ...item, kind: 'number', unit, min, max, ...(offer.step === undefined ? {} : { step: offer.step }) };
  }
}

function refuse(path: string, got: unknown, expected: string): never {
  throw new TypeError(sentence({ path: `player.${path}`, got: shown(got), expected }));
}

/** @throws TypeError for ends that leave nothing, and a step that goes nowhere */
function checkOffer(path: string, offer: Offer): void {
  checkObject(path, offer, 'an offer such as { min: 0.5, max: 2, step: 0.1 }');
  const { min = -Infinity, max = Infinity, step = 1, among } = offer;
  for (const [name, value] of Object.entries({ min, max, step }))
    if (typeof value !== 'number' || Number.isNaN(value)) complain(`${path}.${name}`, value, 'a number');
  if (min > max) complain(`${path}.max`, max, `at least min, ${String(min)}`);
  if (!(step > 0 && step < Infinity)) complain(`${path}.step`, step, 'a number above 0');
  if (among !== undefined) checkList(`${path}.among`, among, 'a list of values');
}

type Tree = Readonly<Partial<Record<string, unknown>>>;

function isTree(value: unknown): value is Tree {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** A list of names has one, or not. */
function valueAt(settings: unknown, path: string): unknown {
  return path
    .split('.')
    .reduce<unknown>(
      (value, key) => (Array.isArray(value) ? value.includes(key) : isTree(value) ? value[key] : undefined),
      settings,
    );
}

/** `edge.sideSpeeds` → `Edge side speeds`. */
function wordsOf(path: string): string {
  const words = path.replaceAll('.', ' ').replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** The choice that contains most of a value, and nothing else; the value itself if there is none. */
function inForce(among: readonly unknown[], value: unknown): unknown {
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
function leavesOf(tree: Tree, offered: readonly string[], above = ''): [string, unknown][] {
  return Object.entries(tree).flatMap(([key, value]): [string, unknown][] => {
    if (key.split('.').some((name) => NO_SETTINGS.includes(name))) return [];
    const path = above === '' ? key : `${above}.${key}`;
    return isTree(value) && !offered.includes(path) ? leavesOf(value, offered, path) : [[path, value]];
  });
}

/** Each path's value in its place; of two that are in each other's way, the later. */
function nested(values: readonly (readonly [string, unknown])[]): Settings {
  return values.reduce<Tree>((tree, [path, value]) => laidIn(tree, path.split('.'), value), {});
}

function laidIn(tree: Tree, [key = '', ...below]: readonly string[], value: unknown): Tree {
  if (below.length === 0) return { ...tree, [key]: value };
  const inside = Object.hasOwn(tree, key) ? tree[key] : undefined;
  return { ...tree, [key]: laidIn(isTree(inside) ? inside : {}, below, value) };
}

function schemaOf(schemas: readonly (readonly [string, unknown])[]): Readonly<Record<string, unknown>> {
  const keys = new Set(schemas.map(([path]) => path.split('.')[0] ?? ''));
  const properties = [...keys].map((key): [string, unknown] => {
    const whole = schemas.find(([path]) => path === key);
    if (whole !== undefined) return [key, whole[1]];
    const below = schemas.filter(([path]) => path.startsWith(`${key}.`));
    return [key, schemaOf(below.map(([path, schema]) => [path.slice(key.length + 1), schema]))];
  });
  return { type: 'object', properties: Object.fromEntries(properties), additionalProperties: false };
}

function isSame(one: unknown, other: unknown): boolean {
  return JSON.stringify(one) === JSON.stringify(other);
}
