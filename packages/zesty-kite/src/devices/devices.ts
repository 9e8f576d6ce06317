/** The devices by the kinds of their signals. */
import * as ALL from './all.ts';
import type { Device } from './device.ts';

type Known = (typeof ALL)[keyof typeof ALL];
export type DeviceKind = Known['kind'];
export type DeviceInput = Known['inputs'][number];

const known: readonly Device[] = Object.values(ALL);

export const DEVICES: ReadonlyMap<string, Device> = new Map(known.map((device) => [device.kind, device]));
export const DEVICE_INPUTS: readonly string[] = known.flatMap(({ inputs }) => inputs);
export const DEVICE_SIGNALS = Object.fromEntries(known.map(({ kind, fields }) => [kind, fields])) as {
  readonly [D in Known as D['kind']]: D['fields'];
};
