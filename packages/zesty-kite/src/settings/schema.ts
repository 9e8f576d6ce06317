/** The one description of the settings: defaults, checks, messages; the JSON Schema and types.ts follow from it. */
import * as v from 'valibot';
import {
  WORLD,
  amount,
  boundTo,
  byZoom,
  choice,
  coordinate,
  fieldOfView,
  flag,
  group,
  halfLife,
  heading,
  length,
  number,
  oneOf,
  orNull,
  pitch,
  pixels,
  span,
} from './values.ts';

const start = group({
  x: v.optional(coordinate),
  y: v.optional(coordinate),
  span: v.optional(span),
  heading: v.optional(heading, 0),
  pitch: v.optional(pitch),
  focusHeight: v.optional(coordinate),
  fieldOfView: v.optional(number(0, 179, 45)),
});

const ground = group({
  lowest: v.optional(coordinate, 0),
  highest: v.optional(coordinate, 0),
  floor: v.optional(coordinate, 0),
  clearance: amount(0, WORLD, 2),
  followHalfLife: halfLife(0.15),
  followRadius: amount(0, 4, 0.15),
});

const pitchSettings = group({
  degrees: v.optional(byZoom(pitch), 90),
  min: v.optional(pitch, 1),
  max: v.optional(pitch, 90),
  halfLife: halfLife(0.1),
  rate: amount(0, 3600, 45),
  perScreen: amount(-3600, 3600, 90),
});

const lens = group({
  fieldOfView: orNull(byZoom(fieldOfView)),
  distance: orNull(length),
  halfLife: halfLife(0.1),
});

const headingStops = group({ step: number(0.1, 360, 90), offset: amount(-360, 360, 0, 45) });

const turn = group({
  min: orNull(heading),
  max: orNull(heading),
  halfLife: halfLife(0.09),
  rate: amount(0, 3600, 90),
  fasterFactor: amount(0, 100, 2),
  step: amount(0, 360, 90),
  stops: orNull(headingStops),
  perScreen: amount(-3600, 3600, 180),
  anchor: choice(['focus', 'cursor', 'eye']),
});

const pan = group({
  speed: v.optional(byZoom(number(0, 1e9, 1)), 1),
  speedUnit: choice(['screen-heights', 'world-units']),
  evenSpeedOn: choice(['screen', 'ground']),
  directions: choice(['screen', 'world']),
  fasterFactor: amount(0, 100, 2),
  startHalfLife: halfLife(0.08),
  stopHalfLife: halfLife(0.08),
});

const anchor = oneOf(['cursor', 'focus', 'below-eye']);

const zoom = group({
  minSpan: orNull(span),
  maxSpan: orNull(span),
  stops: v.optional(v.nullable(v.pipe(v.array(number(1e-9, WORLD, 100)), v.minLength(1))), null),
  stopUnit: choice(['span', 'pixels-per-unit', 'device-pixels-per-unit', 'eye-height', 'field-of-view']),
  notch: amount(1.001, 16, 1.1),
  rate: amount(0, 1000, 8),
  fasterFactor: amount(0, 100, 2),
  halfLife: halfLife(0.09),
  perScreen: amount(-1000, 1000, 20),
  anchor: v.optional(anchor, 'cursor'),
  outAnchor: orNull(anchor),
});

const safeFrame = group({
  left: v.optional(pixels, 0),
  top: v.optional(pixels, 0),
  right: v.optional(pixels, 0),
  bottom: v.optional(pixels, 0),
  halfLife: halfLife(0.08),
});

const circle = group({ x: coordinate, y: coordinate, radius: number(1e-6, WORLD, 500) });

const bounds = group({
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
    v.object(
      { type: oneOf(['Polygon', 'MultiPolygon', 'Feature', 'FeatureCollection']) },
      'a GeoJSON polygon, multipolygon, or a feature or collection of them',
    ),
  ),
  keep: choice(['view', 'focus']),
  whenViewIsLarger: orNull(oneOf(['centre', 'limit-zoom'])),
  margin: amount(-WORLD, WORLD, 0, 16),
  screenMargin: amount(-0.4, 0.4, 0, 0.1),
  elastic: amount(0, 1, 0, 0.2),
  returnHalfLife: halfLife(0.08),
});

const period = orNull(number(1e-6, WORLD, 1024));
const wrap = group({ x: period, y: period });

const hold = group({
  turn: flag(false),
  zoom: flag(true),
  tilt: flag(false),
});

const resize = group({ keep: orNull(oneOf(['span', 'width', 'scale'])) });

const bindings = group({
  panUp: boundTo(['KeyW', 'ArrowUp', 'PadLeftStickUp']),
  panLeft: boundTo(['KeyA', 'ArrowLeft', 'PadLeftStickLeft']),
  panDown: boundTo(['KeyS', 'ArrowDown', 'PadLeftStickDown']),
  panRight: boundTo(['KeyD', 'ArrowRight', 'PadLeftStickRight']),
  faster: boundTo(['Shift']),
  turnLeft: boundTo([]),
  turnRight: boundTo([]),
  tiltUp: boundTo([]),
  tiltDown: boundTo([]),
  zoomIn: boundTo(['Equal', 'NumpadAdd', 'PadRightTrigger']),
  zoomOut: boundTo(['Minus', 'NumpadSubtract', 'PadLeftTrigger']),
  turnStepLeft: boundTo([]),
  turnStepRight: boundTo([]),
  faceNorth: boundTo([]),
  home: boundTo(['Home']),
  drag: boundTo(['MouseMiddle', 'Touch']),
  pull: boundTo([]),
  orbit: boundTo([]),
  dragTurn: boundTo([]),
  dragZoom: boundTo([]),
});

const bandWidth = orNull(number(0, 1000, 20));
const sideSpeed = amount(0, 100, 1);
const edge = group({
  width: bandWidth,
  left: bandWidth,
  top: bandWidth,
  right: bandWidth,
  bottom: bandWidth,
  unit: choice(['share', 'pixels']),
  maxWidth: amount(1, 1000, 40),
  speedByDepth: choice(['linear', 'constant']),
  speed: amount(0, 100, 1),
  sideSpeeds: v.optional(group({ left: sideSpeed, top: sideSpeed, right: sideSpeed, bottom: sideSpeed }), {}),
  along: choice(['screen', 'safe-frame']),
  dwell: amount(0, 10, 0.1),
  outside: choice(['stop', 'go-on']),
  duringGameDrag: flag(true),
});

const wheel = group({
  action: choice(['zoom', 'pan', 'by-device']),
  partialNotches: choice(['apply', 'collect']),
  requires: choice(['nothing', 'focus', 'control']),
});

const drag = group({
  startsAfter: amount(0, 100, 4),
  touchStartsAfter: amount(0, 100, 10),
  touchRequires: choice(['one-finger', 'two-fingers']),
  glideHalfLife: halfLife(0.25),
  pullDistance: amount(0.01, 10, 0.25),
  keepsGoing: choice(['pan', 'all']),
  pinchZone: amount(0, 1, 0.05),
  twistZone: amount(0, 180, 6),
  doubleTapNotches: amount(0, 40, 6),
});

const pad = group({
  deadZone: amount(0, 0.9, 0.15),
  curve: amount(0.25, 4, 1.5),
});

const factor = amount(0, 100, 1);
const sensitivity = group({ wheel: factor, pinch: factor, orbit: factor });

const locked = v.array(oneOf(['pan', 'zoom', 'turn', 'tilt']), 'a list of "pan", "zoom", "turn" and "tilt"');
const inverted = v.array(oneOf(['wheel', 'turn', 'tilt']), 'a list of "wheel", "turn" and "tilt"');

/** The settings of one camera. Lengths are world units, durations seconds. */
export const settingsSchema = group({
  $schema: v.optional(v.string('a reference to the JSON Schema, in quotes')),
  start: v.optional(start, {}),
  home: orNull(start),
  ground: v.optional(ground, {}),
  pitch: v.optional(pitchSettings, {}),
  lens: v.optional(lens, {}),
  turn: v.optional(turn, {}),
  pan: v.optional(pan, {}),
  zoom: v.optional(zoom, {}),
  twoFingers: v.optional(hold, {}),
  safeFrame: v.optional(safeFrame, {}),
  bounds: orNull(bounds),
  wrap: v.optional(wrap, {}),
  resize: v.optional(resize, {}),
  edge: orNull(edge),
  wheel: v.optional(wheel, {}),
  drag: v.optional(drag, {}),
  pad: v.optional(pad, {}),
  locked: v.optional(locked, []),
  inverted: v.optional(inverted, []),
  sensitivity: v.optional(sensitivity, {}),
  reducedMotion: flag(false),
  bindings: v.optional(bindings, {}),
});
