/** What `listen` hears, and what it leaves alone, on a page of the test's own. */
import { beforeEach, expect, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import { change, listen, mapPage, ownBrowser, step, touch } from './browser.ts';

const own = ownBrowser();
let page: Page;

/** A map, a text field, one in a shadow tree, a button; every signal is written down in `heard`. */
beforeEach(async () => {
  page = await mapPage(own, { width: 400, height: 300, settings: {}, draws: true });
  await page.evaluate(() => {
    document.body.style.height = '3000px';
    window.map.style.cssText += 'border: 5px solid; background: #0e4a57; position: relative';
    const fields =
      '<input id="field"><input id="box" type="checkbox"><div id="shadow"></div><div id="note" contenteditable>x</div>';
    document.body.insertAdjacentHTML('beforeend', fields);
    document.querySelector('#shadow')?.attachShadow({ mode: 'open' }).append(document.createElement('textarea'));
    /** How many listeners of each type there are; those of a signal go with it. */
    const added = new Map<string, number>();
    Object.assign(window, { added });
    const count = (type: string, by: number): unknown => added.set(type, (added.get(type) ?? 0) + by);
    const add = Reflect.get(EventTarget.prototype, 'addEventListener') as (...rest: unknown[]) => void;
    const remove = Reflect.get(EventTarget.prototype, 'removeEventListener') as (...rest: unknown[]) => void;
    EventTarget.prototype.addEventListener = function (type: string, ...rest: [never, AddEventListenerOptions?]) {
      add.call(this, type, ...rest);
      if (this instanceof AbortSignal) return;
      count(type, 1);
      const end = rest[1]?.signal;
      if (end) add.call(end, 'abort', () => count(type, -1));
    };
    EventTarget.prototype.removeEventListener = function (type: string, ...rest: [never]) {
      remove.call(this, type, ...rest);
      count(type, -1);
    };
    const signal = window.camera.signal.bind(window.camera);
    window.heard = [];
    window.camera.signal = (one) => {
      const used = signal(one);
      if (used)
        window.heard.push(
          one.kind === 'key'
            ? `${one.code} ${one.down ? 'down' : 'up'}`
            : one.kind === 'wheel'
              ? `wheel ${one.x.toFixed(1)} ${one.y.toFixed(1)} ${one.notches.toFixed(2)}`
              : one.kind,
        );
      return used;
    };
  });
  await listen(page);
  await page.waitForFunction(() => window.heard.filter((kind) => kind === 'screen').length >= 2); // the size, asked and then observed
});

/** What has been heard since it was last asked; but for gaps, which a busy machine makes by itself. */
async function heard(): Promise<string[]> {
  const all = await page.evaluate(() => window.heard.splice(0));
  return all.filter((kind) => kind !== 'gap');
}

const scrolled = (): Promise<number> => page.evaluate(() => window.scrollY);

test('the size of the element is heard at once and when it changes; a hidden one keeps the last view', async () => {
  expect(await heard()).toEqual(['screen', 'screen']);
  expect(await page.evaluate(() => [window.camera.view.width, window.camera.view.height])).toEqual([400, 300]);
  await page.evaluate(() => window.map.style.setProperty('width', '250px'));
  await page.waitForFunction(() => window.camera.view.width === 250);
  await page.evaluate(() => window.map.style.setProperty('display', 'none'));
  await page.waitForFunction(() => window.heard.length > 1);
  expect(await page.evaluate(() => window.camera.view.width)).toBe(250);
});

test('keys are heard by code, once however long they repeat, and do not scroll the page', async () => {
  await heard();
  await page.keyboard.down('ArrowDown');
  await page.keyboard.down('ArrowDown'); // the driver marks it as a repeat
  await page.keyboard.up('ArrowDown');
  expect(await heard()).toEqual(['ArrowDown down', 'ArrowDown up']);
  expect(await scrolled()).toBe(0);
  await page.keyboard.press('End'); // no setting names it: it is the page's
  await page.waitForFunction(() => window.scrollY > 0);
  expect(await heard()).toEqual([]);
});

test('text fields keep their keys, in shadow trees and editable elements too; a checkbox does not', async () => {
  await heard();
  await page.click('#field');
  await page.keyboard.type('wasd');
  expect(await page.inputValue('#field')).toBe('wasd');
  await page.click('#shadow textarea');
  await page.keyboard.type('wad');
  await page.click('#note');
  await page.keyboard.type('was');
  expect(await heard()).toEqual([]);
  await page.focus('#box');
  await page.keyboard.press('KeyD');
  expect(await heard()).toEqual(['KeyD down', 'KeyD up']);
});

test('a key that was down before a text field took the keyboard is still let go', async () => {
  await heard();
  await page.keyboard.down('KeyA');
  await page.focus('#field');
  await page.keyboard.up('KeyA');
  expect(await heard()).toEqual(['KeyA down', 'KeyA up']);
});

test('composing and the browser’s own Ctrl, Alt and Meta combinations are left alone; Shift is not one', async () => {
  await heard();
  for (const modifier of ['Control', 'Alt', 'Meta']) {
    await page.keyboard.down(modifier);
    await page.keyboard.press('KeyD');
    await page.keyboard.up(modifier);
  }
  await page.evaluate(() =>
    window.dispatchEvent(new KeyboardEvent('keydown', { code: 'KeyD', isComposing: true, bubbles: true })),
  );
  // Where Control comes before a button it is heard, and claims no other key.
  expect(await heard()).toEqual([]);
  await page.evaluate(() => {
    window.camera.change({ bindings: { orbit: ['Control+MouseMiddle'] } });
    window.camera.advance(performance.now());
  });
  await heard();
  await page.keyboard.press('Control+KeyD');
  expect(await heard()).toEqual(['ControlLeft down', 'ControlLeft up']);
  await page.keyboard.down('Shift');
  await page.keyboard.press('KeyD');
  await page.keyboard.up('Shift');
  expect(await heard()).toEqual(['ShiftLeft down', 'KeyD down', 'KeyD up', 'ShiftLeft up']);
});

test('G9: Meta going up, a hidden page and a page that goes away let go of everything', async () => {
  await heard();
  await page.keyboard.down('KeyD');
  await page.keyboard.down('Meta');
  await page.keyboard.up('Meta');
  expect(await heard()).toEqual(['KeyD down', 'release']);
  await page.keyboard.up('KeyD');
  for (const way of ['visibilitychange', 'pagehide', 'blur']) {
    await page.keyboard.down('KeyW');
    await page.evaluate((type) => {
      Object.defineProperty(document, 'visibilityState', { value: 'hidden', configurable: true });
      (type === 'visibilitychange' ? document : window).dispatchEvent(new Event(type));
    }, way);
    expect(await heard()).toEqual(['KeyW down', 'release']);
    await page.keyboard.up('KeyW');
  }
});

test('a modifier that went up unheard is let go at the next pointer event', async () => {
  await heard();
  await page.evaluate(() => window.dispatchEvent(new KeyboardEvent('keydown', { code: 'ShiftLeft', shiftKey: true })));
  await page.mouse.move(50, 60);
  expect(await heard()).toEqual(['ShiftLeft down', 'ShiftLeft up']);
});

test('the wheel counts notches at the cursor inside the border, and scrolls the page everywhere else', async () => {
  await heard();
  await page.mouse.move(105, 55);
  await page.mouse.wheel(0, 100);
  await page.mouse.wheel(0, -50);
  await page.mouse.wheel(0, 5000);
  expect(await heard()).toEqual(['wheel 100.0 50.0 -1.00', 'wheel 100.0 50.0 0.50', 'wheel 100.0 50.0 -4.00']);
  expect(await scrolled()).toBe(0);
  await page.mouse.move(600, 400);
  await page.mouse.wheel(0, 100);
  await page.waitForFunction(() => window.scrollY > 0);
  expect(await heard()).toEqual([]);
});

interface Turn {
  readonly deltaX?: number;
  readonly deltaY?: number;
  readonly deltaMode?: number;
  readonly shiftKey?: boolean;
  readonly ctrlKey?: boolean;
}

test('lines, pages, Shift turning the wheel sideways, and a trackpad’s pinch are notches too', async () => {
  await heard();
  const turn = (init: Turn): Promise<boolean | undefined> =>
    page.evaluate(
      (one) =>
        window.map.dispatchEvent(
          new WheelEvent('wheel', { bubbles: true, cancelable: true, clientX: 25, clientY: 15, ...one }),
        ),
      init,
    );
  await turn({ deltaY: 3, deltaMode: 1 });
  await turn({ deltaY: -1, deltaMode: 2 });
  await turn({ deltaX: 100, shiftKey: true });
  await turn({ deltaY: -5, ctrlKey: true });
  expect(await turn({ deltaY: 100 })).toBe(false); // taken: the page does not scroll
  expect((await heard()).map((text) => text.replace(/^wheel \S+ \S+ /, ''))).toEqual([
    '-1.00',
    '1.00',
    '-1.00',
    '0.50',
    '-1.00',
  ]);
});

test('on an element that CSS has turned and scaled, the cursor is where it is in the element’s own pixels', async () => {
  await page.evaluate(() => window.map.style.setProperty('transform', 'rotate(20deg) scale(0.8)'));
  await heard();
  const box = await page.locator('#map').boundingBox();
  await page.mouse.move((box?.x ?? 0) + (box?.width ?? 0) / 2, (box?.y ?? 0) + (box?.height ?? 0) / 2);
  await page.mouse.wheel(0, 100);
  const [, x, y] = ((await heard())[0] ?? '').split(' ').map(Number);
  expect(Math.abs((x ?? NaN) - 200)).toBeLessThan(1);
  expect(Math.abs((y ?? NaN) - 150)).toBeLessThan(1);
});

test('detach takes everything away again and lets go of what is held', async () => {
  await heard();
  await page.keyboard.down('KeyD');
  await page.evaluate(() => window.ears.detach());
  expect(await heard()).toEqual(['KeyD down', 'release']);
  await page.keyboard.up('KeyD');
  await page.keyboard.press('KeyW');
  await page.mouse.move(105, 55);
  await page.mouse.wheel(0, 100);
  await page.evaluate(() => window.map.style.setProperty('width', '90px'));
  await page.waitForFunction(() => window.scrollY > 0);
  expect(await heard()).toEqual([]);
  const left = await page.evaluate(() =>
    [...(window as unknown as { added: Map<string, number> }).added].filter(([, count]) => count !== 0),
  );
  expect(left).toEqual([]);
});

test('whole notches stay whole at every page zoom and density: their pixels change, their ticks do not', async () => {
  const counted = await page.evaluate(() => {
    const fire = (deltaY: number, ticks: number, more: WheelEventInit = {}): void => {
      const init = { bubbles: true, cancelable: true, clientX: 205, clientY: 155, deltaY, ...more };
      const event = new WheelEvent('wheel', init);
      Object.defineProperty(event, 'wheelDeltaY', { value: -120 * ticks });
      Object.defineProperty(event, 'wheelDeltaX', { value: event.shiftKey ? -120 * ticks : 0 });
      window.map.dispatchEvent(event);
    };
    window.heard.length = 0;
    // A wheel at 80, 125 and 150 %, two notches at once, and with Shift.
    fire(125, 1);
    fire(80, 1);
    fire(-66.667, -1);
    fire(160, 2);
    fire(0, 1, { deltaX: 80, shiftKey: true });
    // At 200 % and 33 %, where the window says so.
    for (const [density, pixels] of [
      [2, 50],
      [0.333, 300],
    ] as const) {
      Object.defineProperty(window, 'devicePixelRatio', { value: density, configurable: true });
      fire(pixels, 1);
    }
    Reflect.deleteProperty(window, 'devicePixelRatio');
    // A free wheel, a trackpad, a pinch.
    fire(40, 0.5);
    fire(13, 13 / 40);
    fire(10, 1, { ctrlKey: true });
    return window.heard.map((text) => text.replace(/^wheel \S+ \S+ /, ''));
  });
  expect(counted).toEqual(['-1.00', '-1.00', '1.00', '-2.00', '-1.00', '-1.00', '-1.00', '-0.40', '-0.13', '-1.00']);
  // With stops and a page at 125 %, the first notch goes to the next of them.
  const span = await page.evaluate(() => {
    const camera = new zesty.Camera({ start: { span: 200 }, zoom: { stops: [100, 200, 400] } });
    const map = document.createElement('div');
    map.style.cssText = 'position: fixed; left: 0; top: 0; width: 100px; height: 100px';
    document.body.append(map);
    const { detach } = zesty.listen(map, camera);
    camera.signal({ kind: 'screen', width: 100, height: 100 });
    camera.advance(performance.now());
    const event = new WheelEvent('wheel', { bubbles: true, cancelable: true, clientX: 50, clientY: 50, deltaY: 80 });
    Object.defineProperty(event, 'wheelDeltaY', { value: -120 });
    map.dispatchEvent(event);
    camera.advance(performance.now() + 10);
    detach();
    map.remove();
    return camera.goal.span;
  });
  expect(span).toBe(400);
});

test('a page that scrolls keeps the wheel until the map has the focus, or Control is held, as the settings say', async () => {
  const wheelAt = async (): Promise<boolean> => {
    await heard();
    const before = await scrolled();
    await page.mouse.move(200, 150);
    await page.mouse.wheel(0, 100);
    await page.waitForFunction(
      (from) => window.heard.some((one) => one.startsWith('wheel')) || window.scrollY > from,
      before,
    );
    expect((await scrolled()) > before).toBe(
      !(await page.evaluate(() => window.heard.some((one) => one.startsWith('wheel')))),
    );
    const used = (await heard()).some((one) => one.startsWith('wheel'));
    await page.evaluate(() => window.scrollTo(0, 0));
    return used;
  };
  await page.evaluate(() => {
    window.map.tabIndex = 0;
    window.camera.change({ wheel: { requires: 'focus' } });
  });
  expect(await wheelAt()).toBe(false);
  await page.focus('#map');
  expect(await wheelAt()).toBe(true);
  await change(page, { wheel: { requires: 'control' } });
  expect(await wheelAt()).toBe(false);
  await page.keyboard.down('Control');
  await heard();
  await page.mouse.wheel(0, 100);
  await page.waitForFunction(() => window.heard.some((one) => one.startsWith('wheel')));
  await page.keyboard.up('Control');
});

test('a wheel of whole notches is a wheel, one of odd pixels a trackpad', async () => {
  const panned = await page.evaluate(() => {
    const { camera } = window;
    camera.change({ wheel: { action: 'by-device' }, zoom: { halfLife: 0 } });
    camera.advance(performance.now());
    const turn = (init: WheelEventInit): { span: number; x: number; y: number } => {
      window.map.dispatchEvent(
        new WheelEvent('wheel', { bubbles: true, cancelable: true, clientX: 205, clientY: 155, ...init }),
      );
      // The clock of events is coarser than this one: a frame at the same moment may come before them.
      camera.advance(performance.now() + 5);
      const { span, x, y } = camera.shown;
      return { span, x, y };
    };
    return [
      turn({}),
      turn({ deltaY: 3.5 }),
      turn({ deltaX: 8, deltaY: 2.5 }),
      turn({ deltaY: 100 }),
      turn({ deltaY: 3, deltaMode: 1 }),
    ];
  });
  const [start, down, across, whole, lines] = panned;
  expect(down?.span).toBe(start?.span);
  expect(down?.y).toBeGreaterThan(start?.y ?? NaN);
  expect(across?.x).toBeGreaterThan(start?.x ?? NaN);
  expect(whole?.span).toBeGreaterThan(start?.span ?? NaN);
  expect(lines?.span).toBeGreaterThan(whole?.span ?? NaN);
});

test('a finger lifted in an edge band does not scroll, and neither does a pen', async () => {
  await change(page, { edge: { dwell: 0, unit: 'pixels', left: 40 } });
  const client = await page.context().newCDPSession(page);
  for (const x of [200, 100, 20, 8]) await touch(client, x === 200 ? 'touchStart' : 'touchMove', [x, 100]);
  await touch(client, 'touchEnd');
  await page.evaluate(() => {
    const init = { pointerType: 'pen', clientX: 9, clientY: 100, bubbles: true };
    window.map.dispatchEvent(new PointerEvent('pointermove', init));
  });
  const said = await heard();
  expect(said).toEqual(expect.arrayContaining(['press', 'move', 'lift']));
  expect(said).not.toContain('hover');
});

test('G9: a cancelled finger, and a capture that is lost, let go', async () => {
  const client = await page.context().newCDPSession(page);
  await touch(client, 'touchStart', [100, 100]);
  await touch(client, 'touchMove', [150, 100]);
  expect(await step(page)).toBe(1);
  await touch(client, 'touchCancel');
  expect(await step(page)).toBe(0);
  await page.mouse.move(100, 100);
  await page.mouse.down({ button: 'middle' });
  await page.mouse.move(150, 100);
  // The browser captures with the next event.
  await page.mouse.move(151, 100);
  expect(await step(page)).toBe(1);
  await page.evaluate(() => {
    window.map.releasePointerCapture(1);
  });
  await page.mouse.move(160, 100);
  expect(await step(page)).toBe(0);
  await page.mouse.up({ button: 'middle' });
});

test('a page in a frame has the keyboard once it is pressed', async () => {
  await page.evaluate(() => {
    const frame = document.body.appendChild(document.createElement('iframe'));
    Object.assign(frame.style, { position: 'fixed', left: '500px', top: '0', border: '0' });
    const inner = frame.contentDocument;
    const map = inner?.body.appendChild(inner.createElement('div'));
    if (!map) return;
    map.style.height = '100px';
    zesty.listen(map, window.camera);
  });
  await page.focus('#field');
  await heard();
  await page.mouse.move(550, 50);
  await page.mouse.down({ button: 'middle' });
  await page.mouse.up({ button: 'middle' });
  await page.keyboard.press('KeyD');
  expect(await heard()).toEqual(expect.arrayContaining(['press', 'KeyD down', 'KeyD up']));
});

test('in a shadow tree the element is listened to like any other', async () => {
  await page.evaluate(() => {
    const host = document.body.appendChild(document.createElement('div'));
    Object.assign(host.style, { position: 'fixed', left: '500px', top: '0' });
    const map = host.attachShadow({ mode: 'open' }).appendChild(document.createElement('div'));
    Object.assign(map.style, { width: '200px', height: '100px' });
    window.ears.detach();
    zesty.listen(map, window.camera);
  });
  await heard();
  await page.mouse.move(520, 30);
  await page.mouse.wheel(0, 100);
  expect(await heard()).toContain('wheel 20.0 30.0 -1.00');
});
