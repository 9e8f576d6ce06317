/** The settings of a player: offered by the game, inside its range, kept as differences. */
import { checkList, checkMade, checkObject, refuse } from '../messages/index.ts';
import type { Camera } from '../camera/index.ts';
import { bindingWarnings, type Warning } from '../review/index.ts';
import { shown, type Settings } from '../settings/index.ts';
import { memberAt, nodeAt, type JsonSchema } from './node.ts';
import { checkOffer, type Offer, type OfferedSetting, type Offers } from './offers.ts';
import type { PlayerTexts } from './texts.ts';
import { inForce, isSame, isTree, leavesOf, nested, valueAt } from './tree.ts';

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
        refusePath(`offers["${path}"]`, path, 'the path of a setting, such as "pan.speed"');
      this.#game.set(path, valueAt(camera.settings, path));
    }
    if (saved !== null && !isTree(saved))
      refuse('PlayerSettings.saved', saved, 'an object that toJSON returned, or null');
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
    if (typeof (path as unknown) !== 'string') refusePath('path', path, 'the path of a setting, such as "pan.speed"');
    const { kind, min = -Infinity, max = Infinity, among } = this.#itemOf(path);
    if (kind === 'number' && typeof value !== 'number') refusePath(path, value, 'a number');
    if (kind === 'switch' && typeof value !== 'boolean') refusePath(path, value, 'true or false');
    if (among !== undefined && !among.some((each) => isSame(each, value)))
      refusePath(path, value, `one of ${among.map((each) => shown(each)).join(', ')}`);
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
    if (typeof (path as unknown) !== 'string')
      refusePath('path', path, 'the path of a setting, such as "bindings.panUp"');
    checkList('PlayerSettings.inputs', inputs, 'a list of inputs, such as ["KeyW"]');
    for (const input of inputs)
      if (typeof (input as unknown) !== 'string') refuse('PlayerSettings.inputs', input, 'an input, such as "KeyW"');
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
      return refusePath(path, path, `one that is offered: ${[...this.#offers.keys()].join(', ')}`);
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

function refusePath(path: string, got: unknown, expected: string): never {
  return refuse(`player.${path}`, got, expected);
}

/** `edge.sideSpeeds` → `Edge side speeds`. */
function wordsOf(path: string): string {
  const words = path.replaceAll('.', ' ').replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);
  return words.charAt(0).toUpperCase() + words.slice(1);
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
