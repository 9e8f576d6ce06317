/** Live changes of settings: what is named replaces, what is not stays. */
import type { Settings } from './schema.ts';

/**
 * `change` laid over `settings`: objects key by key, everything else (lists and null too) whole.
 * Neither argument is altered. -0 becomes 0, as it would in a file.
 */
export function mergeSettings(settings: Settings, change: Settings): Settings {
  return merge(settings, change) as Settings;
}

function merge(below: unknown, above: unknown): unknown {
  if (above === undefined) return below;
  if (typeof above === 'number') return above + 0;
  if (!isObject(above)) return above;
  const kept = isObject(below) ? below : {};
  const merged: Record<string, unknown> = { ...kept };
  for (const [key, value] of Object.entries(above)) merged[key] = merge(kept[key], value);
  return merged;
}

function isObject(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
