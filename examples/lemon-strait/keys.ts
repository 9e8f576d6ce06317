/** The help names the keys that are bound, as the player's keyboard has them. */
import type { FullSettings } from 'zesty-kite';

/** The labels of a layout, by code. Not every browser offers them. */
interface Keyboard {
  getLayoutMap(): Promise<ReadonlyMap<string, string>>;
}

/** Fills each `<kbd data-ability="panUp">` of the page with the first key that is bound to it. */
export async function showKeys({ bindings }: FullSettings): Promise<void> {
  const { keyboard } = navigator as Navigator & { keyboard?: Keyboard };
  const layout = await keyboard?.getLayoutMap().catch(() => undefined);
  for (const key of document.querySelectorAll<HTMLElement>('kbd[data-ability]')) {
    const bound = (bindings as Readonly<Record<string, readonly string[]>>)[key.dataset['ability'] ?? ''] ?? [];
    const code = bound.find((one) => !/^(Mouse|Touch|Pen|Pad|Wheel)/.test(one));
    const text = code === undefined ? 'unbound' : (layout?.get(code)?.toUpperCase() ?? nameOf(code));
    if (key.textContent !== text) key.textContent = text;
  }
}

function nameOf(code: string): string {
  return code.replace(/^(Key|Digit)/, '').replace(/^Shift(Left|Right)$/, 'Shift');
}
