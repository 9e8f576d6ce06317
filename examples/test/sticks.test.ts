/** G9: nothing sticks, whatever the page does in mid-gesture; and clocks of events and of frames that differ. */
import { beforeEach, expect, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import { frames, listen, mapPage, ownBrowser, touch } from './browser.ts';

const own = ownBrowser();
let page: Page;

/** A map, a camera over it, frames by the page; `errors` are those that were reported. */
beforeEach(async () => {
  const settings = { start: { x: 0, y: 0, span: 300 }, drag: { glideHalfLife: 0 } };
  page = await mapPage(own, { width: 400, height: 300, settings, draws: true });
  await page.evaluate(() => {
    const errors: string[] = [];
    window.addEventListener('error', (event) => {
      errors.push((event.error as Error).message);
      event.preventDefault();
    });
    Object.assign(window, { errors });
  });
});

const errors = (): Promise<string[]> => page.evaluate(() => (Reflect.get(window, 'errors') as string[]).splice(0));
const grips = (): Promise<number> => page.evaluate(() => window.camera.grips.length);
const rest = (): Promise<unknown> =>
  page.waitForFunction(() => window.camera.settled && window.camera.grips.length === 0);
const x = (): Promise<number> => page.evaluate(() => window.camera.shown.x);

/** Presses the middle button on the map and drags. */
async function drag(): Promise<void> {
  await page.mouse.move(100, 100);
  await page.mouse.down({ button: 'middle' });
  await page.mouse.move(150, 120, { steps: 3 });
  await page.waitForFunction(() => window.camera.grips.length === 1);
}

/** Whether a key moves the camera. */
async function keysSteer(): Promise<boolean> {
  const before = await x();
  await page.keyboard.down('KeyD');
  const moved = await page
    .waitForFunction((from) => window.camera.shown.x > from + 1, before, { timeout: 5000 })
    .then(
      () => true,
      () => false,
    );
  await page.keyboard.up('KeyD');
  await rest();
  return moved;
}

test('an element that is removed in mid-drag or mid-pinch lets go, and keys go on to steer', async () => {
  await listen(page);
  await drag();
  await page.evaluate(() => window.map.remove());
  await rest();
  await page.mouse.up({ button: 'middle' });
  expect(await keysSteer()).toBe(true);
  await page.evaluate(() => document.body.append(window.map));
  const client = await page.context().newCDPSession(page);
  await touch(client, 'touchStart', [100, 100], [250, 200]);
  await page.waitForFunction(() => window.camera.grips.length === 2);
  await page.evaluate(() => window.map.remove());
  await rest();
  await touch(client, 'touchEnd');
  expect(await keysSteer()).toBe(true);
});

test('a frame that is removed in mid-drag, with a key held in it, lets go of both', async () => {
  await page.evaluate(async () => {
    const frame = document.createElement('iframe');
    frame.style.cssText = 'width: 500px; height: 400px; border: 0';
    frame.srcdoc = '<!doctype html><body style="margin: 0"><div id="inner" style="width: 400px; height: 300px"></div>';
    const loaded = new Promise((done) => {
      frame.onload = done;
    });
    window.map.replaceWith(frame);
    await loaded;
    const inner = frame.contentDocument?.querySelector<HTMLElement>('#inner');
    if (inner) zesty.listen(inner, window.camera);
  });
  await drag();
  await page.keyboard.down('KeyD');
  await page.evaluate(() => document.querySelector('iframe')?.remove());
  await rest();
  await page.keyboard.up('KeyD');
  await page.mouse.up({ button: 'middle' });
});

test('a key that went up behind a dialog, or while the page was frozen, does not run on; one still held goes on', async () => {
  await listen(page);
  const shown = new Promise<void>((done) => {
    page.once(
      'dialog',
      (dialog) =>
        // eslint-disable-next-line no-restricted-properties -- so long it stands: no frame is drawn meanwhile
        void page.waitForTimeout(1500).then(async () => {
          await dialog.accept();
          done();
        }),
    );
  });
  await page.keyboard.down('KeyD');
  await page.waitForFunction(() => window.camera.shown.x > 1);
  await page.evaluate(() => void setTimeout(() => alert('Tide turning')));
  await shown;
  await rest(); // with the key never reported up
  expect(await x()).toBeLessThan(1500);
  await page.keyboard.up('KeyD');
  await page.keyboard.down('KeyD');
  await page.evaluate(() => {
    for (const until = performance.now() + 1300; performance.now() < until; );
  });
  await rest();
  const before = await x();
  await page.keyboard.down('KeyD'); // it repeats: it is still down
  await page.waitForFunction((from) => window.camera.shown.x > from + 1, before);
  await page.keyboard.up('KeyD');
  await rest();
});

test('a key that went down before the first frame does not run on after the page was frozen either', async () => {
  const settled = await page.evaluate(() => {
    const camera = new zesty.Camera({ start: { x: 0, y: 0, span: 300 } });
    const { detach } = zesty.listen(window.map, camera);
    window.dispatchEvent(new KeyboardEvent('keydown', { code: 'KeyD', bubbles: true }));
    const time = performance.now();
    for (const later of [0, 16, 1600, 1616, 9000]) camera.advance(time + later);
    detach();
    return camera.settled;
  });
  expect(settled).toBe(true);
});

test('detaching, or taking the element away, when the game is asked whose press it is leaves nothing held', async () => {
  for (const way of ['detach', 'remove'] as const) {
    await page.evaluate((how) => {
      window.map.remove();
      document.body.append(window.map);
      window.ears = zesty.listen(window.map, window.camera, {
        claimPress: () => {
          if (how === 'detach') window.ears.detach();
          else window.map.remove();
          return false;
        },
      });
    }, way);
    await page.mouse.move(100, 100);
    await page.mouse.down({ button: 'middle' });
    await page.mouse.move(150, 120);
    await frames(page);
    expect(await grips()).toBe(0);
    await page.mouse.up({ button: 'middle' });
    await page.evaluate(() => window.ears.detach());
  }
  expect(await errors()).toEqual([]);
});

test('captures and callbacks that throw: the camera goes on, each throw is reported once, no key sticks', async () => {
  await page.evaluate(() => {
    const fail = (what: string) => (): never => {
      throw new Error(what);
    };
    window.camera = new zesty.Camera(
      { start: { x: 0, y: 0, span: 300 }, edge: { dwell: 0 }, drag: { glideHalfLife: 0 } },
      { wake: fail('wake') },
    );
    window.map.setPointerCapture = fail('capture');
    zesty.listen(window.map, window.camera, {
      claimPress: fail('claimPress'),
      tap: fail('tap'),
      panels: fail('panels'),
    });
    zesty.record(window.camera, fail('write'));
    const end = window.camera.poll(() => {
      end();
      throw new Error('poll');
    });
  });
  await page.waitForFunction(() => window.camera.settled);
  const first = await errors();
  expect(first.filter((what) => what !== 'wake')).toEqual(['write', 'poll']);
  await drag();
  await page.mouse.move(600, 450); // out of the map, and up there: nobody has captured it
  await page.mouse.up({ button: 'middle' });
  await rest();
  await page.mouse.click(200, 100);
  await frames(page);
  const seen = await errors();
  expect(seen.filter((what) => what === 'capture')).toHaveLength(1);
  expect(seen.filter((what) => what === 'claimPress')).toHaveLength(2);
  expect(seen.filter((what) => what === 'tap')).toHaveLength(1);
  expect(seen).toContain('panels');
  expect(await keysSteer()).toBe(true);
});

test('CSS zoom: the ground under the pointer is what is held; seen from its edge, the map stays where it was', async () => {
  await listen(page);
  for (const zoomed of ['body', '#map']) {
    await page.evaluate((selector) => {
      document.body.style.zoom = document.querySelector<HTMLElement>('#map')!.style.zoom = '1'; // eslint-disable-line @typescript-eslint/no-non-null-assertion
      document.querySelector<HTMLElement>(selector)?.style.setProperty('zoom', '1.5');
    }, zoomed);
    await page.mouse.move(150, 90);
    await page.mouse.down({ button: 'middle' });
    await page.mouse.move(300, 150, { steps: 4 });
    await page.waitForFunction(() => window.camera.grips[0]?.screenX === 200);
    expect(await page.evaluate(() => window.camera.grips[0])).toMatchObject({ screenX: 200, screenY: 100 });
    await page.mouse.up({ button: 'middle' });
    await rest();
  }
  await page.evaluate(() => window.map.style.setProperty('zoom', '1'));
  await drag();
  const before = await page.evaluate(() => ({ ...window.camera.shown }));
  for (const turned of ['rotateY(90deg)', 'rotateX(90deg)', 'scale(0)']) {
    await page.evaluate((how) => {
      window.map.style.transform = how;
    }, turned);
    await page.mouse.move(170, 140);
    await page.mouse.move(110, 60);
    expect(await page.evaluate(() => ({ ...window.camera.shown }))).toEqual(before);
  }
  await page.mouse.up({ button: 'middle' });
  await rest();
});

test('two cameras on one element: one that detaches in mid-drag leaves the other its drag', async () => {
  await page.evaluate(() => {
    window.other = new zesty.Camera({ start: { x: 0, y: 0, span: 300 } });
    window.ears = zesty.listen(window.map, window.camera);
    zesty.listen(window.map, window.other);
    const frame = (time: number): void => {
      window.other.advance(time);
      requestAnimationFrame(frame);
    };
    requestAnimationFrame(frame);
  });
  await drag();
  await page.evaluate(() => window.ears.detach());
  await page.mouse.move(700, 500); // outside: the pointer has to stay captured
  await page.waitForFunction(() => window.other.grips[0]?.screenX === 700);
  expect(await page.evaluate(() => [window.camera.grips.length, window.other.grips.length])).toEqual([0, 1]);
  await page.mouse.up({ button: 'middle' });
  await page.waitForFunction(() => window.other.grips.length === 0);
});

test('frames on a clock of their own, and events stamped ten minutes ahead: a notch shows with the next frame', async () => {
  for (const [begin, rate, ahead] of [
    [0, 1, 0],
    [-150, 1, 0], // so far behind the page's own
    [5e6, 1, 0],
    [1e12, 1, 0],
    [NaN, 1, 600_000],
  ] as const) {
    const spans = await page.evaluate(
      ([from, pace, later]) => {
        const camera = new zesty.Camera({ start: { x: 0, y: 0, span: 300 }, zoom: { halfLife: 0 } });
        const { detach } = zesty.listen(window.map, camera);
        const began = performance.now();
        const base = from < 0 ? began + from : from;
        const now = (): number => (Number.isNaN(from) ? performance.now() : base + (performance.now() - began) * pace);
        camera.advance(now());
        camera.advance(now());
        const event = new WheelEvent('wheel', { deltaY: 100, clientX: 100, clientY: 100, cancelable: true });
        if (later > 0) Object.defineProperty(event, 'timeStamp', { value: event.timeStamp + later });
        window.map.dispatchEvent(event);
        camera.advance(now() + 17);
        camera.advance(now() + 70);
        const spans = [300, camera.shown.span];
        window.dispatchEvent(new KeyboardEvent('keydown', { code: 'KeyD', bubbles: true }));
        camera.advance(now() + 140);
        camera.advance(now() + 200);
        spans.push(camera.shown.x);
        detach();
        return spans;
      },
      [begin, rate, ahead] as const,
    );
    expect(spans[1]).toBeCloseTo(330, 6);
    expect(spans[2]).toBeGreaterThan(1);
  }
});

test('G8: at one frame a second a key moves the camera, and it comes to rest when it goes up', async () => {
  const seen = await page.evaluate(async () => {
    const camera = new zesty.Camera({ start: { x: 0, y: 0, span: 300 } });
    const { detach } = zesty.listen(window.map, camera);
    let time = performance.now();
    const press = (type: string): void => {
      window.dispatchEvent(new KeyboardEvent(type, { code: 'KeyD', bubbles: true }));
    };
    camera.advance(time);
    press('keydown');
    for (let i = 0; i < 3; i++) camera.advance((time += 1000));
    const { x: moved } = camera.shown;
    press('keyup');
    for (let i = 0; i < 12; i++) camera.advance((time += 1000));
    detach();
    await Promise.resolve();
    return [moved, camera.settled];
  });
  expect(seen[0]).toBeGreaterThan(30);
  expect(seen[1]).toBe(true);
});
