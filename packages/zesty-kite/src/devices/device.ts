/** A device that presses inputs more or less, such as a pad, a dial or a pedal: all of it but how a page listens to it. */
import type { Body, SignalShape } from './fields.ts';

/** Input → how strongly it is pressed, above 0 … 1; an input that is not pressed is left out. */
export type Strengths = ReadonlyMap<string, number>;

/** The settings that devices go by. */
export interface DeviceSettings {
  readonly pad: { readonly deadZone: number; readonly curve: number };
}

export interface Device<K extends string = string, S extends SignalShape = SignalShape, I extends string = string> {
  /** The kind of its signal, which has the state of the device. */
  readonly kind: K;
  /** The fields of that signal. A field `id` is the number of the device. */
  readonly fields: S;
  /** The names of its inputs, for bindings. */
  readonly inputs: readonly I[];
  /** How strongly it presses each input. A signal after which it presses none, as before it, is no news. */
  strengths(signal: Body<S>, settings: DeviceSettings): Strengths;
}

/** Keeps the literal types of a device, so that its signal is typed. */
export function device<const K extends string, S extends SignalShape, const I extends string>(
  made: Device<K, S, I>,
): Device<K, S, I> {
  return made;
}
