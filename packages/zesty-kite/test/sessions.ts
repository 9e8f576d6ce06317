/** Sessions, read from text and played again. */
import { readFileSync } from 'node:fs';
import { Ajv2020 } from 'ajv/dist/2020.js';
import type { Camera, StampedSignal } from '../src/index.ts';
import {
  Replay,
  SessionReader,
  type ReplayOptions,
  type ReplaySummary,
  type SessionHeader,
} from '../src/session/index.ts';

const [settingsSchema, lineSchema] = ['settings', 'session'].map(
  (name) =>
    JSON.parse(readFileSync(new URL(`../dist/${name}.schema.json`, import.meta.url), 'utf8')) as Record<
      string,
      unknown
    >,
);
/** Whether a line of a session, parsed, is one by the JSON Schema. */
export const conforms = new Ajv2020({ strict: true, allowUnionTypes: true })
  .addSchema(settingsSchema ?? {}, 'settings.schema.json')
  .compile(lineSchema ?? {});

export interface Session {
  readonly header: SessionHeader;
  readonly signals: readonly StampedSignal[];
  readonly unfinishedLine: number | null;
}

/** Reads a session that comes in pieces of so many characters. */
export function read(text: string, piece = 7): Session {
  const reader = new SessionReader();
  const signals: StampedSignal[] = [];
  for (let i = 0; i < text.length; i += piece) signals.push(...reader.push(text.slice(i, i + piece)));
  const { header, signals: last, unfinishedLine } = reader.end();
  return { header, signals: [...signals, ...last], unfinishedLine };
}

export function playAgain(
  { header, signals }: Pick<Session, 'header' | 'signals'>,
  options?: ReplayOptions,
): ReplaySummary & { readonly camera: Camera } {
  // Random settings often begin outside of their zoom range.
  const replay = new Replay(header, { report: () => undefined, ...options });
  for (const signal of signals) replay.push(signal);
  const summary = replay.end();
  return { ...summary, camera: replay.camera };
}
