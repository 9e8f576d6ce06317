/** The device of a signal. */
import { DEVICES, type DeviceKind, type DeviceSettings, type Strengths } from '../devices/index.ts';
import type { SignalBody, SignalOf } from '../signals/index.ts';

/** Tells devices apart: the kind, and the id if there is one. */
export function nameOf(signal: { readonly kind: string; readonly id?: unknown }): string {
  return `${signal.kind} ${String(signal.id)}`;
}

/** How strongly a device presses each input; null for a signal of no device. */
export function strengthsOf(signal: { readonly kind: string }, settings: DeviceSettings): Strengths | null {
  return DEVICES.get(signal.kind)?.strengths(signal, settings) ?? null;
}

export function isOfDevice(signal: SignalBody): signal is SignalOf<DeviceKind> {
  return DEVICES.has(signal.kind);
}
