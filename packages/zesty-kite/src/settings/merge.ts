/** Live changes of settings: what is named replaces, what is not stays. */
import type { Settings } from './schema.ts';

/**
 * `change` laid over `settings`: objects key by key, everything else (lists and null too) whole.
 * Neither argument is altered.
 */
export function mergeSettings(settings: Settings, change: Settings): Settings {
  return merge(settings, change) as Settings;
}

function merge(below: unknown, above: unknown): unknown {
  if (!isObject(below) || !isObject(above)) return above === undefined ? below : above;
  const merged: Record<string, unknown> = { ...below };
  for (const [key, value] of Object.entries(above)) merged[key] = merge(below[key], value);
  return merged;
}

function isObject(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
