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
  signals.forEach((signal) => {
    replay.push(signal);
  });
  return replay.end();
}

test.each(['crossing.ndjson', 'flung.ndjson', 'turned.ndjson', 'hilly.ndjson', 'handed.ndjson'])(
  'G6: %s has the same digest and figures in Node and in the browser',
  async (name) => {
    const text = readFileSync(new URL(`sessions/${name}`, DATA), 'utf8');
    const hilly = name === 'hilly.ndjson' || name === 'handed.ndjson';
    const page = await browser.newPage();
    await page.addScriptTag(libraryScript());
    for (const rate of [60, 144]) {
      const there = await page.evaluate(
        ([session, hertz, size, samples]) => {
          const heights = Float64Array.from(samples, (value) => -6 + (value / 65535) * 66);
          const terrain = size === null ? null : zesty.terrainOfGrid({ ...size, heights });
          const reader = new zesty.SessionReader();
          const signals = reader.push(session);
          const replay = new zesty.Replay(reader.end().header, { rate: hertz, terrain });
          signals.forEach((signal) => {
            replay.push(signal);
          });
          return replay.end();
        },
        [text, rate, hilly ? SIZE : null, hilly ? [...pixels] : []] as const,
      );
      expect(there).toEqual(playHere(text, rate, hilly ? strait : null));
    }
  },
);
