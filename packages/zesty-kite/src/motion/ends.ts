/**
 * What ends what: a row for whatever comes, a column for whatever is under way. The rule behind it:
 * what is not named is left alone. `docs/guide.md` shows the same table, written from this one.
 */

/** What can be under way; each mover is a further column, which stands in its own file. */
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
  named: 'ends where it steers just that',
  snapsToStop: 'ends; with stops goes on to the nearest',
  rests: 'goes on; with stops, what the hand left between two goes to the nearest',
  stepContinues: 'a step goes on; else ends, with stops at the nearest',
  aboutFocus: 'goes on, about the focus',
  regrips: 'goes on, about what it holds from now on',
  gripMoves: 'goes on, and what it holds moves along',
  addsUp: 'adds up',
  replaced: 'the new wish wins',
  waits: 'waits until they lift',
  takesOver: 'goes over to the hand',
  offsets: 'goes on, off by what it was moved; or ends, as set',
  blocksIt: 'goes first: this waits, or is not heard',
  endsIfUnbound: 'goes on, but ends where it is bound no longer',
  locked: 'ends where it is locked',
} as const;

export type Effect = keyof typeof EFFECTS;
type Row = Readonly<Record<keyof typeof COLUMNS, Effect>>;

function row(zoom: Effect, turn: Effect, tilt: Effect, keys: Effect, fingers: Effect): Row {
  return { zoom, turn, tilt, keys, fingers };
}

/** What can come. */
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

/** For movers: whatever steers the focus or the look ends it, the rest does not. */
export const ENDED_BY_STEERING: Readonly<Record<Cause, Effect>> = {
  drag: 'ends',
  pinch: 'ends',
  lift: 'goesOn',
  orbit: 'ends',
  panKeys: 'ends',
  wheelPan: 'ends',
  notch: 'ends',
  zoomKeys: 'ends',
  turnKeys: 'ends',
  tiltKeys: 'ends',
  turn: 'ends',
  tilt: 'ends',
  zoom: 'ends',
  pan: 'ends',
  mover: 'ends',
  placeFocus: 'ends',
  placeSpan: 'goesOn',
  placeHeading: 'goesOn',
  placePitch: 'goesOn',
  release: 'goesOn',
  lock: 'goesOn',
  change: 'goesOn',
  resize: 'goesOn',
};

/** What they are called in the guide. */
export const CAUSES: Readonly<Record<Cause, string>> = {
  drag: 'a press that drags, or `hold`',
  pinch: 'a second finger',
  lift: 'the last finger goes up',
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

/** What a cell of the table says. */
export function wordsOf(effect: Effect): string {
  return EFFECTS[effect];
}
