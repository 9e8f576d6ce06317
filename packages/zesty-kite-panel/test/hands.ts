/** Mouse and keyboard of a stranger in a browser, with the panel found as a person finds it: by its labels. */
import { chromium as driver, type Page as ChromiumPage } from 'playwright-core';
import puppeteer, { type Browser as Firefox, type Page as FirefoxPage } from 'puppeteer-core';
import { chromiumOptions } from '../../../examples/test/chromium.mjs';

type Button = 'left' | 'middle' | 'right';

export interface Hands {
  evaluate<T>(script: string): Promise<T>;
  move(x: number, y: number): Promise<void>;
  button(down: boolean, button?: Button): Promise<void>;
  wheel(down: number): Promise<void>;
  press(key: string): Promise<void>;
  key(key: string, down: boolean): Promise<void>;
  type(text: string): Promise<void>;
  shot(path: string): Promise<void>;
  close(): Promise<void>;
}

/** The element with a label or a text, scrolled into sight: its place and size. */
const FIND = (label: string): string => `(() => {
  const root = document.querySelector('zesty-kite-panel').shadowRoot;
  const textOf = (one) => (one.getAttribute('aria-label') ?? one.textContent).replace(/\\s+/g, ' ').trim();
  // A section says beside its name what has changed in it.
  const nameOf = (one) => (one.tagName === 'SUMMARY' ? textOf(one).split(' ')[0] : textOf(one));
  const all = [...root.querySelectorAll('button, input, select, summary, svg')];
  const found = all.find((one) => nameOf(one) === ${JSON.stringify(label)});
  if (found === undefined) throw new Error('There is no ' + ${JSON.stringify(label)} + ' in ' + all.map(nameOf).join(' | '));
  found.scrollIntoView({ block: 'nearest' });
  const { x, y, width, height } = found.getBoundingClientRect();
  return { x, y, width, height };
})()`;

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export function find(hands: Hands, label: string): Promise<Box> {
  return hands.evaluate(FIND(label));
}

/** Clicks in the middle of what has a label. */
export async function click(hands: Hands, label: string): Promise<void> {
  let box = await find(hands, label);
  // Warnings that come meanwhile move what is below them.
  for (let before: Box | null = null; before?.y !== box.y; ) {
    before = box;
    await hands.move(box.x + box.width / 2, box.y + box.height / 2);
    box = await find(hands, label);
  }
  await hands.button(true);
  await hands.button(false);
  await frames(hands);
}

/** Presses at a share of the width of a slider, and releases at another. */
export async function slide(hands: Hands, label: string, from: number, to: number): Promise<void> {
  const { x, y, width, height } = await find(hands, label);
  // The thumb is 16 pixels wide.
  const at = (share: number): number => x + 8 + share * (width - 16);
  await hands.move(at(from), y + height / 2);
  await hands.button(true);
  for (const part of [0.25, 0.5, 0.75, 1]) await hands.move(at(from + (to - from) * part), y + height / 2);
  await hands.button(false);
  await frames(hands);
}

/** Gives the focus to what has a label, as Tab does. */
export async function focus(hands: Hands, label: string): Promise<void> {
  await hands.evaluate(`(${FIND(label).replace('return { x, y, width, height };', 'found.focus();')}, true)`);
}

/** Writes a number or a text in place of what a field has. */
export async function fill(hands: Hands, label: string, text: string): Promise<void> {
  await focus(hands, label);
  await hands.evaluate(`document.querySelector('zesty-kite-panel').shadowRoot.activeElement.select()`);
  await hands.type(text);
  await hands.press('Enter');
  await frames(hands);
}

/** Chooses in a list by the letters of the choice. */
export async function choose(hands: Hands, label: string, letters: string): Promise<void> {
  await focus(hands, label);
  await hands.type(letters);
  await frames(hands);
}

/** Until what was changed is drawn. */
export function frames(hands: Hands): Promise<unknown> {
  return hands.evaluate('new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => done(1))))');
}

/** Waits for a fact, however slow the machine is. */
export async function until(hands: Hands, fact: string): Promise<void> {
  for (let i = 0; i < 400; i += 1) {
    if (await hands.evaluate<boolean>(`Boolean(${fact})`)) return;
    await new Promise((done) => setTimeout(done, 25));
  }
  throw new Error(`waited in vain for ${fact}`);
}

/** Does something with a browser, and closes it whatever comes. */
export async function using(opened: Promise<Hands>, act: (hands: Hands) => Promise<void>): Promise<void> {
  const hands = await opened;
  try {
    await act(hands);
  } finally {
    await hands.close();
  }
}

const SIZE = { width: 1280, height: 800 };

export async function chromium(address: string, said: string[], size = SIZE): Promise<Hands> {
  const browser = await driver.launch(chromiumOptions());
  const page = await browser.newPage({ viewport: size });
  page.on('pageerror', ({ message }) => said.push(message));
  await page.goto(address);
  return handsOf(
    page,
    (down) => page.mouse.wheel(0, down),
    () => browser.close(),
  );
}

export async function firefox(address: string, said: string[]): Promise<Hands> {
  const executablePath = process.env['ZESTY_KITE_FIREFOX'];
  if (executablePath === undefined)
    throw new Error('ZESTY_KITE_FIREFOX: expected the path of Firefox, as `npm test` sets it');
  const browser: Firefox = await puppeteer.launch({ browser: 'firefox', executablePath, headless: true });
  const page = await browser.newPage();
  await page.setViewport(SIZE);
  page.on('pageerror', (error) => said.push(String(error)));
  await page.goto(address);
  return handsOf(
    page,
    (down) => page.mouse.wheel({ deltaY: down }),
    () => browser.close(),
  );
}

function handsOf(
  page: ChromiumPage | FirefoxPage,
  wheel: (down: number) => Promise<void>,
  close: () => Promise<void>,
): Hands {
  const { mouse, keyboard } = page as ChromiumPage;
  return {
    evaluate: (script) => (page as ChromiumPage).evaluate(script),
    move: (x, y) => mouse.move(x, y),
    button: (down, button = 'left') => (down ? mouse.down({ button }) : mouse.up({ button })),
    wheel,
    press: (key) => keyboard.press(key),
    key: (key, down) => (down ? keyboard.down(key) : keyboard.up(key)),
    type: (text) => keyboard.type(text),
    shot: async (path) => {
      await (page as ChromiumPage).screenshot({ path });
    },
    close,
  };
}
