/** Session files: one that streams through a replay, and those that lie in folders. */
import { readdirSync, realpathSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { setImmediate as pause } from 'node:timers/promises';
import type { Camera, Settings, StampedSignal, Terrain } from 'zesty-kite';
import { Replay, SessionError, SessionReader, type ReplaySummary, type SessionHeader } from 'zesty-kite/session';
import { Failure, inFile, refusal } from '../failure.ts';
import { openInput, openPipe } from '../read/inputs.ts';
import { createProgress } from '../read/progress.ts';
import { readSettingsFile } from '../read/settingsFile.ts';
import { Watch } from './watch.ts';

export interface PlayOptions {
  /** Frames a second. */
  readonly rate: number;
  readonly terrains?: readonly Terrain[];
  /** The terrains are those of many sessions: one over flat ground has none of them. */
  readonly isAnyGround?: boolean;
  /** Other settings under the same hands. */
  readonly settings?: Settings | undefined;
  /** Seconds: only what lies between is measured; what comes later is not heard. */
  readonly from?: number | undefined;
  readonly until?: number | undefined;
  /** Told of the camera once, before it plays. */
  readonly begin?: (camera: Camera) => void;
  readonly signal?: (signal: StampedSignal) => void;
  readonly frame?: (camera: Camera, micros: number) => void;
  /** Shows on a terminal how far it is. */
  readonly progress?: boolean;
}

export interface Played {
  readonly summary: ReplaySummary;
  /** A sentence for each promise that the session shows to be broken. */
  readonly broken: readonly string[];
  /** The number of a last line that is cut off. */
  readonly unfinishedLine: number | null;
}

/** Plays a file, or standard input for `-`, as it streams in. */
export async function playSession(session: string, options: PlayOptions): Promise<Played> {
  const { from = 0, until = Infinity } = options;
  if (!(until > from))
    throw new Failure(`--until: expected more than --from (${String(from)} s), got ${String(until)}`);
  const { stream, size, close } = await openSession(session);
  const progress = await createProgress(options.progress === true ? size : null);
  try {
    const decoder = new TextDecoder();
    const player = new Player(options);
    let read = 0;
    for await (const piece of stream) {
      read += piece.length;
      await player.take(decoder.decode(piece, { stream: true }));
      progress.update(read);
      if (player.isOver) break;
    }
    return await player.end();
  } catch (error) {
    throw await otherKind(session, error);
  } finally {
    progress.stop();
    await close();
  }
}

/** The same error; for a file of another kind, a failure that says which. */
async function otherKind(session: string, error: unknown): Promise<Failure> {
  const failure = inFile(nameOf(session), error);
  if (session === '-' || !(error instanceof SessionError) || error.line !== 1) return failure;
  try {
    const { settings } = await readSettingsFile(session);
    if ('keyframes' in settings)
      return refusal(`${session}: line 1`, 'a cutscene, which zesty-kite check reads', 'a session', error);
    return 'format' in settings
      ? failure
      : refusal(`${session}: line 1`, 'settings, which zesty-kite check and explain read', 'a session', error);
  } catch {
    return failure;
  }
}

/** The name of a session in messages. */
export function nameOf(session: string): string {
  return session === '-' ? 'standard input' : session;
}

/** The sessions that are named, and those in folders that are: every `.ndjson` below, in the order of their names. */
export function sessionsIn(paths: readonly string[]): string[] {
  return paths.flatMap((path) => {
    if (path === '-') return [path];
    let isFolder: boolean;
    try {
      isFolder = statSync(path).isDirectory();
    } catch {
      return [path];
    }
    if (!isFolder) return [path];
    const found = below(path, new Set()).sort();
    if (found.length === 0) throw new Failure(`${path}: expected a folder with sessions (*.ndjson), got none`);
    return found;
  });
}

/** The sessions in a folder and in those below it, each folder once: links may lead round in a circle. */
function below(folder: string, seen: Set<string>): string[] {
  const real = realpathSync(folder);
  if (seen.has(real)) return [];
  seen.add(real);
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    if (statSync(path, { throwIfNoEntry: false })?.isDirectory() === true) return below(path, seen);
    return name.endsWith('.ndjson') ? [path] : [];
  });
}

/** Milliseconds between two pauses. */
const PAUSES = 50;

interface OpenSession {
  readonly stream: AsyncIterable<Buffer>;
  /** Bytes; `null` for a pipe. */
  readonly size: number | null;
  readonly close: () => Promise<void>;
}

async function openSession(session: string): Promise<OpenSession> {
  if (session === '-') return { stream: openPipe(), size: null, close: () => Promise.resolve() };
  try {
    const handle = await openInput(session);
    const close = (): Promise<void> => handle.close();
    try {
      const found = await handle.stat();
      if (found.isDirectory()) throw new Failure(`${session}: expected a session file, got a folder`);
      const stream = handle.createReadStream({ autoClose: false });
      return { stream, size: found.isFile() ? found.size : null, close };
    } catch (error) {
      await close();
      throw error;
    }
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT')
      throw new Failure(`${session}: expected a session file or - for standard input, got none`, {
        cause: error,
      });
    throw inFile(session, error);
  }
}

/** Text in, signals played as soon as they are whole. */
class Player {
  /** Nothing that is still to come is heard. */
  isOver = false;
  readonly #options: PlayOptions;
  readonly #until: number;
  readonly #reader = new SessionReader();
  readonly #watch = new Watch();
  #replay: Replay | null = null;
  /** The time of the next pause, milliseconds. Only in a pause does the program hear of Ctrl+C. */
  #pauseAt = 0;

  constructor(options: PlayOptions) {
    this.#options = options;
    this.#until = (options.until ?? Infinity) * 1e6;
  }

  async take(text: string): Promise<void> {
    const signals = this.#reader.push(text);
    if (this.#reader.header !== null) await this.#play(this.#reader.header, signals);
  }

  async end(): Promise<Played> {
    // Of what is not heard, it does not matter whether it is whole.
    const { header, signals, unfinishedLine } =
      this.isOver && this.#reader.header !== null
        ? { header: this.#reader.header, signals: [], unfinishedLine: null }
        : this.#reader.end();
    const replay = await this.#play(header, signals);
    const summary = replay.end();
    return { summary, broken: this.#watch.broken(summary, replay.camera), unfinishedLine };
  }

  async #play(header: SessionHeader, signals: readonly StampedSignal[]): Promise<Replay> {
    const { frame, signal: tell } = this.#options;
    const replay = (this.#replay ??= this.#begin(header, (camera, micros) => {
      this.#watch.frame(camera, micros, replay.worst);
      frame?.(camera, micros);
    }));
    for (const signal of signals) {
      this.isOver ||= signal.at > this.#until;
      if (this.isOver) break;
      replay.push(signal);
      tell?.(signal);
      if (performance.now() < this.#pauseAt) continue;
      await pause();
      this.#pauseAt = performance.now() + PAUSES;
    }
    return replay;
  }

  #begin(header: SessionHeader, frame: (camera: Camera, micros: number) => void): Replay {
    const { rate, terrains = [], isAnyGround = false, settings, from = 0, begin } = this.#options;
    // The one that it begins over, or the first, which will not do.
    const isIts = ({ id, digest }: Terrain): boolean => id === header.terrain?.id && digest === header.terrain.digest;
    const none = header.terrain === undefined && (isAnyGround || terrains.length > 1) ? null : (terrains[0] ?? null);
    const terrain = terrains.find(isIts) ?? none;
    const start = settings === undefined ? header : withSettings(header, settings);
    const replay = new Replay(start, { rate, terrain, terrains, from: from * 1e6, until: this.#until, frame });
    begin?.(replay.camera);
    return replay;
  }
}

/** The same hands with other settings: they begin at the start of those, at rest. */
function withSettings(header: SessionHeader, settings: Settings): SessionHeader {
  const { format, version, at = 0, screen, home, terrain, movers = [] } = header;
  return { format, version, at, settings, screen, movers, ...(home && { home }), ...(terrain && { terrain }) };
}
