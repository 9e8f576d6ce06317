/** What a device or the program did: plain, serialisable, with its time. */
import { clamp, finite } from '../math/index.ts';
import { sentence, shown, type Settings } from '../settings/index.ts';
import type { Screen } from '../view/index.ts';

/** The element that is drawn on has this size, in CSS pixels. Under 1 × 1 the last size stays. */
export interface ScreenSignal {
  readonly kind: 'screen';
  readonly width: number;
  readonly height: number;
}

/** A key went down or up. */
export interface KeySignal {
  readonly kind: 'key';
  /** UI Events `code`, such as `KeyW`. */
  readonly code: string;
  readonly down: boolean;
}

/** The wheel was turned. */
export interface WheelSignal {
  readonly kind: 'wheel';
  /** Where the cursor was, in CSS pixels from the top left of the screen. */
  readonly x: number;
  readonly y: number;
  /** Notches, broken ones too; positive is toward the player and shows more of the ground. */
  readonly notches: number;
}

/** Everything held is let go: the page lost the keyboard, or was hidden. */
export interface ReleaseSignal {
  readonly kind: 'release';
}

/** Frames stopped being drawn, or are drawn again: nothing held moves anything between the two. */
export interface GapSignal {
  readonly kind: 'gap';
  readonly phase: 'begin' | 'end';
}

/** The program puts the camera somewhere; what is left out stays as it is shown. */
export interface PlaceSignal {
  readonly kind: 'place';
  readonly x?: number;
  readonly y?: number;
  readonly span?: number;
}

/** The program changes some settings; what is left out stays. */
export interface ChangeSignal {
  readonly kind: 'change';
  readonly settings: Settings;
}

/** Anything that steers, without its time. */
export type SignalBody =
  | ScreenSignal
  | KeySignal
  | WheelSignal
  | ReleaseSignal
  | GapSignal
  | PlaceSignal
  | ChangeSignal;

/**
 * Anything that steers. `time` is a DOM high-resolution timestamp in milliseconds, on the clock that
 * `advance` is called with; without it, it is now.
 */
export type Signal = SignalBody & { readonly time?: number };

/** A signal as a session keeps it: `at` is whole microseconds since the session began. */
export type StampedSignal = SignalBody & { readonly at: number };

const FARTHEST = 1e12;
const MOST_PIXELS = 1e6;
const MOST_NOTCHES = 1e6;

/**
 * A copy of a signal's body with every number finite and in range: what is NaN or infinite counts
 * as nothing, what is out of range as the end of the range.
 *
 * @throws TypeError when the kind is not known, or a part is missing or of the wrong type
 */
export function cleanSignal(signal: SignalBody): SignalBody {
  switch (signal.kind) {
    case 'screen':
      return { kind: 'screen', ...cleanScreen(signal) };
    case 'key':
      if (typeof signal.code !== 'string') refuse('code', signal.code, 'a UI Events code, such as "KeyW"');
      if (typeof signal.down !== 'boolean') refuse('down', signal.down, 'true or false');
      return { kind: 'key', code: signal.code, down: signal.down };
    case 'wheel':
      return {
        kind: 'wheel',
        x: clamp(number('x', signal.x), -MOST_PIXELS, MOST_PIXELS),
        y: clamp(number('y', signal.y), -MOST_PIXELS, MOST_PIXELS),
        notches: clamp(number('notches', signal.notches), -MOST_NOTCHES, MOST_NOTCHES),
      };
    case 'release':
      return { kind: 'release' };
    case 'gap': {
      const phase: string = signal.phase;
      if (phase !== 'begin' && phase !== 'end') refuse('phase', phase, '"begin" or "end"');
      return { kind: 'gap', phase };
    }
    case 'place':
      return {
        kind: 'place',
        ...within('x', signal.x, -FARTHEST, FARTHEST),
        ...within('y', signal.y, -FARTHEST, FARTHEST),
        ...within('span', signal.span, 1 / FARTHEST, FARTHEST),
      };
    case 'change':
      if (typeof signal.settings !== 'object') refuse('settings', signal.settings, 'settings');
      return { kind: 'change', settings: JSON.parse(JSON.stringify(signal.settings)) as Settings };
    default:
      return refuse(
        'kind',
        (signal as { kind?: unknown }).kind,
        'one of "screen", "key", "wheel", "release", "gap", "place", "change"',
      );
  }
}

/** A size with both sides finite and in range; what is NaN or infinite is no size. */
export function cleanScreen({ width, height }: Screen): Screen {
  return {
    width: clamp(number('width', width), 0, MOST_PIXELS),
    height: clamp(number('height', height), 0, MOST_PIXELS),
  };
}

function number(name: string, value: unknown): number {
  return typeof value === 'number' ? finite(value, 0) : refuse(name, value, 'a number');
}

function within(name: 'x' | 'y' | 'span', value: unknown, least: number, most: number): Record<string, number> {
  if (value === undefined) return {};
  if (typeof value !== 'number') refuse(name, value, 'a number, or nothing');
  return Number.isFinite(value) ? { [name]: clamp(value + 0, least, most) } : {};
}

function refuse(name: string, found: unknown, wanted: string): never {
  throw new TypeError(sentence({ path: `signal.${name}`, found: shown(found), wanted }));
}
