/** The one description of the settings: defaults, checks, messages; the JSON Schema and types.ts follow from it. */
import * as v from 'valibot';
import { isKnown } from './inputs.ts';

/** A finite number in a closed range; `such as` ends the message with one that would do. */
const number = (min: number, max: number, suchAs: number) => {
  const message = `a number from ${String(min)} to ${String(max)}, such as ${String(suchAs)}`;
  return v.pipe(v.number(message), v.minValue(min, message), v.maxValue(max, message));
};

const oneOf = <const T extends readonly string[]>(names: T) =>
  v.picklist(names, `one of ${names.map((name) => `"${name}"`).join(', ')}`);

/** What a message asks for where an object should stand. */
export const OBJECT = 'an object in braces';

const inputMessage =
  'a key by its UI Events code or a button, such as "KeyW" or "MouseMiddle"; with what is held before it, such as "Space+MouseLeft"';
const INPUT = /^([A-Za-z0-9]+\+)*[A-Za-z0-9]+$/;
/** Of an input with an unknown name in it. */
export const UNKNOWN_INPUT = 'keys by their UI Events code, buttons by their name';
/** Inputs of one ability, stops of one curve: more are a mistake. */
export const MOST_ITEMS = 1000;

const inputs = v.pipe(
  v.array(
    v.pipe(
      v.string(inputMessage),
      v.regex(INPUT, inputMessage),
      v.check((input) => !INPUT.test(input) || isKnown(input), UNKNOWN_INPUT),
    ),
    'a list of inputs, such as ["KeyW", "ArrowUp"]',
  ),
  v.maxLength(MOST_ITEMS, `at most ${String(MOST_ITEMS)} inputs`),
);

/** Objects are also asked for the keys that they must have; all of these are numbers. */
const objectMessage = (issue: { readonly expected: string | null }): string =>
  issue.expected === 'Object' ? OBJECT : 'a number';
/** As far as a world goes, world units. */
export const WORLD = 1e12;
/** The nearest zoom that settings have which name none, world units. */
export const MIN_SPAN = 12;
const coordinate = number(-WORLD, WORLD, 512);
const span = number(1e-6, WORLD, 100);
const halfLife = number(0, 60, 0.08);

const fieldOfView = number(1, 150, 45);
const pitch = number(1, 90, 40);
const heading = number(-1e6, 1e6, 45);
const pixels = number(0, 1e5, 320);

/**
 * A value that may follow the zoom: the same at every zoom, or a curve through [span, value] stops,
 * or a switch between two values.
 */
const byZoom = (value: typeof pitch) =>
  v.union(
    [
      value,
      v.pipe(v.array(v.strictTuple([span, value])), v.minLength(1), v.maxLength(MOST_ITEMS)),
      v.strictObject({ near: value, far: value, at: span, slack: v.optional(number(0, 1, 0.1), 0.1) }),
    ],
    'a number, a list of [span, value] stops such as [[60, 40], [600, 70]], or a switch such as {"near": 40, "far": 70, "at": 300}',
  );

const start = v.object(
  {
    x: v.optional(coordinate),
    y: v.optional(coordinate),
    span: v.optional(span),
    heading: v.optional(heading, 0),
    pitch: v.optional(pitch),
    focusHeight: v.optional(coordinate),
    fieldOfView: v.optional(number(0, 179, 45)),
  },
  objectMessage,
);

const ground = v.object(
  {
    lowest: v.optional(coordinate, 0),
    highest: v.optional(coordinate, 0),
    floor: v.optional(coordinate, 0),
    clearance: v.optional(number(0, WORLD, 2), 2),
    followHalfLife: v.optional(halfLife, 0.15),
    followRadius: v.optional(number(0, 4, 0.15), 0.15),
  },
  objectMessage,
);

const pitchSettings = v.object(
  {
    degrees: v.optional(byZoom(pitch), 90),
    min: v.optional(pitch, 1),
    max: v.optional(pitch, 90),
    halfLife: v.optional(halfLife, 0.1),
    rate: v.optional(number(0, 3600, 45), 45),
    perScreen: v.optional(number(-3600, 3600, 90), 90),
  },
  objectMessage,
);

const lens = v.object(
  {
    fieldOfView: v.optional(v.nullable(byZoom(fieldOfView)), null),
    distance: v.optional(v.nullable(span), null),
    halfLife: v.optional(halfLife, 0.1),
  },
  objectMessage,
);

const headingStops = v.object(
  { step: number(0.1, 360, 90), offset: v.optional(number(-360, 360, 45), 0) },
  objectMessage,
);

const turn = v.object(
  {
    min: v.optional(v.nullable(heading), null),
    max: v.optional(v.nullable(heading), null),
    halfLife: v.optional(halfLife, 0.09),
    rate: v.optional(number(0, 3600, 90), 90),
    fasterFactor: v.optional(number(0, 100, 2), 2),
    step: v.optional(number(0, 360, 90), 90),
    stops: v.optional(v.nullable(headingStops), null),
    perScreen: v.optional(number(-3600, 3600, 180), 180),
    anchor: v.optional(oneOf(['cursor', 'focus', 'eye']), 'focus'),
  },
  objectMessage,
);

const pan = v.object(
  {
    speed: v.optional(byZoom(number(0, 100, 1)), 1),
    evenSpeedOn: v.optional(oneOf(['screen', 'ground']), 'screen'),
    directions: v.optional(oneOf(['screen', 'world']), 'screen'),
    fasterFactor: v.optional(number(0, 100, 2), 2),
    startHalfLife: v.optional(halfLife, 0.08),
    stopHalfLife: v.optional(halfLife, 0.08),
  },
  objectMessage,
);

const anchor = oneOf(['cursor', 'focus', 'below-eye']);
const scale = number(1e-9, 1e9, 4);

const zoom = v.object(
  {
    minSpan: v.optional(span, MIN_SPAN),
    maxSpan: v.optional(v.nullable(span), null),
    minPixelsPerUnit: v.optional(v.nullable(scale), null),
    maxPixelsPerUnit: v.optional(v.nullable(scale), null),
    stops: v.optional(v.nullable(v.pipe(v.array(number(1e-9, WORLD, 100)), v.minLength(1))), null),
    stopUnit: v.optional(oneOf(['span', 'pixels-per-unit', 'device-pixels-per-unit']), 'span'),
    notch: v.optional(number(1.001, 16, 1.1), 1.1),
    rate: v.optional(number(0, 1000, 8), 8),
    fasterFactor: v.optional(number(0, 100, 2), 2),
    halfLife: v.optional(halfLife, 0.09),
    perScreen: v.optional(number(-1000, 1000, 20), 20),
    anchor: v.optional(anchor, 'cursor'),
    outAnchor: v.optional(v.nullable(anchor), null),
  },
  objectMessage,
);

const safeFrame = v.object(
  {
    left: v.optional(pixels, 0),
    top: v.optional(pixels, 0),
    right: v.optional(pixels, 0),
    bottom: v.optional(pixels, 0),
    halfLife: v.optional(halfLife, 0.08),
  },
  objectMessage,
);

const circle = v.object({ x: coordinate, y: coordinate, radius: number(1e-6, WORLD, 500) }, objectMessage);

const bounds = v.object(
  {
    left: v.optional(coordinate),
    top: v.optional(coordinate),
    right: v.optional(coordinate),
    bottom: v.optional(coordinate),
    circle: v.optional(circle),
    polygon: v.optional(
      v.pipe(
        v.array(v.strictTuple([coordinate, coordinate]), 'a list of [x, y] corners'),
        v.minLength(3, 'at least three [x, y] corners'),
      ),
    ),
    area: v.optional(
      v.objectWithRest(
        { type: oneOf(['Polygon', 'MultiPolygon', 'Feature', 'FeatureCollection']) },
        v.unknown(),
        'a GeoJSON polygon, multipolygon, or a feature or collection of them',
      ),
    ),
    keep: v.optional(oneOf(['view', 'focus']), 'view'),
    whenViewIsLarger: v.optional(v.nullable(oneOf(['centre', 'limit-zoom'])), null),
    margin: v.optional(number(-WORLD, WORLD, 16), 0),
    screenMargin: v.optional(number(-0.4, 0.4, 0.1), 0),
    elastic: v.optional(number(0, 1, 0.2), 0),
    returnHalfLife: v.optional(halfLife, 0.08),
  },
  objectMessage,
);

const period = v.optional(v.nullable(number(1e-6, WORLD, 1024)), null);
const wrap = v.object({ x: period, y: period }, objectMessage);

const hold = v.object(
  {
    turn: v.optional(v.boolean('true or false'), false),
    zoom: v.optional(v.boolean('true or false'), true),
    tilt: v.optional(v.boolean('true or false'), false),
  },
  objectMessage,
);

const resize = v.object({ keep: v.optional(v.nullable(oneOf(['span', 'width', 'scale'])), null) }, objectMessage);

const bindings = v.object(
  {
    panUp: v.optional(inputs, ['KeyW', 'ArrowUp', 'PadLeftStickUp']),
    panLeft: v.optional(inputs, ['KeyA', 'ArrowLeft', 'PadLeftStickLeft']),
    panDown: v.optional(inputs, ['KeyS', 'ArrowDown', 'PadLeftStickDown']),
    panRight: v.optional(inputs, ['KeyD', 'ArrowRight', 'PadLeftStickRight']),
    faster: v.optional(inputs, ['Shift']),
    turnLeft: v.optional(inputs, []),
    turnRight: v.optional(inputs, []),
    tiltUp: v.optional(inputs, []),
    tiltDown: v.optional(inputs, []),
    zoomIn: v.optional(inputs, ['Equal', 'NumpadAdd', 'PadRightTrigger']),
    zoomOut: v.optional(inputs, ['Minus', 'NumpadSubtract', 'PadLeftTrigger']),
    turnStepLeft: v.optional(inputs, []),
    turnStepRight: v.optional(inputs, []),
    faceNorth: v.optional(inputs, []),
    home: v.optional(inputs, ['Home']),
    drag: v.optional(inputs, ['MouseMiddle', 'Touch']),
    pull: v.optional(inputs, []),
    orbit: v.optional(inputs, []),
    dragTurn: v.optional(inputs, []),
    dragZoom: v.optional(inputs, []),
  },
  objectMessage,
);

const bandWidth = v.optional(v.nullable(number(0, 1000, 20)), null);
const sideSpeed = v.optional(number(0, 100, 1), 1);
const edge = v.object(
  {
    width: bandWidth,
    left: bandWidth,
    top: bandWidth,
    right: bandWidth,
    bottom: bandWidth,
    unit: v.optional(oneOf(['share', 'pixels']), 'share'),
    maxWidth: v.optional(number(1, 1000, 40), 40),
    speedByDepth: v.optional(oneOf(['linear', 'constant']), 'linear'),
    speed: v.optional(number(0, 100, 1), 1),
    sideSpeeds: v.optional(
      v.object({ left: sideSpeed, top: sideSpeed, right: sideSpeed, bottom: sideSpeed }, objectMessage),
      {},
    ),
    along: v.optional(oneOf(['screen', 'safe-frame']), 'screen'),
    dwell: v.optional(number(0, 10, 0.1), 0.1),
    outside: v.optional(oneOf(['stop', 'go-on']), 'stop'),
    duringGameDrag: v.optional(v.boolean('true or false'), true),
  },
  objectMessage,
);

const wheel = v.object(
  {
    action: v.optional(oneOf(['zoom', 'pan', 'by-device']), 'zoom'),
    partialNotches: v.optional(oneOf(['apply', 'collect']), 'apply'),
    requires: v.optional(oneOf(['nothing', 'focus', 'control']), 'nothing'),
  },
  objectMessage,
);

const drag = v.object(
  {
    startsAfter: v.optional(number(0, 100, 4), 4),
    touchStartsAfter: v.optional(number(0, 100, 10), 10),
    touchRequires: v.optional(oneOf(['one-finger', 'two-fingers']), 'one-finger'),
    glideHalfLife: v.optional(halfLife, 0.25),
    pullDistance: v.optional(number(0.01, 10, 0.25), 0.25),
    keepsGoing: v.optional(oneOf(['pan', 'all']), 'pan'),
    pinchZone: v.optional(number(0, 1, 0.05), 0.05),
    twistZone: v.optional(number(0, 180, 6), 6),
    tapNotches: v.optional(number(0, 40, 6), 6),
  },
  objectMessage,
);

const pad = v.object(
  {
    deadZone: v.optional(number(0, 0.9, 0.15), 0.15),
    curve: v.optional(number(0.25, 4, 1.5), 1.5),
  },
  objectMessage,
);

const factor = v.optional(number(0, 100, 1), 1);
const sensitivity = v.object({ wheel: factor, pinch: factor, orbit: factor }, objectMessage);

const locked = v.array(oneOf(['pan', 'zoom', 'turn', 'tilt']), 'a list of "pan", "zoom", "turn" and "tilt"');
const inverted = v.array(oneOf(['wheel', 'turn', 'tilt']), 'a list of "wheel", "turn" and "tilt"');

/** The settings of one camera. Lengths are world units, durations seconds. */
export const settingsSchema = v.object(
  {
    $schema: v.optional(v.string('a reference to the JSON Schema, in quotes')),
    start: v.optional(start, {}),
    home: v.optional(v.nullable(start), null),
    ground: v.optional(ground, {}),
    pitch: v.optional(pitchSettings, {}),
    lens: v.optional(lens, {}),
    turn: v.optional(turn, {}),
    pan: v.optional(pan, {}),
    zoom: v.optional(zoom, {}),
    twoFingers: v.optional(hold, {}),
    safeFrame: v.optional(safeFrame, {}),
    bounds: v.optional(v.nullable(bounds), null),
    wrap: v.optional(wrap, {}),
    resize: v.optional(resize, {}),
    edge: v.optional(v.nullable(edge), null),
    wheel: v.optional(wheel, {}),
    drag: v.optional(drag, {}),
    pad: v.optional(pad, {}),
    locked: v.optional(locked, []),
    inverted: v.optional(inverted, []),
    sensitivity: v.optional(sensitivity, {}),
    reducedMotion: v.optional(v.boolean('true or false'), false),
    bindings: v.optional(bindings, {}),
  },
  objectMessage,
);

/** A value that may follow the zoom, as it is written. */
export type ByZoom = v.InferOutput<ReturnType<typeof byZoom>>;
