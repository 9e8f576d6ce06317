/** The demo sessions and their ground, as Node has them. */
import { readFileSync } from 'node:fs';
import { decode } from 'fast-png';
import { terrainOfGrid } from 'zesty-kite';
import { Replay, SessionReader, type ReplaySummary } from 'zesty-kite/session';

const DATA = new URL('../../data/lemon-strait/', import.meta.url);
export const SESSIONS = ['crossing', 'flung', 'turned', 'hilly', 'handed', 'directed'];

/** What the ground is made of. */
export const GRID = {
  id: 'Lemon Strait',
  columns: 513,
  rows: 385,
  step: 2,
  heights: Array.from(decode(readFileSync(new URL('height.png', DATA))).data, (value) => -6 + (value / 65535) * 66),
};

export function isHilly(name: string): boolean {
  return ['hilly', 'handed', 'directed'].includes(name);
}

export function sessionText(name: string): string {
  return readFileSync(new URL(`sessions/${name}.ndjson`, DATA), 'utf8');
}

const STRAIT = terrainOfGrid(GRID);

export function playHere(name: string, rate = 60): ReplaySummary {
  const reader = new SessionReader();
  const signals = reader.push(sessionText(name));
  const replay = new Replay(reader.end().header, { rate, terrain: isHilly(name) ? STRAIT : null });
  signals.forEach((signal) => replay.push(signal));
  return replay.end();
}
