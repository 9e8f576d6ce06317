/** The same sessions in Node and in a browser: the same bits. */
import { expect, test } from '@jest/globals';
import { terrainOf, type Terrain } from 'zesty-kite';
import { Replay, SessionReader } from 'zesty-kite/session';
import { libraryScript, ownBrowser } from './browser.ts';
import { GRID, isHilly, playHere, SESSIONS, sessionText } from './strait.ts';

const own = ownBrowser();

test('G6: all demo sessions have the same digest and figures in Node and in the browser, at different rates', async () => {
  const page = await own.browser.newPage();
  await page.addScriptTag(libraryScript());
  await page.addScriptTag({ content: `window.strait = zesty.terrainOfGrid(${JSON.stringify(GRID)})` });
  for (const name of SESSIONS) {
    const there = await page.evaluate(
      ([session, hilly]) => {
        const terrain = hilly ? (Reflect.get(window, 'strait') as Terrain) : null;
        const reader = new zesty.SessionReader();
        const signals = reader.push(session);
        const replay = new zesty.Replay(reader.end().header, { rate: 60, terrain });
        signals.forEach((signal) => replay.push(signal));
        return replay.end();
      },
      [sessionText(name), isHilly(name)] as const,
    );
    expect(there).toEqual(playHere(name));
    expect(there.digest).toBe(playHere(name, 144).digest);
  }
});

test('a session over the hills of a formula, recorded in the browser, plays in Node to the same place', async () => {
  const page = await own.browser.newPage();
  await page.addScriptTag(libraryScript());
  const there = await page.evaluate(() => {
    const heightAt = (x: number, y: number): number =>
      20 * Math.sin(x / 70.3) * Math.cos(y / 59.7) * Math.exp(-x / 5000) + 3 * Math.sin((x * y) / 977) + 24;
    const terrain = zesty.terrainOf(
      { id: 'waves', lowest: 0, highest: 60, feature: 8, heightAt },
      { columns: 257, rows: 193, step: 4 },
    );
    const camera = new zesty.Camera([zesty.tilted(), { start: { x: 400, y: 300, span: 120 } }], {
      screen: { width: 900, height: 600 },
      terrain,
    });
    const recording = zesty.record(camera);
    for (let frame = 0; frame < 120; frame++) {
      if (frame === 3) camera.signal({ kind: 'key', code: 'KeyD', down: true, time: 50 });
      if (frame === 40) camera.signal({ kind: 'wheel', x: 500, y: 300, notches: 5, time: 666 });
      if (frame === 70) camera.signal({ kind: 'key', code: 'KeyD', down: false, time: 1166 });
      camera.advance((frame * 1000) / 60);
    }
    const { x, y, span, focusHeight } = camera.shown;
    return { text: recording.text(), shown: { x, y, span, focusHeight }, digest: terrain.digest };
  });
  await page.close();
  const heightAt = (x: number, y: number): number =>
    20 * Math.sin(x / 70.3) * Math.cos(y / 59.7) * Math.exp(-x / 5000) + 3 * Math.sin((x * y) / 977) + 24;
  const formula = { id: 'waves', lowest: 0, highest: 60, feature: 8, heightAt };
  const terrain = terrainOf(formula, { columns: 257, rows: 193, step: 4 });
  expect(terrain.digest).toBe(there.digest);
  const reader = new SessionReader();
  const signals = reader.push(there.text);
  let last = {};
  const replay = new Replay(reader.end().header, {
    terrain,
    frame: (camera, micros) => {
      const { x, y, span, focusHeight } = camera.shown;
      if (micros === Math.round((119 * 1e6) / 60)) last = { x, y, span, focusHeight };
    },
  });
  for (const signal of signals) replay.push(signal);
  replay.end();
  expect(last).toEqual(there.shown);
});
