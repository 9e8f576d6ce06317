/** Which keys the focused control of a page needs for itself; those are not the camera's. */

const ARROWS = ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight', 'Home', 'End', 'PageUp', 'PageDown'];
const PRESSES = ['Space', 'Enter', 'NumpadEnter'];

/** Types of inputs that take no text, and what they take instead. */
const INPUTS: Readonly<Record<string, readonly string[]>> = {
  button: PRESSES,
  checkbox: PRESSES,
  color: PRESSES,
  file: PRESSES,
  image: PRESSES,
  reset: PRESSES,
  submit: PRESSES,
  radio: [...ARROWS, ...PRESSES],
  range: ARROWS,
};

/** The same by element and by ARIA role. */
const KINDS: Readonly<Record<string, readonly string[]>> = {
  A: PRESSES,
  BUTTON: PRESSES,
  SUMMARY: PRESSES,
  SELECT: [...ARROWS, ...PRESSES],
  AUDIO: [...ARROWS, ...PRESSES],
  VIDEO: [...ARROWS, ...PRESSES],
  button: PRESSES,
  checkbox: PRESSES,
  link: PRESSES,
  switch: PRESSES,
  grid: [...ARROWS, ...PRESSES],
  gridcell: [...ARROWS, ...PRESSES],
  listbox: [...ARROWS, ...PRESSES],
  menu: [...ARROWS, ...PRESSES],
  menuitem: [...ARROWS, ...PRESSES],
  option: [...ARROWS, ...PRESSES],
  radio: [...ARROWS, ...PRESSES],
  slider: ARROWS,
  spinbutton: ARROWS,
  tab: [...ARROWS, ...PRESSES],
  treeitem: [...ARROWS, ...PRESSES],
};

/**
 * Whether a key is for what has the focus, shadow trees included: text fields keep all, lists, sliders, radios and scroll
 * boxes those that go through them, buttons those that press them.
 *
 * @param map the element that is listened to: it needs none for itself
 */
export function isForFocused(event: KeyboardEvent, map: HTMLElement): boolean {
  for (const node of event.composedPath()) {
    if (node === map || !('tagName' in node)) return false;
    const element = node as HTMLElement;
    if (takesText(element) || keysOf(element).includes(event.code)) return true;
  }
  return false;
}

function takesText(element: HTMLElement): boolean {
  if (element.isContentEditable || element.tagName === 'TEXTAREA') return true;
  return element.tagName === 'INPUT' && !((element as HTMLInputElement).type in INPUTS);
}

function keysOf(element: HTMLElement): readonly string[] {
  if (element.tagName === 'INPUT') return INPUTS[(element as HTMLInputElement).type] ?? [];
  const keys = KINDS[element.getAttribute('role') ?? ''] ?? KINDS[element.tagName] ?? [];
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
