/** Signals made fit to be kept: every number finite and in range. */
import { checkObject } from '../messages/index.ts';
import type { Screen } from '../view/index.ts';
import {
  IGNORE_SIGNAL,
  refuseField,
  type Field,
  type Fields,
  type SignalShape,
  type SignalShapes,
} from '../devices/index.ts';
import { SIGNALS, type SignalBody } from './kinds.ts';

/** The fields of a kind, for a loop that every signal goes through. */
export interface Plan {
  readonly names: readonly string[];
  readonly fields: readonly Field<unknown>[];
}

function planOf(fields: SignalShape): Plan {
  return { names: Object.keys(fields), fields: Object.values(fields) };
}

/** How signals of some kinds are cleaned. */
export function plansOf(kinds: SignalShapes): Map<string, Plan> {
  return new Map(Object.entries(kinds).map(([kind, fields]) => [kind, planOf(fields)]));
}

const KINDS = plansOf(SIGNALS);
const NONE: ReadonlyMap<string, Plan> = new Map();
const SCREEN = planOf(SIGNALS.screen);

/**
 * A copy of a signal's body with every number finite and in range: what is NaN or infinite counts
 * as nothing, what is out of range as the end of the range.
 *
 * @param others further kinds, of what a camera has learned
 * @returns null for what is nowhere, such as a move to NaN: it moves nothing
 * @throws TypeError when the kind is not known, or a part is missing or of the wrong type; SettingsError for
 *   a change that is no plain data
 */
export function cleanSignal(signal: { readonly kind: string }, others = NONE): SignalBody | null {
  checkObject('signal', signal, 'an object with a kind');
  const { kind } = signal;
  const plan = KINDS.get(kind) ?? others.get(kind);
  if (plan === undefined) {
    const known = [...KINDS.keys(), ...others.keys()].map((name) => `"${name}"`);
    return refuseField('kind', kind, `one of ${known.join(', ')}`);
  }
  return cleanInto({ kind }, plan, signal) as SignalBody | null;
}

/** A size with both sides finite and in range; what is NaN or infinite is no size. */
export function cleanScreen(screen: Screen): Screen {
  const { width = 0, height = 0, density } = (cleanInto({}, SCREEN, { ...screen }) ?? {}) as Partial<Screen>;
  return density === undefined ? { width, height } : { width, height, density };
}

function cleanInto(
  out: Record<string, unknown>,
  { names, fields }: Plan,
  given: Fields,
): Record<string, unknown> | null {
  for (let i = 0; i < names.length; i++) {
    const name = names[i] ?? '';
    const value = fields[i]?.clean(given[name], name, given);
    if (value === IGNORE_SIGNAL) return null;
    if (value !== undefined) out[name] = value;
  }
  return out;
}
