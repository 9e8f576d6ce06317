/** Real buttons and real fingers on real pages, and what the page gets of them. */
import { beforeAll, expect, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import { frames, lasts, mapPage, openPage, ownBrowser, place, settled, step, touch } from './browser.ts';

const own = ownBrowser();
let hills: Page;
beforeAll(async () => {
  hills = await openPage(own, 'over-the-hills');
});

/** A map that is listened to; clicks and menus that reach the page, and taps, are written down. */
async function bareMap(): Promise<Page> {
  const bindings = { drag: ['MouseRight' as const, 'MouseMiddle' as const, 'Touch' as const], orbit: [] };
  const settings = { start: { x: 0, y: 0, span: 600 }, bindings };
  const page = await mapPage(own, { width: 800, height: 600, settings });
  await page.evaluate(() => {
    const seen: string[] = [];
    for (const type of ['click', 'auxclick', 'contextmenu'])
      window.addEventListener(type, (event) => seen.push(event.defaultPrevented ? `${type} kept` : type));
    const { detach } = zesty.listen(window.map, window.camera, {
      tap: ({ input, x, y, ground }) =>
        seen.push(`tap ${input} ${x} ${y} on ${(ground?.x ?? NaN).toFixed()} ${(ground?.y ?? NaN).toFixed()}`),
      claimPress: ({ modifiers }) => modifiers.includes('Shift'),
    });
    Object.assign(window, { detach, seen });
  });
  await step(page);
  return page;
}

const seen = (page: Page): Promise<string[]> =>
  page.evaluate(() => (Reflect.get(window, 'seen') as string[]).splice(0));

test('a real right drag holds the ground under the cursor to 1e-3 px; its click and its menu are kept from the page, a tap is told', async () => {
  const page = await bareMap();
  await page.mouse.move(300, 300);
  await page.mouse.down({ button: 'right' });
  for (const [x, y] of [
    [310, 300],
    [420, 350],
    [500, 250],
  ] as const) {
    await page.mouse.move(x, y);
    const off = await page.evaluate(() => {
      const { camera } = window;
      const view = camera.advance(performance.now());
      const [grip] = camera.grips;
      if (!grip) return [NaN];
      const at = view.toScreen(grip.x, grip.y, grip.height);
      return [Math.hypot(at.x - grip.screenX, at.y - grip.screenY), grip.screenX, grip.screenY];
    });
    expect(off[0]).toBeLessThan(1e-3);
    expect(off.slice(1)).toEqual([x, y]);
  }
  await page.mouse.up({ button: 'right' });
  const events = await seen(page);
  expect(events.filter((event) => event !== 'contextmenu kept')).toEqual([]);
  // A tap of a button that drags is told; one that is not bound is left to the page, and told too.
  await frames(page, 1);
  await page.mouse.click(200, 100, { button: 'right' });
  expect(await seen(page)).toEqual(expect.arrayContaining([expect.stringMatching(/^tap MouseRight 200 100 on/)]));
  const ground = await page.evaluate(() => window.camera.view.toGround(210, 110));
  await page.mouse.click(210, 110);
  expect((await seen(page)).sort()).toEqual([
    'click',
    `tap MouseLeft 210 110 on ${(ground?.x ?? NaN).toFixed()} ${(ground?.y ?? NaN).toFixed()}`,
  ]);
  // What the game keeps, the camera hears nothing of.
  await page.keyboard.down('Shift');
  await page.mouse.move(400, 300);
  await page.mouse.down({ button: 'right' });
  await page.mouse.move(500, 400);
  expect(await step(page)).toBe(0);
  await page.mouse.up({ button: 'right' });
});

test('a press and a move show in the first frame after them', async () => {
  const page = await bareMap();
  await page.mouse.move(300, 300);
  const moved = await page.evaluate(() => {
    const { map } = window;
    const at = performance.now();
    const fire = (type: string, clientX: number, buttons: number): boolean =>
      map.dispatchEvent(
        new PointerEvent(type, {
          pointerId: 1,
          pointerType: 'mouse',
          button: type === 'pointermove' ? -1 : 2,
          buttons,
          clientX,
          clientY: 300,
          bubbles: true,
        }),
      );
    map.setPointerCapture = () => undefined;
    const before = window.camera.advance(at).x;
    fire('pointerdown', 300, 2);
    fire('pointermove', 340, 2);
    return window.camera.advance(performance.now()).x - before;
  });
  expect(moved).toBeCloseTo(-36, 6); // 40 pixels, less the slop
});

test('detaching during a drag leaves nothing behind: no capture, no style, no grip', async () => {
  const page = await bareMap();
  await page.mouse.move(300, 300);
  await page.mouse.down({ button: 'middle' });
  await page.mouse.move(350, 300);
  const left = await page.evaluate(() => {
    const { map, detach, camera } = window;
    const styled = map.style.touchAction;
    camera.advance(performance.now());
    const held = camera.grips.length;
    detach();
    camera.advance(performance.now());
    return [styled, held, camera.grips.length, map.style.touchAction, map.hasPointerCapture(1)];
  });
  expect(left).toEqual(['none', 1, 0, '', false]);
  await page.mouse.up({ button: 'middle' });
});

test('a real mouse at the edge pans while it rests; over a panel, or gone, it does not', async () => {
  const page = await openPage(own, 'straight-down');
  await page.evaluate(() => lemonStrait.camera.place({ x: 512, y: 384, span: 200 }));
  const x = (): Promise<number> => page.evaluate(() => lemonStrait.camera.shown.x);
  await page.mouse.move(500, 300);
  await settled(page);
  const before = await x();
  await page.mouse.move(997, 300);
  await page.waitForFunction((from) => lemonStrait.camera.shown.x > from + 20, before);
  await page.mouse.move(500, 300);
  await settled(page);
  const after = await x();
  // The tools are laid into the top right corner.
  await page.evaluate(() => {
    const tools = document.querySelector<HTMLElement>('.tools');
    if (tools !== null) tools.style.inset = '14px 0 auto auto';
  });
  const box = await page.locator('.tools').boundingBox();
  await page.mouse.move(995, (box?.y ?? 0) + 20);
  await lasts(page, 250);
  await settled(page);
  expect(await x()).toBe(after);
});

/** How far, in CSS pixels, what is held is from its finger: in the last frame and at most; and at most from where its grip says. */
interface Worst {
  readonly now: number;
  readonly fingers: number;
  readonly reported: number;
  readonly frames: number;
}

test('over the hills: two real fingers pinch and twist, and hold their ground within 1e-3 px in every frame', async () => {
  await place(hills, { x: 520, y: 420, span: 330, heading: 0 });
  const client = await hills.context().newCDPSession(hills);
  await hills.evaluate(() => {
    /** Where each finger was, and when: a frame knows what came before it. */
    const roads = new Map<number, { time: number; x: number; y: number }[]>();
    const worst = { now: NaN, fingers: 0, reported: 0, frames: 0 };
    Object.assign(window, { worst });
    const { camera } = lemonStrait;
    const canvas = document.querySelector('canvas');
    for (const type of ['pointerdown', 'pointermove'] as const)
      canvas?.addEventListener(type, ({ pointerId, timeStamp, clientX, clientY }) => {
        // The offsets of an event are whole pixels.
        const { left, top } = canvas.getBoundingClientRect();
        const at = { time: timeStamp, x: clientX - left, y: clientY - top };
        roads.set(pointerId, [...(roads.get(pointerId) ?? []), at]);
      });
    const advance = camera.advance.bind(camera);
    camera.advance = (time) => {
      const view = advance(time);
      const fingers = [...roads.values()].flatMap((road) => road.filter((at) => at.time <= time).slice(-1));
      if (camera.grips.length < 2 || fingers.length < 2) return view;
      worst.frames += 1;
      worst.now = 0;
      for (const grip of camera.grips) {
        if (grip.limited) continue;
        const at = view.toScreen(grip.x, grip.y, grip.height);
        worst.now = Math.max(worst.now, Math.min(...fingers.map(({ x, y }) => Math.hypot(at.x - x, at.y - y))));
        worst.reported = Math.max(worst.reported, Math.hypot(at.x - grip.screenX, at.y - grip.screenY));
      }
      worst.fingers = Math.max(worst.fingers, worst.now);
      return view;
    };
  });
  const fingers = (i: number): [[number, number], [number, number]] => {
    const right = (120 + i * 3) * Math.cos(0.3 + i * 0.03);
    const down = (120 + i * 3) * Math.sin(0.3 + i * 0.03) * 0.6;
    return [
      [500 - right, 330 - down],
      [500 + right, 330 + down],
    ];
  };
  const before = await hills.evaluate(() => lemonStrait.camera.shown);
  let isShown = false;
  // A busy machine takes touches away before it draws them: then they come again.
  for (let tries = 0; tries < 4 && !isShown; tries++) {
    if (tries > 0) await touch(client, 'touchCancel');
    await touch(client, 'touchStart', fingers(0)[0]);
    await touch(client, 'touchStart', ...fingers(0));
    for (const i of [2, 4, 6]) await touch(client, 'touchMove', ...fingers(i));
    // They have left the zones in which they neither zoom nor turn: what they held comes back under them.
    const isBack = hills.waitForFunction(
      (heading) => {
        const seen = Reflect.get(window, 'worst') as Worst;
        const { grips, shown } = lemonStrait.camera;
        if (grips.length < 2 || grips.some(({ limited }) => limited)) return false;
        if (shown.heading === heading || !(seen.now < 1e-3)) return false;
        Object.assign(seen, { fingers: 0, frames: 0 });
        return true;
      },
      before.heading,
      { timeout: 10_000 },
    );
    await isBack.catch(() => undefined);
    for (let i = 8; i <= 24; i += 2) {
      await touch(client, 'touchMove', ...fingers(i));
      await frames(hills, 1);
    }
    // However slowly it draws: a frame has to show where they came to, before they lift.
    const frame = hills.waitForFunction(() => (Reflect.get(window, 'worst') as Worst).frames > 0, undefined, {
      timeout: 10_000,
    });
    isShown = await frame.then(
      () => true,
      () => false,
    );
  }
  expect(isShown).toBe(true);
  await hills.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  const after = await hills.evaluate(() => lemonStrait.camera.shown);
  const worst = await hills.evaluate(() => Reflect.get(window, 'worst') as Worst);
  await touch(client, 'touchEnd');
  await settled(hills);
  expect(worst.frames).toBeGreaterThan(0);
  expect(worst.reported).toBeLessThan(1e-3);
  expect(worst.fingers).toBeLessThan(1e-3);
  expect(after.span).toBeLessThan(before.span * 0.9);
  expect(Math.abs(after.heading - before.heading)).toBeGreaterThan(5);
});

test('neither a press that gives the map the focus nor a control that is cut off scrolls it away', async () => {
  const page = await mapPage(own, { width: 600, height: 500, settings: { start: { x: 0, y: 0, span: 500 } } });
  await page.evaluate(() => {
    const box = document.createElement('div');
    box.id = 'box';
    box.style.cssText = 'width: 620px; height: 300px; overflow: auto';
    window.map.before(box);
    box.append(window.map);
    Object.assign(window.map.style, { position: 'relative', overflow: 'hidden' });
    window.map.tabIndex = 0;
    window.map.innerHTML = '<input id="below" style="position: absolute; top: 900px; left: 20px">';
    box.scrollTop = 120;
    window.ears = zesty.listen(window.map, window.camera, { panels: '#below' });
    window.camera.advance(performance.now());
  });
  await page.mouse.move(300, 100);
  await page.mouse.down({ button: 'middle' });
  await page.mouse.move(330, 100);
  expect(await step(page)).toBe(1);
  const held = (): Promise<unknown> =>
    page.evaluate(() => {
      const box = document.querySelector('#box');
      const [grip] = window.camera.grips;
      return [box?.scrollTop, document.activeElement?.id, grip?.screenX, grip?.screenY];
    });
  expect(await held()).toEqual([120, 'map', 330, 220]);
  await page.mouse.up({ button: 'middle' });
  // The browser scrolls what has the focus into sight, inside of what nobody can scroll back.
  await page.focus('#below');
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  expect(await page.evaluate(() => [document.activeElement?.id, window.map.scrollTop])).toEqual(['below', 0]);
});
