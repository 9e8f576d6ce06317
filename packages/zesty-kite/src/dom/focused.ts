/** Which keys the focused control of a page needs for itself; those are not the camera's. */

const ARROWS = ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight', 'Home', 'End', 'PageUp', 'PageDown'];
const PRESSES = ['Space', 'Enter', 'NumpadEnter'];

const BOTH = [...ARROWS, ...PRESSES];
/** Lists go to the item that begins with what is typed. */
const TYPED = /^(Key|Digit|Numpad)/;
const LISTS = new Set('SELECT combobox listbox menu menubar tree treegrid treeitem option menuitem'.split(' '));

/** By type, for inputs that take no text. */
const INPUTS = keysBy([
  [PRESSES, 'button checkbox color file image reset submit'],
  [ARROWS, 'range'],
  [BOTH, 'radio'],
]);

/** By element and by ARIA role. */
const KINDS = keysBy([
  [PRESSES, 'A BUTTON SUMMARY button checkbox link switch'],
  [ARROWS, 'slider spinbutton'],
  [
    BOTH,
    'SELECT AUDIO VIDEO combobox grid gridcell listbox menu menubar menuitem option radio radiogroup tab tablist tree treegrid treeitem',
  ],
]);

function keysBy(groups: readonly (readonly [readonly string[], string])[]): ReadonlyMap<string, readonly string[]> {
  return new Map(groups.flatMap(([keys, names]) => names.split(' ').map((name) => [name, keys] as const)));
}

/**
 * Whether a key is for what has the focus, shadow trees included: text fields keep all, lists, sliders, radios and scroll
 * boxes those that go through them, buttons those that press them.
 *
 * @param path from what has the focus outward, as an event has it
 * @param map the element that is listened to: it needs none for itself
 */
export function isForFocused(code: string, path: readonly EventTarget[], map: HTMLElement): boolean {
  for (const node of path) {
    if (node === map) return false;
    // Between a shadow tree and its host.
    if (!('tagName' in node)) {
      if ('host' in node) continue;
      return false;
    }
    const element = node as HTMLElement;
    if (takesText(element) || keysOf(element).includes(code)) return true;
    if (TYPED.test(code) && LISTS.has(element.getAttribute('role') ?? element.tagName)) return true;
  }
  return false;
}

function takesText(element: HTMLElement): boolean {
  if (element.isContentEditable || element.tagName === 'TEXTAREA') return true;
  return element.tagName === 'INPUT' && !INPUTS.has((element as HTMLInputElement).type);
}

function keysOf(element: HTMLElement): readonly string[] {
  if (element.tagName === 'INPUT') return INPUTS.get((element as HTMLInputElement).type) ?? [];
  const keys = KINDS.get(element.getAttribute('role') ?? '') ?? KINDS.get(element.tagName) ?? [];
  return scrolls(element) ? [...keys, ...ARROWS, 'Space'] : keys;
}

/** Whether it is a box of its own that scrolls; the page itself is none. */
function scrolls(element: HTMLElement): boolean {
  const { body, documentElement, defaultView } = element.ownerDocument;
  if (element === body || element === documentElement || defaultView === null) return false;
  if (element.scrollHeight <= element.clientHeight && element.scrollWidth <= element.clientWidth) return false;
  const { overflowX, overflowY } = defaultView.getComputedStyle(element);
  return [overflowX, overflowY].some((overflow) => overflow === 'auto' || overflow === 'scroll');
}
