/** Settings with every span in world units. */
import { inSpans, type FullSettings, type SpanSettings } from 'zesty-kite';

const kept = new WeakMap<FullSettings, { readonly height: number; readonly spans: SpanSettings }>();

/** Returns them; the same object for the same settings. @param height of the screen, CSS pixels */
export function spansAt(full: FullSettings, height: number): SpanSettings {
  const known = kept.get(full);
  if (known?.height === height) return known.spans;
  const spans = inSpans(full, height);
  kept.set(full, { height, spans });
  return spans;
}
