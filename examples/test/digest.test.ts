/** The same sessions in Node and in a browser: the same bits. */
import { expect, test } from '@jest/globals';
import type { Terrain } from 'zesty-kite';
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
