/** A map in a page that has a life of its own: labels, scrolling, the focus, and drags of the game. */
import { expect, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import type { Settings } from 'zesty-kite';
import type { ListenOptions } from 'zesty-kite/dom';
import { change, frames, lasts, mapPage, ownBrowser, step, touch } from './browser.ts';

const own = ownBrowser();
const seen = (page: Page): Promise<string[]> =>
  page.evaluate(() => (Reflect.get(window, 'seen') as string[]).splice(0));

/** A map with a label on it; clicks and calls of `listen` are written down. */
async function labelledMap(keys: ListenOptions['keys'] = 'page'): Promise<Page> {
  const settings: Settings = {
    start: { x: 0, y: 0, span: 600 },
    drag: { glideHalfLife: 0 },
    bindings: { drag: ['MouseLeft', 'Touch'] },
  };
  const page = await mapPage(own, { width: 600, height: 400, settings });
  await page.evaluate((how) => {
    const { map, camera } = window;
    const seen: string[] = [];
    const screenBox = new zesty.ScreenBox();
    Object.assign(window, { seen });
    map.innerHTML = '<button id="label" style="position: absolute; left: 200px; top: 100px">Amber Quay</button>';
    map.addEventListener('click', ({ target }) => seen.push(`click ${(target as Element).id}`));
    for (const type of ['pointermove', 'pointerup'] as const)
      document.querySelector('#label')?.addEventListener(type, (event) => {
        event.stopPropagation();
      });
    window.ears = zesty.listen(map, camera, {
      keys: how,
      leftToPage: (device) => seen.push(`left ${device}`),
      gameDrag: (drag) => {
        const { phase, input, x, y, modifiers } = drag;
        const { left, top, right, bottom } = drag.set(screenBox);
        seen.push([phase, input, ...modifiers, x, y, ...[left, top, right, bottom].map(Math.round)].join(' '));
      },
    });
  }, keys);
  await step(page);
  return page;
}

test('a label over the map gets its click; a drag or a wheel that begins on it moves the map, and a drag is no click', async () => {
  const page = await labelledMap();
  await page.mouse.click(220, 110);
  expect(await seen(page)).toEqual(['click label']);
  const focus = (): Promise<number[]> =>
    page.evaluate(() => {
      const { x, y, span } = window.camera.advance(performance.now());
      return [x, y, span];
    });
  const before = await focus();
  await page.mouse.move(220, 110);
  await page.mouse.down();
  // Out of the map in one event, and on: the pointer was not captured at the press.
  await page.mouse.move(650, 450);
  await page.mouse.move(320, 180);
  expect(await step(page)).toBe(1);
  await page.mouse.up();
  await frames(page);
  const after = await focus();
  expect(after[0]).toBeLessThan((before[0] ?? 0) - 50);
  expect(await seen(page)).toEqual([]);
  await page.mouse.move(220, 110);
  await page.mouse.wheel(0, -300);
  await frames(page);
  await step(page);
  await frames(page);
  expect((await focus())[2]).toBeLessThan(after[2] ?? 0);
  // A finger's tap is a click on the label, too; its drag moves the map.
  const client = await page.context().newCDPSession(page);
  await client.send('Emulation.setTouchEmulationEnabled', { enabled: true, maxTouchPoints: 2 });
  await touch(client, 'touchStart', [220, 110]);
  await touch(client, 'touchEnd');
  await frames(page);
  expect(await seen(page)).toEqual(['click label']);
  await touch(client, 'touchStart', [220, 110]);
  for (const y of [130, 160, 200]) await touch(client, 'touchMove', [220, y]);
  await frames(page);
  expect(await step(page)).toBe(1);
  await touch(client, 'touchEnd');
  await frames(page);
  expect(await step(page)).toBe(0);
  expect(await seen(page)).toEqual([]);
});

test('fingers are the page’s until they are bound; where two are needed, one scrolls the page and a hint is asked for', async () => {
  const page = await labelledMap();
  const action = (): Promise<string> => page.evaluate(() => window.map.style.touchAction);
  expect(await action()).toBe('none');
  await change(page, { bindings: { drag: ['MouseLeft'] } });
  await step(page);
  expect(await action()).toBe('');
  await change(page, { bindings: { drag: ['Touch'] }, drag: { touchRequires: 'two-fingers' } });
  await step(page);
  expect(await action()).toBe('pan-x pan-y');
  await page.evaluate(() => document.body.insertAdjacentHTML('beforeend', '<div style="height: 3000px"></div>'));
  const client = await page.context().newCDPSession(page);
  await client.send('Emulation.setTouchEmulationEnabled', { enabled: true, maxTouchPoints: 2 });
  const there = (): Promise<number[]> =>
    page.evaluate(() => {
      const { x, y } = window.camera.advance(performance.now());
      return [scrollY, x, y].map(Math.round);
    });
  const drag = async (...xs: readonly number[]): Promise<number[]> => {
    const at = (y: number): [number, number][] => xs.map((x) => [x, y]);
    await touch(client, 'touchStart', ...at(300));
    for (let y = 280; y >= 120; y -= 20) {
      await touch(client, 'touchMove', ...at(y));
      await frames(page, 1);
    }
    // A pause: nothing is flung.
    await lasts(page, 150);
    await touch(client, 'touchEnd');
    await frames(page);
    return there();
  };
  const [scrolled = 0, ...focus] = await drag(400);
  expect(scrolled).toBeGreaterThan(50);
  expect(focus).toEqual([0, 0]);
  expect(await seen(page)).toEqual(['left finger']);
  await page.evaluate(() => {
    scrollTo(0, 0);
  });
  const [still, x, y = 0] = await drag(300, 400);
  expect([still, x]).toEqual([0, 0]);
  expect(y).toBeGreaterThan(100);
  expect(await seen(page)).toEqual([]);
  // The wheel's hint is asked for in the same way.
  await change(page, { wheel: { requires: 'control' } });
  await page.mouse.move(400, 300);
  await page.mouse.wheel(0, 100);
  await page.waitForFunction(() => (Reflect.get(window, 'seen') as string[]).length > 0);
  expect(await seen(page)).toEqual(['left wheel']);
  await page.evaluate(() => {
    window.ears.detach();
  });
  expect(await action()).toBe('');
});

test('with keys that need the focus, Tab reaches the map and shows a ring; a press focuses it without one', async () => {
  const page = await labelledMap('focus');
  const state = (): Promise<unknown> =>
    page.evaluate(() => {
      const { outlineStyle } = getComputedStyle(window.map);
      return [document.activeElement === window.map, outlineStyle === 'none'];
    });
  await page.keyboard.press('Tab');
  expect(await state()).toEqual([true, false]);
  await page.mouse.click(50, 50);
  expect(await state()).toEqual([true, true]);
  await page.keyboard.press('Tab');
  expect(await page.evaluate(() => document.activeElement?.id)).toBe('label');
  await page.keyboard.press('Shift+Tab');
  expect(await state()).toEqual([true, false]);
  await page.evaluate(() => {
    window.ears.detach();
    window.map.blur();
  });
  expect(await page.evaluate(() => [window.map.hasAttribute('tabindex'), window.map.style.outline])).toEqual([
    false,
    '',
  ]);
});

test('a drag of the game: its first corner stays on the ground while the map moves, over panels too; Escape ends it', async () => {
  const page = await labelledMap();
  await change(page, { bindings: { drag: ['MouseRight'] } });
  await page.evaluate(() => {
    const panel = '<div id="panel" style="position: fixed; left: 300px; top: 0; width: 200px; height: 400px"></div>';
    document.body.insertAdjacentHTML('beforeend', panel);
  });
  await step(page);
  await page.mouse.move(100, 100);
  await page.keyboard.down('Shift');
  await page.mouse.down();
  await page.mouse.move(102, 102);
  expect(await seen(page)).toEqual([]);
  await page.mouse.move(150, 160);
  expect(await seen(page)).toEqual([
    'begin MouseLeft Shift 150 160 100 100 150 160',
    'change MouseLeft Shift 150 160 100 100 150 160',
  ]);
  await page.keyboard.up('Shift');
  await page.mouse.move(400, 200);
  expect(await seen(page)).toEqual(['change MouseLeft 400 200 100 100 400 200']);
  // 60 world units to the right are 40 pixels to the left.
  await page.evaluate(() => {
    window.camera.place({ x: 60 });
  });
  await step(page);
  expect(await seen(page)).toEqual(['change MouseLeft 400 200 60 100 400 200']);
  expect(await page.evaluate(() => [window.ears.gameDrag?.fromX, window.ears.gameDrag?.fromGround?.x])).toEqual([
    60, -300,
  ]);
  await page.mouse.up();
  await frames(page);
  expect(await seen(page)).toEqual(['end MouseLeft 400 200 60 100 400 200']);
  await page.mouse.move(100, 100);
  await page.mouse.down();
  await page.mouse.move(150, 160);
  await page.keyboard.press('Escape');
  await page.mouse.move(180, 160);
  await page.mouse.up();
  const events = await seen(page);
  expect(events.map((event) => event.split(' ')[0])).toEqual(['begin', 'change', 'cancel']);
  expect(await page.evaluate(() => window.ears.gameDrag)).toBeNull();
});

test('the mouse turns without a button if it is bound, and Shift makes a wheel faster that browsers then turn sideways', async () => {
  const settings: Settings = {
    start: { x: 0, y: 0, span: 600 },
    zoom: { halfLife: 0, minSpan: 1 },
    bindings: { dragTurn: ['Alt+MouseMotion'] },
  };
  const page = await mapPage(own, { width: 600, height: 400, settings });
  await page.evaluate(() => void zesty.listen(window.map, window.camera));
  await step(page);
  const shown = async (): Promise<{ heading: number; span: number; y: number }> => {
    await frames(page);
    await step(page);
    return page.evaluate(() => ({ ...window.camera.shown }));
  };
  await page.mouse.move(100, 100);
  await page.mouse.move(200, 100);
  expect((await shown()).heading).toBe(0);
  await page.keyboard.down('Alt');
  await page.mouse.move(300, 150);
  expect((await shown()).heading).toBeCloseTo(45); // a quarter of the height, 180 degrees a height
  await page.keyboard.up('Alt');
  await page.keyboard.down('Shift');
  await page.mouse.wheel(100, 0);
  await frames(page);
  expect((await shown()).span).toBeCloseTo(600 * 1.1 ** 2);
  await change(page, { wheel: { action: 'pan' }, turn: { min: 0, max: 0 } });
  const { y } = await shown();
  await page.mouse.wheel(100, 0);
  await frames(page);
  expect((await shown()).y - y).toBeCloseTo((2 * 100 * 600 * 1.1 ** 2) / 400);
  await page.keyboard.up('Shift');
});

test('a locked pointer presses, clicks and hovers what lies under the drawn cursor, and nothing of that reaches the map', async () => {
  const page = await labelledMap();
  await change(page, { bindings: { drag: ['MouseLeft'] } });
  await page.evaluate(() => {
    const seen = Reflect.get(window, 'seen') as string[];
    window.ears.detach();
    const panel = '<div id="panel" style="position: fixed; left: 300px; top: 0; width: 200px; height: 400px"></div>';
    document.body.insertAdjacentHTML('beforeend', panel);
    const host = document.querySelector('#panel') ?? document.body;
    host.attachShadow({ mode: 'open' }).innerHTML = '<button id="go" style="margin: 100px 20px">Set sail</button>';
    const button = host.shadowRoot?.querySelector('button');
    for (const type of ['pointerenter', 'mouseenter', 'pointerleave', 'mouseleave', 'mousedown', 'click', 'focus'])
      button?.addEventListener(type, () => seen.push(type));
    window.ears = zesty.listen(window.map, window.camera, {
      panels: '#panel',
      drawCursor: true,
      tap: ({ input }) => seen.push(`tap ${input}`),
    });
  });
  await page.mouse.move(100, 200);
  await page.evaluate(async () => {
    await window.map.requestPointerLock();
  });
  const at = (): Promise<unknown> => page.evaluate(() => window.ears.cursor);
  const first = (await at()) as { x: number; y: number };
  // The locked pointer moves by what the mouse moves.
  const go = async (x: number, y: number): Promise<void> => {
    const mouse = { x: first.x + 20, y: first.y + 20 };
    await page.mouse.move(mouse.x, mouse.y);
    const then = (await at()) as { x: number; y: number };
    await page.mouse.move(mouse.x + x - then.x, mouse.y + y - then.y);
  };
  await go(340, 110);
  expect(await at()).toEqual({ x: 340, y: 110 });
  expect(await seen(page)).toEqual(['pointerenter', 'mouseenter']);
  const arrow = await page.evaluate(() => {
    const { left = NaN, top = NaN } = document.querySelector('[data-cursor]')?.getBoundingClientRect() ?? {};
    return [left, top];
  });
  expect(arrow).toEqual([340, 110]);
  await page.mouse.down();
  await page.mouse.up();
  await frames(page);
  expect(await seen(page)).toEqual(['mousedown', 'focus', 'click']);
  expect(await step(page)).toBe(0);
  // A label of the map gets its click, and the camera the drag that begins on it.
  await go(215, 110);
  expect(await seen(page)).toEqual(['pointerleave', 'mouseleave']);
  await page.mouse.down();
  await page.mouse.up();
  await frames(page);
  expect(await seen(page)).toEqual(['tap MouseLeft', 'click label']);
  await page.mouse.down();
  await go(260, 160);
  expect(await step(page)).toBe(1);
  await page.mouse.up();
  await frames(page);
  expect(await seen(page)).toEqual([]);
  await page.evaluate(() => {
    document.exitPointerLock();
  });
  await page.waitForFunction(() => document.querySelector('[data-cursor]') === null);
});
