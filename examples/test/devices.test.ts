/** Devices that are rarer than a mouse, and places that are odder than a whole page. */
import { readFileSync } from 'node:fs';
import { beforeEach, expect, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import { change, libraryScript, listen, mapPage, ownBrowser, step } from './browser.ts';

const own = ownBrowser();
let page: Page;

/** A map of 800 × 600 with nothing listened to yet; frames are drawn by the test. Pads are a stub's: `pads` is what it reports. */
beforeEach(async () => {
  page = await mapPage(own, { width: 800, height: 600, settings: { start: { x: 0, y: 0, span: 600 } } });
  await page.evaluate(() => {
    const pads: unknown[] = [];
    navigator.getGamepads = () => pads as Gamepad[];
    const heard: string[] = [];
    const spy = (camera: typeof window.camera): typeof window.camera => {
      const signal = camera.signal.bind(camera);
      camera.signal = (one) => {
        const used = signal(one);
        if (used) heard.push(JSON.stringify(one));
        return used;
      };
      return camera;
    };
    spy(window.camera);
    Object.assign(window, { pads, spy, heard });
  });
});

interface Heard {
  readonly kind: string;
  readonly [name: string]: unknown;
}
const heard = async (): Promise<Heard[]> =>
  (await page.evaluate(() => window.heard.splice(0))).map((one) => JSON.parse(one) as Heard);

/** What settings change, they change with the next frame. */
const draw = (): Promise<number> => step(page);

const frames = (count = 2): Promise<void> =>
  page.evaluate(async (max) => {
    for (let i = 0; i < max; i++) await new Promise((done) => requestAnimationFrame(done));
  }, count);

test('pads: what a stick says is heard in the next frame, noise and strange pads are not, one that goes lets go', async () => {
  await listen(page, { pads: [0, 2] });
  await page.evaluate(() => {
    const buttons = [{ value: 0, pressed: false }];
    const pad = (index: number, mapping: string, x: number): unknown => {
      return { index, mapping, connected: true, axes: [x, 0, 0, 0], buttons };
    };
    window.pads.push(pad(0, 'standard', 0.05), pad(1, 'standard', 1), pad(2, '', 1));
    window.dispatchEvent(new Event('gamepadconnected'));
    Object.assign(window, { pad });
  });
  await frames(3);
  expect((await heard()).filter(({ kind }) => kind === 'pad')).toEqual([]);
  const steered = await page.evaluate(() => {
    const make = Reflect.get(window, 'pad') as (index: number, mapping: string, x: number) => unknown;
    window.pads[0] = make(0, 'standard', 1);
    const now = performance.now();
    window.camera.advance(now);
    for (let i = 1; i < 60; i++) window.camera.advance(now + i * 16.7);
    return window.camera.view.x;
  });
  expect(steered).toBeGreaterThan(300);
  // Hidden pages get what was cached: as good as gone.
  await page.evaluate(() => {
    Object.defineProperty(document, 'visibilityState', { value: 'hidden', configurable: true });
    document.dispatchEvent(new Event('visibilitychange'));
  });
  const last = (await heard()).filter(({ kind }) => kind === 'pad').at(-1);
  expect(last).toMatchObject({ id: 0, axes: [], buttons: [] });
  // A page that may not ask has none, and is told nothing.
  await page.evaluate(() => {
    Object.defineProperty(document, 'visibilityState', { value: 'visible', configurable: true });
    navigator.getGamepads = () => {
      throw new DOMException('no', 'SecurityError');
    };
    window.dispatchEvent(new Event('gamepadconnected'));
  });
  await frames();
  expect(await heard()).toEqual([]);
});

test('a locked pointer moves a cursor that stays on the map, scrolls at its edges and presses; losing it lets go', async () => {
  await page.evaluate(() => {
    window.camera.change({ edge: { dwell: 0 }, bindings: { drag: ['MouseLeft'] } });
    window.map.addEventListener('click', () => void window.map.requestPointerLock(), { once: true });
  });
  await listen(page);
  await draw();
  await page.mouse.move(300, 200);
  await page.mouse.click(300, 200);
  await page.waitForFunction(() => document.pointerLockElement !== null);
  const cursor = (): Promise<{ x: number; y: number } | null> => page.evaluate(() => window.ears.cursor);
  expect(await cursor()).toEqual({ x: 300, y: 200 });
  await heard();
  // Locked, a mouse says how far it went, and not where it is.
  const move = (movementX: number, movementY: number): Promise<void> =>
    page.evaluate(
      (way) => {
        const init = { pointerId: 1, pointerType: 'mouse', clientX: 300, clientY: 200, buttons: 0, button: -1 };
        window.map.dispatchEvent(new PointerEvent('pointermove', { ...init, ...way, bubbles: true }));
      },
      { movementX, movementY },
    );
  await move(60, -20);
  expect(await cursor()).toEqual({ x: 360, y: 180 });
  await page.mouse.down();
  expect((await heard()).find(({ kind }) => kind === 'press')).toMatchObject({ x: 360, y: 180 });
  await page.mouse.up();
  await move(5000, 0);
  expect(await cursor()).toEqual({ x: 800, y: 180 });
  expect((await heard()).filter(({ kind }) => kind === 'hover')).toMatchObject([{ x: 800, y: 180 }]);
  await page.evaluate(() => document.exitPointerLock());
  await page.waitForFunction(() => document.pointerLockElement === null);
  await frames();
  expect((await heard()).map(({ kind }) => kind)).toContain('release');
  expect(await cursor()).toBeNull();
});

test('stand-in fingers: with a modifier the mouse is two fingers, which pinch, twist and, with Shift, drag', async () => {
  const settings = { pitch: { degrees: 60, halfLife: 0 }, drag: { glideHalfLife: 0 }, twoFingers: { turn: true } };
  await change(page, settings);
  await listen(page, { pinchKey: 'Alt' });
  await page.evaluate(() => {
    Object.assign(window, { types: [] });
    for (const type of ['pointerdown', 'pointermove', 'mousedown'] as const)
      window.map.addEventListener(type, (event) => {
        const pointerType = event instanceof PointerEvent ? event.pointerType : 'none';
        (Reflect.get(window, 'types') as string[]).push(`${type} ${pointerType}`);
      });
  });
  // The first finger takes the focus from what has it.
  await page.evaluate(() => {
    document.body.appendChild(document.createElement('button')).focus({ preventScroll: true });
  });
  await page.mouse.move(400, 300);
  await page.keyboard.down('Alt');
  await page.mouse.move(500, 300);
  expect(await page.evaluate(() => window.ears.fingers)).toEqual([
    { x: 500, y: 300 },
    { x: 300, y: 300 },
  ]);
  await page.evaluate(() => (Reflect.get(window, 'types') as string[]).splice(0));
  await page.mouse.down();
  await page.mouse.move(560, 360, { steps: 8 });
  // What they first touched comes back under them.
  await page.waitForFunction(() => {
    window.camera.advance(performance.now());
    return window.camera.settled;
  });
  const held = await page.evaluate(() => {
    const view = window.camera.advance(performance.now());
    const { span, heading } = view;
    const off = window.camera.grips.map(({ x, y, height, screenX, screenY }) => {
      const at = view.toScreen(x, y, height);
      return Math.hypot(at.x - screenX, at.y - screenY);
    });
    return { span, heading, off, at: window.camera.grips.map(({ screenX, screenY }) => [screenX, screenY]) };
  });
  expect(held.at).toEqual([
    [560, 360],
    [240, 240],
  ]);
  expect(Math.max(...held.off)).toBeLessThan(1e-3);
  expect(held.span).toBeLessThan(450);
  expect(Math.abs(held.heading)).toBeGreaterThan(10);
  const types = await page.evaluate(() => Reflect.get(window, 'types') as string[]);
  expect(new Set(types)).toEqual(new Set(['pointerdown touch', 'pointermove touch']));
  await page.keyboard.down('Shift');
  await page.mouse.move(600, 380);
  const dragged = await page.evaluate(() => {
    const { span } = window.camera.advance(performance.now());
    return { span, at: window.camera.grips.map(({ screenX, screenY }) => [screenX, screenY]) };
  });
  expect(dragged.at).toEqual([
    [600, 380],
    [280, 260],
  ]);
  expect(dragged.span).toBeCloseTo(held.span, 3);
  await page.keyboard.up('Shift');
  await page.keyboard.up('Alt');
  await page.mouse.up();
  expect(await step(page)).toBe(0);
});

test('two cameras side by side on one element: each has its pointers, its wheel, its edges and its pads', async () => {
  await page.evaluate(() => {
    const { map, spy, camera } = window;
    window.other = spy(new zesty.Camera({ start: { x: 0, y: 0, span: 300 } }));
    const left = zesty.listen(map, camera, {
      region: (width, height) => ({ left: 0, top: 0, width: width / 2, height }),
    });
    const right = zesty.listen(map, window.other, {
      region: (width, height) => ({ left: width / 2, top: 0, width: width / 2, height }),
    });
    window.detach = () => {
      left.detach();
      right.detach();
    };
  });
  const spans = (): Promise<number[]> =>
    page.evaluate(() => [window.camera, window.other].map((camera) => camera.advance(performance.now()).span));
  await spans();
  expect(await page.evaluate(() => [window.camera.view.width, window.other.view.width])).toEqual([400, 400]);
  await page.mouse.move(600, 300);
  await page.mouse.wheel(0, 300);
  await page.waitForFunction(() => window.other.advance(performance.now()).span > 320);
  const [first, second] = await spans();
  expect(first).toBe(600);
  expect(second).toBeGreaterThan(320);
  // Pressed in the left one, it stays the left one's, wherever it goes.
  await page.mouse.move(300, 300);
  await page.mouse.down({ button: 'middle' });
  await page.mouse.move(700, 300);
  const held = await page.evaluate(() =>
    [window.camera, window.other].map((camera) => {
      camera.advance(performance.now());
      return camera.grips.map(({ screenX }) => screenX);
    }),
  );
  expect(held[0]).toEqual([700]);
  expect(held[1]).not.toContain(300);
  await page.mouse.up({ button: 'middle' });
  const style = await page.evaluate(() => {
    const before = window.map.style.touchAction;
    window.detach();
    return [before, window.map.style.touchAction];
  });
  expect(style).toEqual(['none', '']);
});

test('of two cameras on a page, the one pressed, hovered or focused last has the keys, and a held one stays; or each has its own', async () => {
  const spansOf = (keys: 'page' | 'own' | 'focus'): Promise<void> =>
    page.evaluate((some) => {
      const { map, spy, camera } = window;
      const second = document.createElement('div');
      second.id = 'second';
      second.tabIndex = 0;
      second.style.cssText = 'position: fixed; left: 600px; top: 0; width: 150px; height: 200px';
      document.body.append(second);
      window.other = spy(
        new zesty.Camera({ start: { x: 0, y: 0, span: 300 }, pan: { startHalfLife: 0, stopHalfLife: 0 } }),
      );
      const ears = [zesty.listen(map, camera, { keys: some }), zesty.listen(second, window.other, { keys: some })];
      window.detach = () => {
        for (const { detach } of ears) detach();
        second.remove();
      };
      for (const one of [camera, window.other]) one.advance(performance.now());
    }, keys);
  /** Which of them a key moves. */
  const moved = (): Promise<boolean[]> =>
    page.evaluate(() =>
      [window.camera, window.other].map((camera) => {
        camera.advance(performance.now());
        return !camera.settled;
      }),
    );
  const rest = (): Promise<unknown> =>
    page.waitForFunction(() =>
      [window.camera, window.other].every((camera) => (camera.advance(performance.now()), camera.settled)),
    );
  const tried = async (): Promise<boolean[]> => {
    await frames();
    await rest();
    await page.keyboard.down('KeyD');
    // Whoever has heard it moves in the next frames.
    await page.waitForFunction(() =>
      [window.camera, window.other].some((camera) => (camera.advance(performance.now()), !camera.settled)),
    );
    await frames();
    const result = await moved();
    await page.keyboard.up('KeyD');
    await rest();
    return result;
  };
  await change(page, { pan: { startHalfLife: 0, stopHalfLife: 0 } });
  await spansOf('page');
  expect(await tried()).toEqual([true, false]);
  await page.mouse.move(650, 100);
  expect(await tried()).toEqual([false, true]);
  await page.mouse.move(200, 300);
  expect(await tried()).toEqual([true, false]);
  await page.focus('#second');
  expect(await tried()).toEqual([false, true]);
  // A held key stays with its camera, and is let go there.
  await page.keyboard.down('KeyD');
  await page.mouse.move(210, 300);
  await frames();
  expect(await moved()).toEqual([false, true]);
  await page.keyboard.up('KeyD');
  await rest();
  // One that is out of reach keeps the keys from nobody.
  await page.mouse.move(650, 100);
  await page.evaluate(() => document.querySelector<HTMLElement>('#second')?.style.setProperty('left', '-500px'));
  expect(await tried()).toEqual([true, false]);
  await page.evaluate(() => window.detach());
  await spansOf('own');
  expect(await tried()).toEqual([true, true]);
  await page.evaluate(() => window.detach());
  const refused = page.evaluate(() => void zesty.listen(window.map, window.camera, { keys: 'all' as 'own' }));
  await expect(refused).rejects.toThrow('listen.keys: expected one of "page", "own", "focus", got "all"');
});

test('the next input: a key, a chord, a button with a key, the wheel, a pad; nobody else hears it; and what it is called', async () => {
  await page.evaluate(() => {
    zesty.listen(window.map, window.camera);
    window.addEventListener('keydown', () => window.heard.push('{"kind":"page"}'));
  });
  await frames();
  await heard();
  const next = async (act: () => Promise<void>): Promise<string | null> => {
    await page.evaluate(() => {
      // Not what is waited for: a promise that is assigned would be.
      Object.assign(window, { next: { input: zesty.nextInput(window) } });
    });
    await act();
    const input = await page.evaluate(() => (Reflect.get(window, 'next') as { input: Promise<string | null> }).input);
    await frames();
    return input;
  };
  expect(await next(() => page.keyboard.press('KeyW'))).toBe('KeyW');
  expect(
    await next(async () => {
      await page.keyboard.down('ControlLeft');
      await page.keyboard.press('KeyG');
      await page.keyboard.up('ControlLeft');
    }),
  ).toBe('ControlLeft+KeyG');
  await page.mouse.move(300, 300);
  expect(
    await next(async () => {
      await page.keyboard.down('Space');
      await page.mouse.click(300, 300, { button: 'middle' });
      await page.keyboard.up('Space');
    }),
  ).toBe('Space+MouseMiddle');
  expect(await next(() => page.mouse.wheel(0, -100))).toBe('WheelUp');
  expect(await next(() => page.keyboard.press('Escape'))).toBeNull();
  const byPad = await next(() =>
    page.evaluate(() => {
      const buttons = Array.from({ length: 17 }, (_, i) => ({ value: i === 5 ? 1 : 0 }));
      window.pads[0] = { index: 0, mapping: 'standard', axes: [0, 0, 0, 0], buttons };
    }),
  );
  expect(byPad).toBe('PadRightShoulder');
  expect((await heard()).filter(({ kind }) => !['pad', 'screen'].includes(kind))).toEqual([]);
  const labels = await page.evaluate(async () => {
    const map = new Map([['KeyW', 'z']]);
    const french = { keyboard: { getLayoutMap: () => Promise.resolve(map) } } as unknown as Navigator;
    const there = await zesty.inputLabels(french);
    const here = await zesty.inputLabels({} as Navigator);
    const inputs = ['KeyW', 'ShiftLeft+KeyQ', 'Space+MouseLeft', 'ArrowUp', 'Digit1', 'PadLeftStickUp', 'PenBarrel'];
    return [there('KeyW'), ...inputs.map(here)];
  });
  expect(labels).toEqual([
    'Z',
    'W',
    'Left Shift + Q',
    'Space + left button',
    'Up arrow',
    '1',
    'pad left stick up',
    'pen button',
  ]);
});

test('gesture events of a trackpad zoom by their scale and turn by their rotation, about where they are', async () => {
  const shown = await page.evaluate(() => {
    zesty.listen(window.map, window.camera);
    window.camera.change({ zoom: { halfLife: 0 }, turn: { halfLife: 0 }, twoFingers: { turn: true } });
    window.camera.advance(performance.now());
    const fire = (type: string, scale: number, rotation: number): boolean => {
      const event = new MouseEvent(type, { clientX: 300, clientY: 200, bubbles: true, cancelable: true });
      return window.map.dispatchEvent(Object.assign(event, { scale, rotation }));
    };
    fire('gesturestart', 1, 0);
    fire('gesturechange', 1.2, 10);
    fire('gesturechange', 1.5, 30);
    const taken = !fire('gestureend', 1.5, 30);
    const view = window.camera.advance(performance.now() + 100);
    return { span: view.span, heading: view.heading, under: view.toGround(300, 200), taken };
  });
  expect(shown.span).toBeCloseTo(400, 6);
  expect(shown.heading).toBeCloseTo(30, 9);
  expect(shown.under?.x).toBeCloseTo(-100, 6);
  expect(shown.under?.y).toBeCloseTo(-100, 6);
  expect(shown.taken).toBe(true);
});

test('a pen, its barrel and its eraser are buttons of their own; a mouse may press several at once', async () => {
  await page.evaluate(() => {
    window.map.setPointerCapture = () => undefined;
    window.camera.change({ bindings: { drag: ['PenBarrel', 'MouseLeft'], orbit: ['MouseRight', 'PenEraser'] } });
    zesty.listen(window.map, window.camera);
  });
  await heard();
  await page.evaluate(() => {
    const fire = (type: string, pointerType: string, button: number, buttons: number): boolean =>
      window.map.dispatchEvent(
        new PointerEvent(type, {
          pointerId: pointerType === 'pen' ? 4 : 1,
          pointerType,
          button,
          buttons,
          clientX: 100,
          bubbles: true,
        }),
      );
    fire('pointerdown', 'pen', 2, 2);
    fire('pointerup', 'pen', 2, 0);
    fire('pointerdown', 'pen', 5, 32);
    fire('pointerup', 'pen', 5, 0);
    fire('pointerdown', 'pen', 0, 1); // not bound
    fire('pointerup', 'pen', 0, 0);
    fire('pointerdown', 'mouse', 2, 2);
    fire('pointermove', 'mouse', 0, 3); // the left one as well
    fire('pointermove', 'mouse', 2, 1); // the right one goes
    fire('pointerup', 'mouse', 0, 0);
  });
  const said = (await heard()).map(({ kind, input }) => (kind === 'press' ? String(input) : kind));
  expect(said.filter((one) => !['move', 'screen'].includes(one))).toEqual([
    'PenBarrel',
    'lift',
    'PenEraser',
    'lift',
    'MouseRight',
    'MouseLeft',
    'lift',
    'lift',
  ]);
});

test('edges: panels by a callback; outside the window it goes on where set; a drag of the game scrolls too', async () => {
  await page.evaluate(() => {
    window.camera.change({ edge: { dwell: 0, outside: 'go-on' } });
    zesty.listen(window.map, window.camera, {
      panels: (target) => target.id === 'hud',
      claimPress: ({ input }) => input === 'MouseLeft',
    });
    const hud = '<div id="hud" style="position: fixed; right: 0; top: 0; width: 30px; height: 90px"></div>';
    document.body.insertAdjacentHTML('beforeend', hud);
  });
  const hovers = async (): Promise<Heard[]> => (await heard()).filter(({ kind }) => kind === 'hover');
  await draw();
  await page.mouse.move(790, 40);
  expect(await hovers()).toEqual([]);
  // At the very side it pans over the panel, too.
  await page.mouse.move(799, 40);
  expect(await hovers()).toMatchObject([{ x: 799, y: 40 }]);
  await page.mouse.move(790, 40);
  expect(await hovers()).toEqual([{ kind: 'hover', time: expect.any(Number) }]);
  await page.mouse.move(790, 300);
  expect(await hovers()).toMatchObject([{ x: 790, y: 300 }]);
  const leave = (): Promise<boolean> =>
    page.evaluate(() =>
      document.body.dispatchEvent(new PointerEvent('pointerout', { pointerType: 'mouse', bubbles: true })),
    );
  await leave();
  expect(await hovers()).toEqual([]);
  await change(page, { edge: { outside: 'stop' } });
  await draw();
  await leave();
  expect((await hovers()).map(({ x }) => x)).toEqual([undefined]);
  await page.mouse.move(400, 300);
  await page.mouse.down();
  await page.mouse.move(600, 300);
  await heard();
  await page.mouse.move(798, 300);
  expect(await hovers()).toMatchObject([{ x: 798 }]);
  await change(page, { edge: { duringGameDrag: false } });
  await draw();
  await page.mouse.move(797, 300);
  expect((await hovers()).map(({ x }) => x)).toEqual([undefined]);
  await page.mouse.up();
});

test('the overlay shows bands, grips and a plan while it is on, takes no input, and leaves nothing when it is off', async () => {
  await page.evaluate(() => {
    window.camera.change({
      edge: { unit: 'pixels', left: 20, dwell: 0 },
      bounds: { left: -900, top: -900, right: 900, bottom: 900 },
    });
    const overlay = zesty.createOverlay(window.camera, zesty.listen(window.map, window.camera));
    Object.assign(window, { overlay });
    overlay.toggle();
  });
  await draw();
  await page.mouse.move(300, 200);
  await page.mouse.down({ button: 'middle' });
  await page.mouse.move(340, 230);
  await draw();
  await frames();
  const inked = (x: number, y: number): Promise<boolean> =>
    page.evaluate(
      ([left, top]) => {
        const canvas = document.querySelector('canvas');
        const ink = canvas?.getContext('2d')?.getImageData(left - 2, top - 2, 5, 5).data ?? [];
        return [...ink].some((value) => value > 0);
      },
      [x, y] as const,
    );
  expect(await page.evaluate(() => window.camera.grips.length)).toBe(1); // heard through the overlay
  expect(await inked(10, 400)).toBe(true); // the band
  const alphaAt = (x: number, y: number): Promise<number> =>
    page.evaluate(
      ([left, top]) => document.querySelector('canvas')?.getContext('2d')?.getImageData(left, top, 1, 1).data[3] ?? 0,
      [x, y] as const,
    );
  const resting = await alphaAt(10, 400);
  expect(await inked(100, 400)).toBe(false);
  expect(await inked(340 + 14, 230)).toBe(true); // the grip
  expect(await inked(800 - 12 - 20, 600 - 12 - 20)).toBe(true); // the plan
  await page.mouse.up({ button: 'middle' });
  // The band in which the pointer pans is brighter.
  await page.mouse.move(4, 400);
  await draw();
  await frames();
  expect(await alphaAt(10, 400)).toBeGreaterThan(resting + 40);
  await page.mouse.move(300, 200);
  // The plan keeps clear of panels.
  await page.evaluate(() => {
    const panel = '<div class="hud" style="position: fixed; left: 0; right: 0; bottom: 0; height: 100px"></div>';
    document.body.insertAdjacentHTML('beforeend', panel);
  });
  do {
    await draw();
    await frames();
  } while (await inked(800 - 12 - 20, 600 - 12 - 20));
  expect(await inked(800 - 12 - 20, 600 - 100 - 20)).toBe(true);
  const left = await page.evaluate(() => {
    const { overlay } = window as unknown as { overlay: { isOn: boolean; toggle: () => void } };
    const was = overlay.isOn;
    overlay.toggle();
    return [was, overlay.isOn, document.querySelectorAll('canvas').length];
  });
  expect(left).toEqual([true, false, 0]);
  // It goes when its camera is detached, or its element leaves the page; and does not come back.
  const gone = await page.evaluate(async () => {
    const frame = (): Promise<unknown> => new Promise((done) => requestAnimationFrame(done));
    const shown = async (leave: (ears: { detach: () => void }) => void): Promise<unknown[]> => {
      const ears = zesty.listen(window.map, window.camera);
      const overlay = zesty.createOverlay(window.camera, ears);
      overlay.toggle();
      const before = document.querySelectorAll('canvas').length;
      leave(ears);
      await frame();
      await frame();
      overlay.toggle(true);
      return [before, overlay.isOn, document.querySelectorAll('canvas').length];
    };
    const detached = await shown((ears) => ears.detach());
    const removed = await shown(() => window.map.remove());
    document.body.append(window.map);
    return [detached, removed];
  });
  expect(gone).toEqual([
    [1, false, 0],
    [1, false, 0],
  ]);
});

test('in a frame of another document, times count from when the page began', async () => {
  const late = await page.evaluate(async () => {
    while (performance.now() < 120) await new Promise((done) => requestAnimationFrame(done));
    const frame = document.body.appendChild(document.createElement('iframe'));
    const inner = frame.contentWindow as (Window & typeof globalThis) | null;
    if (inner === null) return NaN;
    zesty.listen(inner.document.body.appendChild(inner.document.createElement('div')), window.camera);
    // What comes before the first frame has no time: it is now.
    window.camera.advance(performance.now());
    window.heard.splice(0);
    inner.dispatchEvent(new inner.KeyboardEvent('keydown', { code: 'KeyW' }));
    const { time } = JSON.parse(window.heard[0] ?? '{}') as { time: number };
    return Math.abs(time - performance.now());
  });
  expect(late).toBeLessThan(50);
});

test('a worker runs the camera from posted signals', async () => {
  const [there, here] = await page.evaluate(
    async (script) => {
      const steer =
        'onmessage = ({ data }) => { const camera = new zesty.Camera(data.settings, { screen: data.screen });' +
        'for (const signal of data.signals) camera.signal(signal); camera.advance(0);' +
        'const { x, y, span } = camera.advance(500); postMessage([x, y, span]); }';
      const worker = new Worker(URL.createObjectURL(new Blob([script, ';', steer])));
      const settings = { start: { x: 1, y: 2, span: 100 } };
      const screen = { width: 640, height: 480 };
      const signals = [
        { kind: 'key' as const, code: 'KeyD', down: true, time: 10 },
        { kind: 'wheel' as const, x: 9, y: 9, notches: 2, time: 30 },
      ];
      const answer = new Promise((done) => worker.addEventListener('message', ({ data }) => done(data)));
      worker.postMessage({ settings, screen, signals });
      const camera = new zesty.Camera(settings, { screen });
      for (const signal of signals) camera.signal(signal);
      camera.advance(0);
      const { x, y, span } = camera.advance(500);
      return [await answer, [x, y, span]];
    },
    readFileSync(libraryScript().path, 'utf8'),
  );
  expect(there).toEqual(here);
});

test('panels inside the map: the wheel scrolls them, text is selected, presses, fingers and menus are the page’s', async () => {
  await change(page, { wheel: { action: 'zoom' }, bindings: { drag: ['MouseLeft', 'MouseRight', 'Touch'] } });
  await page.evaluate(() => {
    const panel = document.createElement('div');
    panel.className = 'panel';
    panel.style.cssText = 'position: absolute; left: 100px; top: 50px; width: 200px; height: 120px; overflow: auto';
    panel.innerHTML = `<p>${'A barge of lemons. '.repeat(80)}</p>`;
    window.map.append(panel);
    const told: string[] = [];
    Object.assign(window, { told });
    window.map.addEventListener('contextmenu', (event) => told.push(`menu ${String(event.defaultPrevented)}`));
    window.map.addEventListener('mousedown', (event) => told.push(`down ${String(event.defaultPrevented)}`));
    window.ears = zesty.listen(window.map, window.camera, { panels: '.panel', tap: () => told.push('tap') });
    window.camera.advance(performance.now());
  });
  const shown = (): Promise<unknown> =>
    page.evaluate(() => (window.camera.advance(performance.now()), { ...window.camera.goal }));
  const before = await shown();
  await page.mouse.move(200, 100);
  await page.mouse.wheel(0, 60);
  await page.waitForFunction(() => (document.querySelector('.panel')?.scrollTop ?? 0) > 0);
  for (const button of ['left', 'right'] as const) {
    await page.mouse.move(120, 80);
    await page.mouse.down({ button });
    await page.mouse.move(260, 120, { steps: 3 });
    expect(await step(page)).toBe(0);
    await page.mouse.up({ button });
  }
  expect(await page.evaluate(() => String(getSelection()).length)).toBeGreaterThan(10);
  const client = await page.context().newCDPSession(page);
  const touch = async (x: number): Promise<number> => {
    await client.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [{ x, y: 100 }] });
    const grips = await step(page);
    await client.send('Input.dispatchTouchEvent', { type: 'touchCancel', touchPoints: [] });
    return grips;
  };
  expect([await touch(200), await touch(500)]).toEqual([0, 1]);
  expect(await shown()).toEqual(before);
  expect(await page.evaluate(() => Reflect.get(window, 'told') as string[])).toEqual([
    'down false',
    'down false',
    'menu false',
  ]);
  // Beside it the map is the camera's, and dragging it selects nothing.
  await page.evaluate(() => getSelection()?.removeAllRanges());
  await page.mouse.move(450, 300);
  await page.mouse.down();
  await page.mouse.move(150, 100, { steps: 3 });
  expect(await step(page)).toBe(1);
  await page.mouse.up();
  expect(await page.evaluate(() => String(getSelection()))).toBe('');
  expect(await shown()).not.toEqual(before);
});

test('the focused control keeps the keys that it uses, and no others; a canvas gets the focus by a press', async () => {
  await page.evaluate(() => {
    const controls = `
      <button id="button">Anchor</button>
      <input id="slider" type="range"><input id="radio" type="radio"><input id="text">
      <select id="select"><option>one<option>two</select>
      <ul id="list" role="listbox" tabindex="0"><li>one</ul>
      <div id="scroll" tabindex="0" style="height: 40px; overflow: auto"><p style="height: 400px">long</p></div>`;
    const panel = document.createElement('div');
    panel.style.cssText = 'position: absolute; top: 0; left: 0';
    panel.innerHTML = controls;
    window.map.append(panel);
    window.camera.change({ bindings: { home: ['Space'] } });
    zesty.listen(window.map, window.camera);
    window.camera.advance(performance.now());
  });
  await heard();
  const codes = async (): Promise<unknown[]> =>
    (await heard()).filter(({ kind, down }) => kind === 'key' && down === true).map(({ code }) => code);
  for (const [id, steers] of [
    ['button', ['KeyD', 'ArrowDown']],
    ['slider', ['KeyD', 'Space']],
    ['radio', ['KeyD']],
    ['select', []],
    ['list', []],
    ['scroll', ['KeyD']],
    ['text', []],
  ] as const) {
    await page.focus(`#${id}`);
    for (const key of ['KeyD', 'ArrowDown', 'Space']) await page.keyboard.press(key);
    expect({ id, codes: await codes() }).toEqual({ id, codes: steers });
  }
  await page.click('#button');
  await page.keyboard.press('KeyW');
  expect(await codes()).toEqual(['KeyW']);
  await page.mouse.click(600, 400, { button: 'middle' });
  expect(await page.evaluate(() => document.activeElement === window.map)).toBe(true);
});

test('a map that is scrolled away or behind a modal dialog hears no keys; one that wants the focus hears them with it alone', async () => {
  await page.evaluate(() => {
    document.body.insertAdjacentHTML('beforeend', '<div style="height: 3000px"></div><dialog>Wait</dialog>');
    window.ears = zesty.listen(window.map, window.camera);
  });
  const steers = async (): Promise<boolean> => {
    await heard();
    await page.keyboard.press('KeyD');
    return (await heard()).some(({ kind }) => kind === 'key');
  };
  expect(await steers()).toBe(true);
  await page.evaluate(() => {
    scrollTo(0, 2000);
  });
  expect(await steers()).toBe(false);
  await page.evaluate(() => {
    scrollTo(0, 0);
    document.querySelector('dialog')?.showModal();
  });
  expect(await steers()).toBe(false);
  await page.evaluate(() => document.querySelector('dialog')?.close());
  expect(await steers()).toBe(true);
  await page.evaluate(() => {
    window.ears.detach();
    window.ears = zesty.listen(window.map, window.camera, { keys: 'focus' });
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
  });
  expect(await steers()).toBe(false);
  await page.mouse.click(600, 400, { button: 'middle' });
  expect(await steers()).toBe(true);
  const left = await page.evaluate(() => (window.ears.detach(), window.map.hasAttribute('tabindex')));
  expect(left).toBe(false);
});

test('other pixels in the same size, as on another display, are heard; the query for them is a stub’s', async () => {
  const densities = await page.evaluate(() => {
    const queries = new Map<string, EventTarget>();
    window.matchMedia = (query) => {
      const asked = queries.get(query) ?? new EventTarget();
      queries.set(query, asked);
      return Object.assign(asked, { matches: false }) as MediaQueryList;
    };
    let density = 1;
    Object.defineProperty(window, 'devicePixelRatio', { get: () => density });
    zesty.listen(window.map, window.camera);
    return [2, 1.5, 3].map((next) => {
      const query = queries.get(`(resolution: ${String(density)}dppx)`);
      density = next;
      query?.dispatchEvent(new Event('change'));
      return window.camera.advance(performance.now()).density;
    });
  });
  expect(densities).toEqual([2, 1.5, 3]);
});

test('the system’s wish for less motion is followed, also when it changes, unless the page says otherwise', async () => {
  const reduced = (): Promise<boolean> =>
    page.evaluate(() => (window.camera.advance(performance.now()), window.camera.settings.reducedMotion));
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.evaluate(() => {
    window.ears = zesty.listen(window.map, window.camera, { reducedMotion: 'own' });
  });
  expect(await reduced()).toBe(false);
  await page.evaluate(() => {
    window.ears.detach();
    zesty.listen(window.map, window.camera);
  });
  expect(await reduced()).toBe(true);
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await page.waitForFunction(() => (window.camera.advance(performance.now()), !window.camera.settings.reducedMotion));
});
