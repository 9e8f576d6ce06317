/** The same sessions in Node and in a browser: the same bits. */
import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { Browser } from 'playwright-core';
import { Replay, SessionReader, type ReplaySummary } from 'zesty-kite/session';
import { launch, libraryScript } from './browser.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await launch();
});
afterAll(() => browser.close());

function playHere(text: string, rate: number): ReplaySummary {
  const reader = new SessionReader();
  const signals = reader.push(text);
  const replay = new Replay(reader.end().header, { rate });
  signals.forEach((signal) => {
    replay.push(signal);
  });
  return replay.end();
}

test.each(['crossing.ndjson', 'flung.ndjson'])(
  'G6: %s has the same digest and figures in Node and in the browser',
  async (name) => {
    const text = readFileSync(new URL(`../../data/lemon-strait/sessions/${name}`, import.meta.url), 'utf8');
    const page = await browser.newPage();
    await page.addScriptTag(libraryScript());
    for (const rate of [60, 144]) {
      const there = await page.evaluate(
        ([session, hertz]) => {
          const reader = new zesty.SessionReader();
          const signals = reader.push(session);
          const replay = new zesty.Replay(reader.end().header, { rate: hertz });
          signals.forEach((signal) => {
            replay.push(signal);
          });
          return replay.end();
        },
        [text, rate] as const,
      );
      expect(there).toEqual(playHere(text, rate));
    }
  },
);
