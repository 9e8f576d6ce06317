/** Reading a session file as it streams in. */
import { refuse, sentence } from '../messages/index.ts';
import type { SavedState } from '../camera/index.ts';
import { DIRECTED } from '../direct/index.ts';
import type { Mover, Start } from '../motion/index.ts';
import { polygons } from '../polygons/index.ts';
import type { Screen } from '../view/index.ts';
import { cleanSignal, plansOf, type Plan, type SignalBody, type StampedSignal } from '../signals/index.ts';
import { changeSettings, completeSettings, isSpan, shown, type Checked, type Settings } from '../settings/index.ts';
import { FORMAT, VERSION, type SessionHeader } from './format.ts';
import { SessionError } from './sessionError.ts';

/** Characters: of a signal, and of the header, which has all settings in it. */
const LONGEST_LINE = 1e6;
const LONGEST_HEADER = 16e6;

/** The result of reading a whole file. */
export interface SessionEnd {
  /** The first line. */
  readonly header: SessionHeader;
  /** The signal of a last line without a line break, if there is one. */
  readonly signals: readonly StampedSignal[];
  /** The last line is cut off: its number. Every line before it is whole. Null when all is whole. */
  readonly unfinishedLine: number | null;
}

/**
 * Reads a session file in pieces of any size.
 *
 * ```ts
 * const reader = new SessionReader();
 * const signals = reader.push(file);
 * const { header } = reader.end();
 * ```
 *
 * @throws SessionError with the line of the first mistake
 */
export class SessionReader {
  #header: SessionHeader | null = null;
  #settings: Checked | null = null;
  /** The line under way, in the pieces in which it came. */
  #pieces: string[] = [];
  #length = 0;
  #line = 0;
  #at = 0;
  readonly #movers: readonly Mover[];
  /** The kinds of signals of those. */
  readonly #kinds = new Map<string, Plan>();

  /** @param movers abilities that cameras may have learned, those of `zesty-kite/direct` when left out: a session that needs another is refused */
  constructor(movers: readonly Mover[] = DIRECTED) {
    this.#movers = movers;
    for (const { signals } of movers) for (const [kind, plan] of plansOf(signals)) this.#kinds.set(kind, plan);
  }

  /** The first line, once it has been read. */
  get header(): SessionHeader | null {
    return this.#header;
  }

  /**
   * @returns the signals that `text` completes, in order
   * @throws SessionError with the number of the broken line and what was expected there
   */
  push(text: string): StampedSignal[] {
    if (typeof (text as unknown) !== 'string') refuse('SessionReader.push', text, 'a piece of text');
    const signals: StampedSignal[] = [];
    let from = 0;
    for (let end = text.indexOf('\n'); end >= 0; end = text.indexOf('\n', from)) {
      this.#keep(text.slice(from, end));
      this.#take(this.#joined(), signals);
      from = end + 1;
    }
    this.#keep(text.slice(from));
    return signals;
  }

  #keep(piece: string): void {
    this.#length += piece.length;
    const max = this.#header === null ? LONGEST_HEADER : LONGEST_LINE;
    if (this.#length > max)
      throw new SessionError(this.#line + 1, `expected a line of at most ${String(max / 1e6)} MB, got a longer one`);
    this.#pieces.push(piece);
  }

  #joined(): string {
    const line = this.#pieces.length === 1 ? (this.#pieces[0] ?? '') : this.#pieces.join('');
    this.#pieces = [];
    this.#length = 0;
    return line;
  }

  /**
   * The file is over.
   *
   * @throws SessionError when the last line is whole JSON but wrong, or there is no header
   */
  end(): SessionEnd {
    const rest = this.#joined();
    const signals: StampedSignal[] = [];
    const unfinished = this.#header !== null && rest.trim() !== '' && !isJson(rest);
    if (!unfinished) this.#take(rest, signals);
    const header = this.#header;
    if (header === null)
      throw new SessionError(1, `expected the header of a session, {"format":"${FORMAT}",…}, got nothing`);
    return { header, signals, unfinishedLine: unfinished ? this.#line + 1 : null };
  }

  #take(text: string, signals: StampedSignal[]): void {
    this.#line += 1;
    if (text.trim() === '') return;
    let value: unknown;
    try {
      value = JSON.parse(text);
    } catch {
      throw new SessionError(this.#line, `expected one JSON object, got ${shown(text)}`);
    }
    if (this.#header === null) {
      this.#header = readHeader(value, this.#line, this.#movers);
      this.#settings = completeSettings(this.#header.settings, [polygons]);
    } else signals.push(this.#signal(value));
  }

  #signal(value: unknown): StampedSignal {
    const { at } = asObject(value, this.#line);
    if (!isMicros(at) || at < this.#at)
      throw new SessionError(
        this.#line,
        `at: expected whole microseconds, at least the ${String(this.#at)} of the line above, got ${shown(at)}`,
      );
    try {
      const body = cleanSignal(value as SignalBody, this.#kinds);
      if (body === null) throw new SessionError(this.#line, `expected finite coordinates, got ${shown(value)}`);
      const signal: StampedSignal = { at, ...body };
      if (signal.kind === 'change' && this.#settings !== null)
        this.#settings = changeSettings(this.#settings, signal.settings);
      this.#at = at;
      return signal;
    } catch (error) {
      throw new SessionError(this.#line, messageOf(error).replace(/^signal\./, ''));
    }
  }
}

function readHeader(value: unknown, line: number, known: readonly Mover[]): SessionHeader {
  const { format, version, at, settings, screen, pose, home, terrain, movers = [], state } = asObject(value, line);
  if (format !== FORMAT) throw mistake(line, 'format', format, `"${FORMAT}"`);
  if (version !== VERSION) throw mistake(line, 'version', version, `${String(VERSION)}, which this package reads`);
  if (at !== undefined && !isMicros(at)) throw mistake(line, 'at', at, 'whole microseconds');
  if (state !== undefined && !isState(state)) throw mistake(line, 'state', state, 'an object with a digest');
  try {
    completeSettings(settings, [polygons]);
  } catch (error) {
    throw new SessionError(line, messageOf(error));
  }
  if (screen !== null && !isScreen(screen)) throw mistake(line, 'screen', screen, '{"width":…,"height":…} or null');
  if (home !== undefined && !isStart(home)) throw mistake(line, 'home', home, START);
  if (pose !== undefined && !isStart(pose)) throw mistake(line, 'pose', pose, START);
  if (!Array.isArray(movers)) throw mistake(line, 'movers', movers, 'a list of names');
  const unknown: unknown = movers.find((name) => !known.some((mover) => mover.name === name));
  if (unknown !== undefined) throw mistake(line, 'movers', unknown, 'abilities that are passed to the reader');
  const header: SessionHeader = {
    format: FORMAT,
    version: VERSION,
    ...(at === undefined ? {} : { at }),
    settings: settings as Settings,
    screen,
    ...(pose === undefined ? {} : { pose }),
    ...(home === undefined ? {} : { home }),
    ...(movers.length === 0 ? {} : { movers: movers as string[] }),
    ...(state === undefined ? {} : { state }),
  };
  if (terrain === undefined) return header;
  if (!isTerrain(terrain)) throw mistake(line, 'terrain', terrain, '{"id":…,"digest":…}, or nothing');
  return { ...header, terrain };
}

const START = '{"x":…,"y":…,"span":…,"heading":…,"pitch":…}, or nothing';

function mistake(line: number, path: string, got: unknown, expected: string): SessionError {
  return new SessionError(line, sentence({ path, got: shown(got), expected }));
}

function isMicros(value: unknown): value is number {
  return typeof value === 'number' && Number.isInteger(value) && value >= 0 && value <= 1e15;
}

function isState(value: unknown): value is SavedState {
  return typeof value === 'object' && value !== null && typeof (value as Partial<SavedState>).digest === 'string';
}

function isTerrain(value: unknown): value is { id: string; digest: string } {
  if (typeof value !== 'object' || value === null) return false;
  const { id, digest } = value as Partial<Record<string, unknown>>;
  return typeof id === 'string' && typeof digest === 'string';
}

function isStart(value: unknown): value is Start {
  if (typeof value !== 'object' || value === null) return false;
  const { x, y, span, heading, pitch } = value as Partial<Record<string, unknown>>;
  const isPitch = pitch === null || (typeof pitch === 'number' && pitch >= 0 && pitch <= 90);
  return isPitch && isSpan(span) && [x, y, heading].every((at) => typeof at === 'number' && Math.abs(at) <= 1e12);
}

function isScreen(value: unknown): value is Screen {
  if (typeof value !== 'object' || value === null) return false;
  const { width, height } = value as Partial<Record<string, unknown>>;
  return typeof width === 'number' && typeof height === 'number';
}

function asObject(value: unknown, line: number): Partial<Record<string, unknown>> {
  if (typeof value === 'object' && value !== null && !Array.isArray(value)) return value;
  throw new SessionError(line, `expected one JSON object, got ${shown(value)}`);
}

function isJson(text: string): boolean {
  try {
    JSON.parse(text);
    return true;
  } catch {
    return false;
  }
}

function messageOf(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
