/** What a game offers its players, and what a dialog gets of it. */
import { checkList, checkObject, refuse } from '../messages/index.ts';

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

/** @throws TypeError for ends that leave nothing, and a step that goes nowhere */
export function checkOffer(path: string, offer: Offer): void {
  checkObject(path, offer, 'an offer such as { min: 0.5, max: 2, step: 0.1 }');
  const { min = -Infinity, max = Infinity, step = 1, among } = offer;
  for (const [name, value] of Object.entries({ min, max, step }))
    if (typeof value !== 'number' || Number.isNaN(value)) refuse(`${path}.${name}`, value, 'a number');
  if (min > max) refuse(`${path}.max`, max, `at least min, ${String(min)}`);
  if (!(step > 0 && step < Infinity)) refuse(`${path}.step`, step, 'a number above 0');
  if (among !== undefined) checkList(`${path}.among`, among, 'a list of values');
}
