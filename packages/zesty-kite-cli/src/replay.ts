/** `zesty-kite replay SESSION`: plays a session and says what it came to. */
import { constants } from 'node:fs';
import { open } from 'node:fs/promises';
import { Command, InvalidArgumentError, Option } from 'commander';
import type { StampedSignal, Terrain } from 'zesty-kite';
import { Replay, SessionReader, type ReplaySummary, type SessionHeader } from 'zesty-kite/session';
import { Failure, inFile } from './failure.ts';
import { readGround } from './ground.ts';
import { print } from './print.ts';
import { brokenPromises, table } from './report.ts';
import { createProgress } from './progress.ts';
import { openTrace, type Trace } from './trace.ts';

interface ReplayOptions {
  readonly rate: number;
  readonly json: boolean;
  readonly trace?: string;
  readonly force: boolean;
  readonly terrain: readonly string[];
}

const BROKEN = 1;

export function replayCommand(exit: (code: number) => void): Command {
  return new Command('replay')
    .description('Play a session at a steady frame rate; print what it came to and which guarantees held.')
    .argument('<session>', 'a session file (newline-delimited JSON), or - for standard input')
    .option('--rate <hertz>', 'frames a second; the motion does not depend on it', frameRate, 60)
    .option('--json', 'print one JSON object instead of a table')
    .addOption(
      new Option(
        '--terrain <file>',
        'the ground that it was recorded over, or changed to: a description with a height image beside it; may be repeated',
      )
        .argParser((file: string, files: readonly string[]) => [...files, file])
        .default([], 'flat ground'),
    )
    .option('--trace <file>', 'write a CSV row for every frame that moves')
    .option('--force', 'replace the file of --trace where it is there already')
    .action(async (session: string, options: ReplayOptions) => {
      const { summary, unfinishedLine } = await play(session, options);
      const broken = brokenPromises(summary);
      if (unfinishedLine !== null)
        await print(
          'stderr',
          `zesty-kite: ${nameOf(session)}: line ${String(unfinishedLine)} is unfinished, the recording was cut off there; what stands before it was played\n`,
        );
      await print(
        'stdout',
        options.json
          ? `${JSON.stringify({ ...summary, rate: options.rate, unfinishedLine, broken }, null, 2)}\n`
          : table(summary, options.rate),
      );
      for (const promise of broken) await print('stderr', `zesty-kite: broken: ${promise}\n`);
      if (broken.length > 0) exit(BROKEN);
    });
}

interface Played {
  readonly summary: ReplaySummary;
  readonly unfinishedLine: number | null;
}

async function play(session: string, options: ReplayOptions): Promise<Played> {
  const grounds = await Promise.all(options.terrain.map((file) => readGround(file)));
  const inputs = [...(session === '-' ? [] : [session]), ...grounds.flatMap(({ files }) => files)];
  const trace = options.trace === undefined ? null : openTrace(options.trace, inputs, options.force);
  const { stream, size, close } = await openSession(session);
  const progress = await createProgress(size);
  try {
    const decoder = new TextDecoder();
    const player = new Player(
      options.rate,
      grounds.map(({ terrain }) => terrain),
      trace,
    );
    let read = 0;
    for await (const piece of stream) {
      read += piece.length;
      player.take(decoder.decode(piece, { stream: true }));
      progress.update(read);
    }
    const played = player.end();
    trace?.finish();
    return played;
  } catch (error) {
    trace?.abandon();
    throw inFile(nameOf(session), error);
  } finally {
    progress.stop();
    await close();
  }
}

interface OpenSession {
  readonly stream: AsyncIterable<Buffer>;
  /** Bytes; `null` where it comes through a pipe. */
  readonly size: number | null;
  readonly close: () => Promise<void>;
}

async function openSession(session: string): Promise<OpenSession> {
  if (session === '-') return { stream: process.stdin, size: null, close: () => Promise.resolve() };
  try {
    const handle = await open(session, constants.O_RDONLY);
    const close = (): Promise<void> => handle.close();
    try {
      const found = await handle.stat();
      if (found.isDirectory()) throw new Failure(`${session}: found a folder; wanted a session file`);
      const stream = handle.createReadStream({ autoClose: false });
      return { stream, size: found.isFile() ? found.size : null, close };
    } catch (error) {
      await close();
      throw error;
    }
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT')
      throw new Failure(`${session}: there is no such file; wanted a session file, or - for standard input`, {
        cause: error,
      });
    throw inFile(session, error);
  }
}

/** Text in, signals played as soon as they are whole. */
class Player {
  readonly #rate: number;
  readonly #terrains: readonly Terrain[];
  readonly #trace: Trace | null;
  readonly #reader = new SessionReader();
  #replay: Replay | null = null;

  constructor(rate: number, terrains: readonly Terrain[], trace: Trace | null) {
    this.#rate = rate;
    this.#terrains = terrains;
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
    // The one that it begins over, or the first, which will not do.
    const isIts = ({ id, digest }: Terrain): boolean => id === header.terrain?.id && digest === header.terrain.digest;
    const none = header.terrain === undefined && this.#terrains.length > 1 ? null : (this.#terrains[0] ?? null);
    const terrain = this.#terrains.find(isIts) ?? none;
    this.#replay ??= new Replay(header, { rate: this.#rate, terrain, terrains: this.#terrains, ...frame });
    for (const signal of signals) this.#replay.push(signal);
    return this.#replay;
  }
}

function nameOf(session: string): string {
  return session === '-' ? 'standard input' : session;
}

function frameRate(text: string): number {
  const rate = Number(text);
  if (text.trim() !== '' && rate >= 1 && rate <= 10_000) return rate;
  throw new InvalidArgumentError(`found "${text}"; wanted 1 to 10000 frames a second.`);
}
