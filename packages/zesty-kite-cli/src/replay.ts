/** `zesty-kite replay SESSION`: plays a session and says what it came to. */
import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { Command, InvalidArgumentError } from 'commander';
import type { StampedSignal, Terrain } from 'zesty-kite';
import { Replay, SessionReader, type ReplaySummary, type SessionHeader } from 'zesty-kite/session';
import { readGround } from './ground.ts';
import { brokenPromises, table } from './report.ts';
import { createProgress } from './progress.ts';
import { openTrace, type Trace } from './trace.ts';

interface ReplayOptions {
  readonly rate: number;
  readonly json: boolean;
  readonly trace?: string;
  readonly ground?: string;
}

const BROKEN = 1;

export function replayCommand(exit: (code: number) => void): Command {
  return new Command('replay')
    .description('Play a session at a steady frame rate; print what it came to and which guarantees held.')
    .argument('<session>', 'a session file (newline-delimited JSON), or - for standard input')
    .option('--rate <hertz>', 'frames a second; the motion does not depend on it', frameRate, 60)
    .option('--json', 'print one JSON object instead of a table', false)
    .option('--ground <file>', 'the ground that it was recorded over: a description with a height image beside it')
    .option('--trace <file>', 'write a CSV row for every frame')
    .action(async (session: string, options: ReplayOptions) => {
      const { summary, unfinishedLine } = await play(session, options);
      const broken = brokenPromises(summary);
      if (unfinishedLine !== null)
        process.stderr.write(
          `zesty-kite: ${nameOf(session)}: line ${String(unfinishedLine)} is unfinished, the recording was cut off there; what stands before it was played\n`,
        );
      process.stdout.write(
        options.json
          ? `${JSON.stringify({ ...summary, rate: options.rate, unfinishedLine, broken }, null, 2)}\n`
          : table(summary, options.rate),
      );
      for (const promise of broken) process.stderr.write(`zesty-kite: broken: ${promise}\n`);
      if (broken.length > 0) exit(BROKEN);
    });
}

interface Played {
  readonly summary: ReplaySummary;
  readonly unfinishedLine: number | null;
}

async function play(session: string, options: ReplayOptions): Promise<Played> {
  const size = session === '-' ? null : await sizeOf(session);
  const progress = createProgress(size);
  const terrain = options.ground === undefined ? null : await readGround(options.ground);
  const trace = options.trace === undefined ? null : openTrace(options.trace);
  try {
    const stream: AsyncIterable<Buffer> = session === '-' ? process.stdin : createReadStream(session);
    const decoder = new TextDecoder();
    const player = new Player(options.rate, terrain, trace);
    let read = 0;
    for await (const piece of stream) {
      read += piece.length;
      player.take(decoder.decode(piece, { stream: true }));
      await trace?.flush();
      progress.update(read);
    }
    return player.end();
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error);
    throw new Error(`${nameOf(session)}: ${reason}`, { cause: error });
  } finally {
    progress.stop();
    await trace?.close();
  }
}

/** Text in, signals played as soon as they are whole. */
class Player {
  readonly #rate: number;
  readonly #terrain: Terrain | null;
  readonly #trace: Trace | null;
  readonly #reader = new SessionReader();
  #replay: Replay | null = null;

  constructor(rate: number, terrain: Terrain | null, trace: Trace | null) {
    this.#rate = rate;
    this.#terrain = terrain;
    this.#trace = trace;
  }

  take(text: string): void {
    const signals = this.#reader.push(text);
    if (this.#reader.header !== null) this.#play(this.#reader.header, signals);
  }

  end(): Played {
    const { header, signals, unfinishedLine } = this.#reader.end();
    return { summary: this.#play(header, signals).end(), unfinishedLine };
  }

  #play(header: SessionHeader, signals: readonly StampedSignal[]): Replay {
    const trace = this.#trace;
    const frame = trace === null ? {} : { frame: trace.row };
    this.#replay ??= new Replay(header, { rate: this.#rate, terrain: this.#terrain, ...frame });
    for (const signal of signals) this.#replay.push(signal);
    return this.#replay;
  }
}

function nameOf(session: string): string {
  return session === '-' ? 'standard input' : session;
}

async function sizeOf(file: string): Promise<number> {
  try {
    const found = await stat(file);
    if (found.isDirectory()) throw new Error(`${file}: found a folder; wanted a session file`);
    return found.size;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT')
      throw new Error(`${file}: there is no such file; wanted a session file, or - for standard input`, {
        cause: error,
      });
    throw error;
  }
}

function frameRate(text: string): number {
  const rate = Number(text);
  if (text.trim() !== '' && rate >= 1 && rate <= 10_000) return rate;
  throw new InvalidArgumentError(`found "${text}"; wanted 1 to 10000 frames a second.`);
}
