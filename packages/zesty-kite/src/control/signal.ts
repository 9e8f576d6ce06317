/** What a device or the program did: plain, serialisable, with its time. */
import type { GridPart } from '../ground/index.ts';
import { clamp, finite } from '../math/index.ts';
import {
  BUTTONS,
  PAD_BUTTONS,
  plainCopy,
  sentence,
  SettingsError,
  shown,
  type Button,
  type Problem,
  type Settings,
} from '../settings/index.ts';
import type { Screen } from '../view/index.ts';

/** The element that is drawn on has this size, in CSS pixels. Under 1 × 1 the last size stays. */
export interface ScreenSignal {
  readonly kind: 'screen';
  readonly width: number;
  readonly height: number;
  /** Device pixels per CSS pixel; 1 when left out. */
  readonly density?: number;
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
  /** How far it scrolls, CSS pixels to the right and down, where it could be a pan. */
  readonly right?: number;
  readonly down?: number;
  /** Two fingers on a trackpad scroll, or pinch. */
  readonly trackpad?: 'scroll' | 'pinch';
}

/** The pointer is over the screen, near enough to pan at its edges; or no longer. */
export interface HoverSignal {
  readonly kind: 'hover';
  /** CSS pixels from the top left of the screen; both left out where it is nowhere. */
  readonly x?: number;
  readonly y?: number;
}

/** A button or a finger came down. */
export interface PressSignal {
  readonly kind: 'press';
  /** Tells presses apart until they are lifted. */
  readonly id: number;
  readonly input: Button;
  /** CSS pixels from the top left of the screen. */
  readonly x: number;
  readonly y: number;
}

/** What is pressed moved. */
export interface MoveSignal {
  readonly kind: 'move';
  readonly id: number;
  readonly x: number;
  readonly y: number;
}

/** What was pressed went up; cancelled: it was taken away, and nothing is meant by it. */
export interface LiftSignal {
  readonly kind: 'lift';
  readonly id: number;
  readonly cancelled?: boolean;
}

/** A pad is like this now; with empty lists it is gone, or out of sight. */
export interface PadSignal {
  readonly kind: 'pad';
  /** Its `index`. */
  readonly id: number;
  /** -1 … 1 in the order of the Gamepad API's standard mapping: left stick right and down, right stick right and down. */
  readonly axes: readonly number[];
  /** 0 … 1 in the same order. */
  readonly buttons: readonly number[];
}

/** A finger takes hold of the ground under a screen point, or moves there with what it holds. */
export interface HoldSignal {
  readonly kind: 'hold';
  /** Tells fingers apart; the two that came first count. */
  readonly id: number;
  /** CSS pixels from the top left of the screen. */
  readonly x: number;
  readonly y: number;
}

/** A finger lets go; without an id, all of them. */
export interface UnholdSignal {
  readonly kind: 'unhold';
  readonly id?: number;
}

/** What stays where it is while the camera turns or tilts: a point of the ground, or whatever shows at a screen point. */
export type About = { readonly x: number; readonly y: number } | { readonly screenX: number; readonly screenY: number };

/** Turns clockwise, seen from above, by degrees; about the focus when nothing is said. */
export interface TurnSignal {
  readonly kind: 'turn';
  readonly degrees: number;
  readonly about?: About;
}

/** Looks down by so many degrees more, or less; about the focus when nothing is said. */
export interface TiltSignal {
  readonly kind: 'tilt';
  readonly degrees: number;
  readonly about?: About;
}

/** Goes back to where the settings begin, eased. */
export interface HomeSignal {
  readonly kind: 'home';
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
  readonly heading?: number;
  readonly pitch?: number;
}

/** From now on it is over another terrain, or over flat ground where both are null. */
export interface TerrainSignal {
  readonly kind: 'terrain';
  /** What the terrain calls itself, and the fingerprint of its heights. */
  readonly id: string | null;
  readonly digest: string | null;
  /** Where it is the one before but for some samples: those, so that a session has all it needs. */
  readonly part?: GridPart;
}

/** The program changes some settings; what is left out stays. */
export interface ChangeSignal {
  readonly kind: 'change';
  readonly settings: Settings;
}

/** What a hand does: the player's, or the program's in its place. */
export type HandSignal =
  | KeySignal
  | WheelSignal
  | PressSignal
  | MoveSignal
  | LiftSignal
  | PadSignal
  | HoldSignal
  | UnholdSignal
  | ReleaseSignal;

/** Anything that steers, without its time. */
export type SignalBody =
  | HandSignal
  | ScreenSignal
  | HoverSignal
  | TurnSignal
  | TiltSignal
  | HomeSignal
  | GapSignal
  | PlaceSignal
  | TerrainSignal
  | ChangeSignal;

/**
 * Anything that steers. `time` is a DOM high-resolution timestamp in milliseconds, on the clock that
 * `advance` is called with; without it, it is now.
 */
export type Signal = SignalBody & { readonly time?: number };

/** A signal as a session keeps it: `at` is whole microseconds since the session began. */
export type StampedSignal = SignalBody & { readonly at: number };

const FARTHEST = 1e12;
const MAX_PIXELS = 1e6;
const MAX_NOTCHES = 1e6;
const MAX_DEGREES = 1e6;
const MAX_AXES = 4;

const KINDS =
  'one of "screen", "key", "wheel", "hover", "press", "move", "lift", "pad", "hold", "unhold", "turn", "tilt", "home", "release", "gap", "place", "terrain", "change"';

/**
 * A copy of a signal's body with every number finite and in range: what is NaN or infinite counts
 * as nothing, what is out of range as the end of the range.
 *
 * @returns null for what is nowhere, such as a move to NaN: it moves nothing
 * @throws TypeError when the kind is not known, or a part is missing or of the wrong type; SettingsError for
 *   a change that is no plain data
 */
export function cleanSignal(signal: SignalBody): SignalBody | null {
  const given: unknown = signal;
  if (typeof given !== 'object' || given === null || Array.isArray(given))
    throw new TypeError(sentence({ path: 'signal', found: shown(given), wanted: 'an object with a kind' }));
  switch (signal.kind) {
    case 'screen':
      return { kind: 'screen', ...cleanScreen(signal) };
    case 'key': {
      const { code, down }: { readonly code: unknown; readonly down: unknown } = signal;
      if (typeof code !== 'string') return refuse('code', code, 'a UI Events code, such as "KeyW"');
      if (typeof down !== 'boolean') return refuse('down', down, 'true or false');
      return { kind: 'key', code, down };
    }
    case 'wheel':
      if (!isSomewhere(signal)) return null;
      return {
        kind: 'wheel',
        ...position(signal),
        notches: clamp(number('notches', signal.notches), -MAX_NOTCHES, MAX_NOTCHES),
        ...within('right', signal.right, -MAX_PIXELS, MAX_PIXELS),
        ...within('down', signal.down, -MAX_PIXELS, MAX_PIXELS),
        ...trackpad(signal.trackpad),
      };
    case 'hover': {
      const { x, y } = signal;
      if (x === undefined && y === undefined) return { kind: 'hover' };
      const at = { x: number('x', x), y: number('y', y) };
      return isSomewhere({ x, y }) ? { kind: 'hover', ...position(at) } : { kind: 'hover' };
    }
    case 'press':
      if (!BUTTONS.includes(signal.input)) refuse('input', signal.input, `one of ${BUTTONS.join(', ')}`);
      if (!isSomewhere(signal)) return null;
      return { kind: 'press', id: number('id', signal.id), input: signal.input, ...position(signal) };
    case 'move':
    case 'hold':
      if (!isSomewhere(signal)) return null;
      return { kind: signal.kind, id: number('id', signal.id), ...position(signal) };
    case 'lift':
      return { kind: 'lift', id: number('id', signal.id), ...(signal.cancelled === true ? { cancelled: true } : {}) };
    case 'unhold':
      return signal.id === undefined ? { kind: 'unhold' } : { kind: 'unhold', id: number('id', signal.id) };
    case 'turn':
    case 'tilt':
      return {
        kind: signal.kind,
        degrees: clamp(number('degrees', signal.degrees), -MAX_DEGREES, MAX_DEGREES),
        ...about(signal.about),
      };
    case 'pad':
      return {
        kind: 'pad',
        id: number('id', signal.id),
        axes: list('axes', signal.axes, MAX_AXES, -1),
        buttons: list('buttons', signal.buttons, PAD_BUTTONS.length, 0),
      };
    case 'home':
    case 'release':
      return { kind: signal.kind };
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
        ...within('heading', signal.heading, -MAX_DEGREES, MAX_DEGREES),
        ...within('pitch', signal.pitch, 0, 90),
      };
    case 'terrain': {
      const { id, digest }: { readonly id: unknown; readonly digest: unknown } = signal;
      if (id === null && digest === null) return { kind: 'terrain', id, digest };
      if (typeof id !== 'string') return refuse('id', id, 'the id of a terrain, or null for flat ground');
      if (typeof digest !== 'string') return refuse('digest', digest, 'the digest of its heights');
      return { kind: 'terrain', id, digest, ...gridPart(signal.part) };
    }
    case 'change':
      return { kind: 'change', settings: settingsOf(signal.settings) };
    default:
      return refuse('kind', (signal as { kind?: unknown }).kind, KINDS);
  }
}

function settingsOf(value: unknown): Settings {
  if (typeof value !== 'object' || value === null) return refuse('settings', value, 'settings');
  const problems: Problem[] = [];
  const settings = plainCopy(value, '', problems) as Settings;
  if (problems.length > 0) throw new SettingsError(problems);
  return settings;
}

/** Whether both coordinates are finite; what is no number at all is refused. */
function isSomewhere({ x, y }: { readonly x?: unknown; readonly y?: unknown }): boolean {
  if (typeof x !== 'number') return refuse('x', x, 'a number');
  if (typeof y !== 'number') return refuse('y', y, 'a number');
  return Number.isFinite(x) && Number.isFinite(y);
}

function position({ x, y }: { readonly x: number; readonly y: number }): { x: number; y: number } {
  return {
    x: clamp(number('x', x), -MAX_PIXELS, MAX_PIXELS),
    y: clamp(number('y', y), -MAX_PIXELS, MAX_PIXELS),
  };
}

/** A size with both sides finite and in range; what is NaN or infinite is no size. */
export function cleanScreen({ width, height, density }: Screen): Screen {
  return {
    width: clamp(number('width', width), 0, MAX_PIXELS),
    height: clamp(number('height', height), 0, MAX_PIXELS),
    ...within('density', density, 1e-3, 1e3),
  };
}

function gridPart(part: GridPart | undefined): { part?: GridPart } {
  if (part === undefined) return {};
  if (typeof part !== 'object') return refuse('part', part, 'a part of a grid {column, row, columns, heights}');
  const { heights }: { readonly heights: unknown } = part;
  if (!Array.isArray(heights)) return refuse('part.heights', heights, 'a list of numbers');
  return {
    part: {
      column: number('part.column', part.column),
      row: number('part.row', part.row),
      columns: number('part.columns', part.columns),
      heights: heights.map((height, i) => number(`part.heights[${String(i)}]`, height)),
    },
  };
}

function about(value: About | undefined): { about?: About } {
  if (value === undefined) return {};
  if (typeof value !== 'object' || !('x' in value || 'screenX' in value))
    refuse('about', value, 'a point of the ground {x, y}, a screen point {screenX, screenY}, or nothing');
  if ('x' in value)
    return {
      about: {
        x: clamp(number('about.x', value.x), -FARTHEST, FARTHEST),
        y: clamp(number('about.y', value.y), -FARTHEST, FARTHEST),
      },
    };
  return {
    about: {
      screenX: clamp(number('about.screenX', value.screenX), -MAX_PIXELS, MAX_PIXELS),
      screenY: clamp(number('about.screenY', value.screenY), -MAX_PIXELS, MAX_PIXELS),
    },
  };
}

function number(name: string, value: unknown): number {
  return typeof value === 'number' ? finite(value, 0) : refuse(name, value, 'a number');
}

/** At most so many numbers from `min` to 1; what is not finite counts as nothing. */
function list(name: string, values: unknown, max: number, min: number): number[] {
  if (!Array.isArray(values)) return refuse(name, values, 'a list of numbers');
  return values.slice(0, max).map((value, i) => clamp(number(`${name}[${String(i)}]`, value), min, 1));
}

function trackpad(value: unknown): Pick<WheelSignal, 'trackpad'> {
  if (value === undefined) return {};
  if (value !== 'scroll' && value !== 'pinch') refuse('trackpad', value, '"scroll", "pinch", or nothing');
  return { trackpad: value };
}

function within(name: string, value: unknown, min: number, max: number): Record<string, number> {
  if (value === undefined) return {};
  if (typeof value !== 'number') refuse(name, value, 'a number, or nothing');
  return Number.isFinite(value) ? { [name]: clamp(value + 0, min, max) } : {};
}

function refuse(name: string, found: unknown, wanted: string): never {
  throw new TypeError(sentence({ path: `signal.${name}`, found: shown(found), wanted }));
}
