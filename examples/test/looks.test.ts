/** "Two to one" and "Over the hills" in a real browser, with real keys, a real wheel and real frames. */
import { beforeAll, expect, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import {
  frames,
  hold,
  lasts,
  openPage,
  ownBrowser,
  place,
  replayed,
  settled,
  still,
  touch,
  watchGrips,
} from './browser.ts';

const GROUND = new URL('../../data/lemon-strait/ground.json', import.meta.url).pathname;
const own = ownBrowser();
let tiles: Page;
let hills: Page;
beforeAll(async () => {
  tiles = await openPage(own, 'two-to-one');
  hills = await openPage(own, 'over-the-hills');
});

/** The colour of a pixel of the page. */
async function colourAt(page: Page, x: number, y: number): Promise<string> {
  const png = await page.screenshot({ clip: { x, y, width: 1, height: 1 } });
  return png.toString('base64');
}

test('two to one: every notch lands on a stop at which a tile is a whole number of pixels', async () => {
  await tiles.mouse.move(500, 300);
  const widths: number[] = [];
  for (const way of [1, 1, 1, -1, -1, -1, -1, -1]) {
    await tiles.mouse.wheel(0, way * 100);
    await frames(tiles);
    await settled(tiles);
    widths.push(
      await tiles.evaluate(() => {
        const { view } = lemonStrait.camera;
        return view.toScreen(16, 16).x - view.toScreen(0, 0).x;
      }),
    );
  }
  [32, 32, 32, 64, 128, 192, 256, 256].forEach((width, i) => expect(widths[i]).toBeCloseTo(width, 6));
});

test('two to one: keys pan along the screen, also turned, and a quarter turn by key comes to rest on a quarter', async () => {
  for (const heading of [45, 135]) {
    expect(await tiles.evaluate(() => lemonStrait.camera.shown.heading)).toBeCloseTo(heading, 9);
    await place(tiles, { x: 512, y: 384, span: 200 });
    const before = await tiles.evaluate(() => ({ ...lemonStrait.camera.view.toScreen(512, 384) }));
    await hold(tiles, ['KeyD'], 150);
    const after = await tiles.evaluate(() => ({ ...lemonStrait.camera.view.toScreen(512, 384) }));
    expect(after.x).toBeLessThan(before.x - 10);
    expect(after.y).toBeCloseTo(before.y, 6);
    await tiles.keyboard.press('KeyE');
    await settled(tiles);
  }
});

test('over the hills: the real wheel, with a key held, holds the hill under the cursor within 1e-3 px in every frame', async () => {
  await place(hills, { x: 560, y: 500, span: 330 });
  const errorsSeen = await watchGrips(hills, 480, 330);
  await hills.mouse.move(480, 330);
  for (let notch = 0; notch < 7; notch++) {
    await hills.mouse.wheel(0, -100);
    await frames(hills);
  }
  await settled(hills);
  const errors = await errorsSeen();
  // However few frames a busy machine draws: in each of them it held.
  expect(errors.length).toBeGreaterThan(0);
  expect(Math.max(...errors)).toBeLessThan(1e-3);
  const { pitch, fieldOfView } = await hills.evaluate(() => lemonStrait.camera.shown);
  expect(pitch).toBeLessThan(58);
  expect(fieldOfView).toBeGreaterThan(36);
});

test('over the hills: what is picked is where the renderer draws it', async () => {
  await place(hills, { x: 512, y: 384, span: 200, heading: 30 });
  // Along a line of pixels, the picked height says where the renderer draws land and where water.
  const row = await hills.evaluate(() =>
    Array.from({ length: 40 }, (_, i) => {
      const x = 300 + i * 17;
      const ground = lemonStrait.camera.view.toGround(x, 420);
      return { x, height: ground?.height ?? NaN };
    }),
  );
  let compared = 0;
  const colours = new Map<string, Set<string>>();
  for (const { x, height } of row) {
    if (Math.abs(height - 0.5) < 3) continue; // the shore itself
    const land = height > 0;
    const colour = await colourAt(hills, x, 420);
    colours.set(colour, (colours.get(colour) ?? new Set()).add(land ? 'land' : 'water'));
    compared += 1;
  }
  expect(compared).toBeGreaterThan(15);
  for (const kinds of colours.values()) expect(kinds.size).toBe(1);
});

test('over the hills: turning and tilting by keys come to rest, and a recording replays over the same ground to the same bits', async () => {
  await hills.click('#record');
  for (const key of ['KeyE', 'KeyR', 'KeyF', 'KeyF']) await hills.keyboard.press(key);
  await hold(hills, ['KeyW', 'KeyD'], 200);
  await hills.mouse.move(600, 400);
  await hills.mouse.wheel(0, 200);
  await settled(hills);
  const {
    last,
    row: [, x, y, height, span, heading],
  } = await replayed(hills, '--terrain', GROUND);
  const there = await hills.evaluate(() => lemonStrait.camera.shown);
  expect([x, y, span]).toEqual([last.x, last.y, last.span]);
  expect(heading).toBe(there.heading);
  // The last frame of the trace may come just before the height of the focus arrives: 1e-7 of the span.
  expect(Math.abs((height ?? NaN) - there.focusHeight)).toBeLessThan(2e-7 * last.span);
});

test('a box drawn with the left button, or by a finger after a long press, chooses the barges in it, on every page', async () => {
  const chosen = (page: Page): Promise<string[]> =>
    page.evaluate(() => [...lemonStrait.chosen].map(({ name }) => name).toSorted());
  /** Those whose middle shows in the box, and those of which nothing can. */
  const judged = (page: Page, box: readonly [number, number, number, number]): Promise<[string[], string[]]> =>
    page.evaluate(([left, top, right, bottom]) => {
      const { camera, barges } = lemonStrait;
      const middles: string[] = [];
      const away: string[] = [];
      for (const { name, x, y } of barges) {
        const at = camera.view.toScreen(x, y, 0);
        const reach = 9 * camera.view.scaleAt(x, y, 0);
        const off = Math.hypot(Math.max(left - at.x, at.x - right, 0), Math.max(top - at.y, at.y - bottom, 0));
        if (off === 0 && at.inFront) middles.push(name);
        if (off > reach) away.push(name);
      }
      return [middles, away];
    }, box);
  const flat = await openPage(own, 'straight-down');
  for (const page of [flat, tiles, hills]) {
    await place(page, { x: 512, y: 400, span: 600 });
    const before = await page.evaluate(() => ({ ...lemonStrait.camera.goal }));
    const box = [460, 80, 980, 560] as const;
    await page.mouse.move(980, 80);
    await page.mouse.down();
    await page.mouse.move(700, 300);
    await page.mouse.move(460, 560);
    await page.mouse.up();
    const [middles, away] = await judged(page, box);
    const names = await chosen(page);
    expect(middles.length).toBeGreaterThan(0);
    expect(names).toEqual(expect.arrayContaining(middles));
    expect(names.filter((name) => away.includes(name))).toEqual([]);
    // The camera has heard nothing of it.
    expect(await page.evaluate(() => ({ ...lemonStrait.camera.goal }))).toEqual(before);
    // A click on nothing chooses nobody.
    const water = await page.evaluate(() => {
      const { camera, barges } = lemonStrait;
      for (let x = 300; x < 700; x += 10)
        for (let y = 280; y < 500; y += 10)
          if (
            barges.every((barge) => {
              const at = camera.view.toScreen(barge.x, barge.y, 0);
              return Math.hypot(at.x - x, at.y - y) > 60;
            })
          )
            return { x, y };
      return { x: NaN, y: NaN };
    });
    await page.mouse.click(water.x, water.y);
    expect(await chosen(page)).toEqual([]);
  }
  const client = await flat.context().newCDPSession(flat);
  await touch(client, 'touchStart', [260, 270]);
  await lasts(flat, 700);
  await touch(client, 'touchMove', [500, 300]);
  await touch(client, 'touchMove', [750, 510]);
  await touch(client, 'touchEnd');
  const [middles] = await judged(flat, [260, 270, 750, 510]);
  expect(await chosen(flat)).toEqual(expect.arrayContaining(middles));
});

test('a double click goes there, or follows the barge under it; C shows what is chosen', async () => {
  /** Whether the camera has come as near to a point as a placing there would. */
  const isAt = (page: Page, to: { x: number; y: number }): Promise<boolean> =>
    page.evaluate(({ x, y }) => {
      const { camera } = lemonStrait;
      const before = camera.shown;
      camera.place({ x, y });
      const { goal } = camera;
      return Math.hypot(goal.x - before.x, goal.y - before.y) < 1e-3 * before.span;
    }, to);
  for (const name of ['two-to-one', 'over-the-hills']) {
    // As it begins: what the tests before have turned and tilted is not in it.
    const page = await openPage(own, name);
    // One that shows well clear of the panels, and of the map's edge.
    const barge = await page.evaluate(() => {
      const { camera, barges } = lemonStrait;
      return barges.find(({ x, y }) => {
        camera.place({ x, y, span: 200 });
        if (Math.hypot(camera.goal.x - x, camera.goal.y - y) > 1e-9) return false;
        // From farther off, where it is clicked later, too.
        camera.place({ x, y, span: 400 });
        camera.advance(performance.now());
        const far = camera.view.toScreen(x, y, 0);
        if (far.x < 300 || far.x > 900 || far.y < 250 || far.y > 420) return false;
        camera.place({ x: x + 20, y, span: 200 });
        camera.advance(performance.now());
        const at = camera.view.toScreen(x, y, 0);
        const others = barges.filter((other) => {
          const spot = camera.view.toScreen(other.x, other.y, 0);
          // Far off by then, when they are seen from twice as high.
          return Math.hypot(spot.x - at.x, spot.y - at.y) < 200;
        });
        return at.x > 300 && at.x < 700 && at.y > 250 && at.y < 420 && others.length === 1;
      });
    });
    if (barge === undefined) throw new Error('No barge shows');
    await place(page, { x: barge.x + 20, y: barge.y, span: 200 });
    const at = await page.evaluate(({ x, y }) => lemonStrait.camera.view.toScreen(x, y, 0), barge);
    await page.mouse.dblclick(at.x, at.y);
    await page.waitForFunction(
      (name) => document.querySelector('output')?.textContent.endsWith(`after ${name}`),
      barge.name,
    );
    await still(page);
    expect(await page.evaluate(() => lemonStrait.camera.boundsExcess)).toBeCloseTo(0, 6);
    const off = await page.evaluate(({ x, y }) => {
      const { view } = lemonStrait.camera;
      const spot = view.toScreen(x, y, view.focusHeight);
      return Math.hypot(spot.x - view.projection.middleX, spot.y - view.projection.middleY);
    }, barge);
    // Its dead zone is 0.08 of the screen's height wide.
    expect(off).toBeLessThan(0.04 * 600 + 1);
    // Another double click, on water, lets go of it and goes there.
    const water = await page.evaluate(({ x, y }) => {
      const { camera } = lemonStrait;
      const spot = camera.view.toScreen(x + 40, y + 30, 0);
      return { x: spot.x, y: spot.y, ground: camera.view.toGround(spot.x, spot.y) };
    }, barge);
    await page.mouse.dblclick(water.x, water.y);
    await page.waitForFunction((name) => !document.querySelector('output')?.textContent.includes(name), barge.name);
    await settled(page);
    expect(await isAt(page, water.ground ?? { x: NaN, y: NaN })).toBe(true);
    // C shows who is chosen: a barge by a click, from far away.
    await place(page, { x: barge.x, y: barge.y, span: 400 });
    const spot = await page.evaluate(({ x, y }) => lemonStrait.camera.view.toScreen(x, y, 0), barge);
    await lasts(page, 600);
    await page.mouse.click(spot.x, spot.y);
    await page.keyboard.press('KeyC');
    // A slow machine may draw no frame on the way: it is where it gets to that counts.
    await page.waitForFunction(({ x, y }) => {
      const { settled: rests, view } = lemonStrait.camera;
      const at = view.toScreen(x, y, 0);
      return rests && view.span < 399 && at.x > 80 && at.x < 920 && at.y > 80 && at.y < 520;
    }, barge);
  }
}, 150_000);
