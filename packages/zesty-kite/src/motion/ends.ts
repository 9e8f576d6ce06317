/**
 * The table of what ends what: a row for each input or call, a column for each motion under way. A call
 * changes only what it names. `docs/reference/calls.md` shows the same table.
 */

/** The motions that can be under way. Each mover adds a column from its own file. */
export const COLUMNS = {
  zoom: 'eased zoom',
  turn: 'eased turn',
  tilt: 'eased tilt',
  keys: 'held keys, edge, stick',
  fingers: 'held fingers',
} as const;

const EFFECTS = {
  ends: 'ends',
  goesOn: 'goes on',
  named: 'ends if it steers that',
  snapsToStop: 'ends; with stops, goes on to the nearest',
  rests: 'goes on; with stops, to the nearest',
  stepContinues: 'a step goes on; other turns end, with stops at the nearest',
  aboutFocus: 'goes on, about the focus',
  regrips: 'goes on, and grips again',
  gripMoves: 'goes on, and its grip moves along',
  addsUp: 'adds up',
  replaced: 'is replaced',
  waits: 'waits until the fingers lift',
  takesOver: 'becomes held motion',
  offsets: 'goes on with an offset, or ends, as set',
  blocksIt: 'goes on; the input waits or is ignored',
  endsIfUnbound: 'ends if it is no longer bound',
  locked: 'ends if it is locked',
} as const;

export type Effect = keyof typeof EFFECTS;
type Row = Readonly<Record<keyof typeof COLUMNS, Effect>>;

function row(zoom: Effect, turn: Effect, tilt: Effect, keys: Effect, fingers: Effect): Row {
  return { zoom, turn, tilt, keys, fingers };
}

/** The inputs and calls. */
export const ROWS = {
  drag: row('snapsToStop', 'stepContinues', 'ends', 'waits', 'regrips'),
  pinch: row('ends', 'ends', 'ends', 'waits', 'regrips'),
  lift: row('rests', 'rests', 'goesOn', 'goesOn', 'regrips'),
  orbit: row('snapsToStop', 'replaced', 'replaced', 'goesOn', 'blocksIt'),
  panKeys: row('gripMoves', 'gripMoves', 'goesOn', 'addsUp', 'blocksIt'),
  wheelPan: row('gripMoves', 'gripMoves', 'goesOn', 'goesOn', 'blocksIt'),
  notch: row('regrips', 'goesOn', 'goesOn', 'goesOn', 'goesOn'),
  zoomKeys: row('aboutFocus', 'goesOn', 'goesOn', 'addsUp', 'blocksIt'),
  turnKeys: row('goesOn', 'replaced', 'goesOn', 'addsUp', 'blocksIt'),
  tiltKeys: row('goesOn', 'goesOn', 'replaced', 'addsUp', 'blocksIt'),
  turn: row('regrips', 'addsUp', 'goesOn', 'goesOn', 'goesOn'),
  tilt: row('regrips', 'goesOn', 'addsUp', 'goesOn', 'goesOn'),
  zoom: row('addsUp', 'goesOn', 'goesOn', 'goesOn', 'goesOn'),
  pan: row('gripMoves', 'gripMoves', 'goesOn', 'goesOn', 'blocksIt'),
  mover: row('replaced', 'replaced', 'replaced', 'goesOn', 'blocksIt'),
  placeFocus: row('aboutFocus', 'goesOn', 'goesOn', 'goesOn', 'regrips'),
  placeSpan: row('ends', 'regrips', 'goesOn', 'goesOn', 'regrips'),
  placeHeading: row('regrips', 'ends', 'goesOn', 'goesOn', 'regrips'),
  placePitch: row('regrips', 'regrips', 'ends', 'goesOn', 'regrips'),
  release: row('goesOn', 'goesOn', 'goesOn', 'ends', 'ends'),
  lock: row('goesOn', 'goesOn', 'goesOn', 'locked', 'locked'),
  change: row('goesOn', 'goesOn', 'goesOn', 'endsIfUnbound', 'goesOn'),
  resize: row('regrips', 'regrips', 'goesOn', 'goesOn', 'goesOn'),
} as const satisfies Record<string, Row>;

export type Cause = keyof typeof ROWS;

/** For movers that end with everything that steers: all inputs and calls but these. */
export const ENDED_BY_STEERING: Readonly<Record<Cause, Effect>> = endedByAllBut([
  'lift',
  'placeSpan',
  'placeHeading',
  'placePitch',
  'release',
  'lock',
  'change',
  'resize',
]);

function endedByAllBut(causes: readonly Cause[]): Readonly<Record<Cause, Effect>> {
  const effectOf = (cause: Cause): Effect => (causes.includes(cause) ? 'goesOn' : 'ends');
  const row = (Object.keys(ROWS) as Cause[]).map((cause): [Cause, Effect] => [cause, effectOf(cause)]);
  return Object.fromEntries(row) as Record<Cause, Effect>;
}

/** Their names in the reference. */
export const CAUSES: Readonly<Record<Cause, string>> = {
  drag: 'a press that drags, or `hold`',
  pinch: 'a second finger',
  lift: 'the last finger lifts',
  orbit: 'a button that turns and tilts by dragging',
  panKeys: 'keys, an edge or a stick that pan',
  wheelPan: 'a wheel that pans',
  notch: 'a wheel notch, a double tap',
  zoomKeys: 'keys that zoom',
  turnKeys: 'keys that turn',
  tiltKeys: 'keys that tilt',
  turn: '`turn`, or a key that turns by a step',
  tilt: '`tilt`',
  zoom: '`zoom`',
  pan: '`pan`',
  mover: '`home`, or its key',
  placeFocus: '`place({ x, y })`',
  placeSpan: '`place({ span })`',
  placeHeading: '`place({ heading })`',
  placePitch: '`place({ pitch })`',
  release: 'a release: blur, a hidden page',
  lock: 'a lock of the ability',
  change: 'another `change` of settings',
  resize: 'another size of the screen',
};

/** The words of a cell. */
export function wordsOf(effect: Effect): string {
  return EFFECTS[effect];
}
