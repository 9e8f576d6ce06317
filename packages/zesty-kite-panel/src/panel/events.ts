/** Keys of the panel; and its own events, which the page below does not get. */
import type { PanelOptions } from './options.ts';
import type { PanelDesk } from './panelDesk.ts';

/** Keeps pointers and typed keys inside of an element. */
export function shield(element: HTMLElement): void {
  for (const type of ['pointerdown', 'mousedown', 'touchstart', 'wheel', 'dblclick', 'contextmenu'])
    element.addEventListener(type, (event) => {
      event.stopPropagation();
    });
  // Outside of the shadow root nobody sees that a key is typed into a field. Keys that are released are heard: they may have been held.
  element.addEventListener('keydown', (event) => {
    if (takesText(event)) event.stopPropagation();
  });
}

interface WithKeys extends PanelDesk {
  toggle(): void;
}

/** The keys of the page that fold the panel, swap the versions and end an outline. */
export function listenToKeys(
  window: Window,
  panel: WithKeys,
  { key = 'Backquote', swapKey = 'Backslash' }: PanelOptions,
  signal: AbortSignal,
): void {
  const onKey = (event: KeyboardEvent): void => {
    if (event.defaultPrevented || event.repeat || takesText(event)) return;
    if (event.ctrlKey || event.altKey || event.metaKey) return;
    // By what the key says: keyboards have two Enter keys.
    if (panel.ground.outline !== null && (event.key === 'Enter' || event.key === 'Escape'))
      panel.endOutline(event.key === 'Enter');
    if (event.code === key) panel.toggle();
    if (event.code === swapKey) {
      panel.attempt('', () => {
        panel.tuning.swap();
      });
    }
  };
  window.addEventListener('keydown', onKey, { signal });
}

/** Whether the keys of an event are typed into a field. */
export function takesText(event: Event): boolean {
  const [target] = event.composedPath();
  if (!(target instanceof HTMLElement)) return false;
  if (target.isContentEditable || target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement)
    return true;
  return target instanceof HTMLInputElement && !['checkbox', 'range', 'button'].includes(target.type);
}
