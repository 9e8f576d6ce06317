/** The same sessions in Node and in a browser: the same bits. */
import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { Browser } from 'playwright-core';
import { decode } from 'fast-png';
import { terrainOfGrid, type Terrain } from 'zesty-kite';
import { Replay, SessionReader, type ReplaySummary } from 'zesty-kite/session';
import { launch, libraryScript } from './browser.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await launch();
});
afterAll(() => browser.close());

const DATA = new URL('../../data/lemon-strait/', import.meta.url);
const pixels = decode(readFileSync(new URL('height.png', DATA))).data;
const SIZE = { id: 'Lemon Strait', columns: 513, rows: 385, step: 2 };
const strait = terrainOfGrid({ ...SIZE, heights: Float64Array.from(pixels, (value) => -6 + (value / 65535) * 66) });

function playHere(text: string, rate: number, terrain: Terrain | null): ReplaySummary {
  const reader = new SessionReader();
  const signals = reader.push(text);
  const replay = new Replay(reader.end().header, { rate, terrain });
  signals.forEach((signal) => replay.push(signal));
  return replay.end();
}

test('G6: all demo sessions have the same digest and figures in Node and in the browser, at different rates', async () => {
  const page = await browser.newPage();
  await page.addScriptTag(libraryScript());
  await page.evaluate(
    ([size, samples]) => {
      const heights = Float64Array.from(samples, (value) => -6 + (value / 65535) * 66);
      Object.assign(window, { strait: zesty.terrainOfGrid({ ...size, heights }) });
    },
    [SIZE, [...pixels]] as const,
  );
  for (const name of ['crossing', 'flung', 'turned', 'hilly', 'handed']) {
    const text = readFileSync(new URL(`sessions/${name}.ndjson`, DATA), 'utf8');
    const hilly = name === 'hilly' || name === 'handed';
    const there = await page.evaluate(
      ([session, isHilly]) => {
        const terrain = isHilly ? (Reflect.get(window, 'strait') as Terrain) : null;
        const reader = new zesty.SessionReader();
        const signals = reader.push(session);
        const replay = new zesty.Replay(reader.end().header, { rate: 60, terrain });
        signals.forEach((signal) => replay.push(signal));
        return replay.end();
      },
      [text, hilly] as const,
    );
    expect(there).toEqual(playHere(text, 60, hilly ? strait : null));
    expect(there.digest).toBe(playHere(text, 144, hilly ? strait : null).digest);
  }
});
