/**
 * Records of devices and programs: plain, serialisable, with their time. Each kind of signal is one entry here: its
 * type, what cleans it, the message that refuses it, the JSON Schema of sessions and the guide's table follow from it.
 */
import { BUTTONS } from '../settings/index.ts';
import {
  about,
  factor,
  FARTHEST,
  hovered,
  MAX_PIXELS,
  onScreen,
  part,
  pixels,
  settings,
  textOrNull,
} from './callFields.ts';
import { span } from './span.ts';
import {
  trueOrAbsent,
  maybe,
  maybeNumber,
  number,
  oneOf,
  text,
  yesOrNo,
  DEVICE_SIGNALS,
  type DeviceKind,
  type SignalShapes,
  type SignalsOf,
} from '../devices/index.ts';

const MAX_NOTCHES = 1e6;
const MAX_DEGREES = 1e6;

/** Every kind of signal, and its fields in the order in which they are written down. */
export const SIGNALS = {
  /** The element that is drawn on has this size, in CSS pixels. Under 1 × 1 the last size stays. */
  screen: {
    width: number(0, MAX_PIXELS),
    height: number(0, MAX_PIXELS),
    /** Device pixels per CSS pixel; 1 when left out. */
    density: maybeNumber(1e-3, 1e3),
  },
  /** A key went down or up. */
  key: {
    /** UI Events `code`, such as `KeyW`. */
    code: text('a UI Events code, such as "KeyW"'),
    down: yesOrNo(),
  },
  /** The wheel was turned. */
  wheel: {
    /** The cursor, in CSS pixels from the top left of the screen. */
    x: pixels,
    y: pixels,
    /** Notches, broken ones too; positive is away from the player and comes nearer. */
    notches: number(-MAX_NOTCHES, MAX_NOTCHES),
    /** How far it scrolls, CSS pixels to the right and down, where it could be a pan. */
    right: maybeNumber(-MAX_PIXELS, MAX_PIXELS),
    down: maybeNumber(-MAX_PIXELS, MAX_PIXELS),
    /** Two fingers on a trackpad scroll, or pinch. */
    trackpad: maybe(oneOf(['scroll', 'pinch'], '"scroll", "pinch", or nothing')),
  },
  /** The pointer is over the screen, near enough to pan at its edges; or no longer. */
  hover: {
    /** CSS pixels from the top left of the screen; both left out where it is nowhere. */
    x: hovered,
    y: hovered,
  },
  /** The mouse moved with no button down, CSS pixels: bindings of `MouseMotion` turn by it. */
  motion: { right: onScreen, down: onScreen },
  /** A button or a finger came down. */
  press: {
    /** Tells presses apart until they are lifted. */
    id: number(),
    input: oneOf(BUTTONS),
    /** CSS pixels from the top left of the screen. */
    x: pixels,
    y: pixels,
  },
  /** A press moves. */
  move: { id: number(), x: pixels, y: pixels },
  /** A press lifts. `cancelled`: the browser took it away. */
  lift: { id: number(), cancelled: trueOrAbsent() },
  ...DEVICE_SIGNALS,
  /** A finger of the program takes hold of the ground under a screen point, or moves there with what it holds. */
  hold: {
    /** Tells fingers apart; the two that came first count. */
    id: number(),
    /** CSS pixels from the top left of the screen. */
    x: pixels,
    y: pixels,
  },
  /** A finger of the program lets go (a pointer's is lifted); without an id, all of them. */
  unhold: { id: maybe(number()) },
  /** Turns clockwise, seen from above, by degrees; about the focus when nothing is said. */
  turn: { degrees: number(-MAX_DEGREES, MAX_DEGREES), about },
  /** Tilts by degrees, down above 0; about the focus by default. */
  tilt: { degrees: number(-MAX_DEGREES, MAX_DEGREES), about },
  /** Zooms by notches or by a factor, eased; about the focus when nothing is said. */
  zoom: {
    /** Positive comes nearer; with stops, so many of them. */
    notches: maybeNumber(-MAX_NOTCHES, MAX_NOTCHES),
    /** 2 shows everything twice as large. */
    factor,
    about,
  },
  /** The focus goes along the screen, eased. */
  pan: { x: onScreen, y: onScreen },
  /** Goes back to where the settings begin, eased. */
  home: {},
  /** Everything held is let go, keys, pointers and fingers: the page lost the keyboard, or was hidden. */
  release: {},
  /** Frames stopped being drawn, or are drawn again: nothing held moves anything between the two. */
  gap: { phase: oneOf(['begin', 'end'], '"begin" or "end"') },
  /** The program puts the camera somewhere; what is left out stays as it is shown. */
  place: {
    x: maybeNumber(-FARTHEST, FARTHEST),
    y: maybeNumber(-FARTHEST, FARTHEST),
    span,
    heading: maybeNumber(-MAX_DEGREES, MAX_DEGREES),
    pitch: maybeNumber(0, 90),
    /** The height of the point at x and y that shows in the middle; on the ground when left out. */
    height: maybeNumber(-FARTHEST, FARTHEST),
  },
  /** From now on it is over another terrain, or over flat ground where both are null. */
  terrain: {
    /** The id of the terrain. */
    id: textOrNull('digest', 'the id of a terrain, or null for flat ground'),
    /** The fingerprint of its heights. */
    digest: textOrNull('id', 'the digest of its heights'),
    /** The changed samples, if the rest is the terrain before, so that a session has all it needs. */
    part,
  },
  /** The program changes some settings; what is left out stays. */
  change: { settings },
} as const satisfies SignalShapes;

export type Kind = keyof typeof SIGNALS;

/** A signal of a kind, without its time. */
export type SignalOf<K extends Kind> = SignalsOf<Pick<typeof SIGNALS, K>>;

export type ScreenSignal = SignalOf<'screen'>;
export type KeySignal = SignalOf<'key'>;
export type WheelSignal = SignalOf<'wheel'>;
export type HoverSignal = SignalOf<'hover'>;
export type MotionSignal = SignalOf<'motion'>;
export type PressSignal = SignalOf<'press'>;
export type MoveSignal = SignalOf<'move'>;
export type LiftSignal = SignalOf<'lift'>;
export type PadSignal = SignalOf<'pad'>;
export type HoldSignal = SignalOf<'hold'>;
export type UnholdSignal = SignalOf<'unhold'>;
export type TurnSignal = SignalOf<'turn'>;
export type TiltSignal = SignalOf<'tilt'>;
export type ZoomSignal = SignalOf<'zoom'>;
export type PanSignal = SignalOf<'pan'>;
export type HomeSignal = SignalOf<'home'>;
export type ReleaseSignal = SignalOf<'release'>;
export type GapSignal = SignalOf<'gap'>;
export type PlaceSignal = SignalOf<'place'>;
export type TerrainSignal = SignalOf<'terrain'>;
export type ChangeSignal = SignalOf<'change'>;

/** Input of a hand: of the player, or of the program in its place. */
export type HandSignal = SignalOf<
  'key' | 'wheel' | 'motion' | 'press' | 'move' | 'lift' | 'hold' | 'unhold' | 'release' | DeviceKind
>;

/** A signal without its time. */
export type SignalBody = SignalOf<Kind>;

/**
 * A signal. `time` is a DOM high-resolution timestamp in milliseconds, on the clock that
 * `advance` is called with; without it, it is now.
 */
export type Signal = SignalBody & { readonly time?: number };

/** A signal as a session keeps it: `at` is whole microseconds since the session began. */
export type StampedSignal = SignalBody & { readonly at: number };
