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
  toStop: 'ends; with stops goes on to the nearest',
  rests: 'goes on; with stops, what the hand left between two goes to the nearest',
  stepsOn: 'a step goes on; else ends, with stops at the nearest',
  aboutFocus: 'goes on, about the focus',
  holdsAnew: 'goes on, about what it holds from now on',
  movesAlong: 'goes on, and what it holds moves along',
  addsUp: 'adds up',
  newWish: 'the new wish wins',
  waits: 'waits until they lift',
  takesOver: 'goes over to the hand',
  offsets: 'goes on, off by what it was moved; or ends, as set',
  goesFirst: 'goes first: this waits, or is not heard',
  unlessBound: 'goes on, but ends where it is bound no longer',
  locked: 'ends where it is locked',
} as const;

export type Effect = keyof typeof EFFECTS;
type Row = Readonly<Record<keyof typeof COLUMNS, Effect>>;

function row(zoom: Effect, turn: Effect, tilt: Effect, keys: Effect, fingers: Effect): Row {
  return { zoom, turn, tilt, keys, fingers };
}

/** What can come. */
export const ROWS = {
  drag: row('toStop', 'stepsOn', 'ends', 'waits', 'holdsAnew'),
  pinch: row('ends', 'ends', 'ends', 'waits', 'holdsAnew'),
  lift: row('rests', 'rests', 'goesOn', 'goesOn', 'holdsAnew'),
  orbit: row('toStop', 'newWish', 'newWish', 'goesOn', 'goesFirst'),
  pan: row('movesAlong', 'movesAlong', 'goesOn', 'addsUp', 'goesFirst'),
  shift: row('movesAlong', 'movesAlong', 'goesOn', 'goesOn', 'goesFirst'),
  notch: row('holdsAnew', 'goesOn', 'goesOn', 'goesOn', 'goesOn'),
  zoomKeys: row('aboutFocus', 'goesOn', 'goesOn', 'addsUp', 'goesFirst'),
  turnKeys: row('goesOn', 'newWish', 'goesOn', 'addsUp', 'goesFirst'),
  tiltKeys: row('goesOn', 'goesOn', 'newWish', 'addsUp', 'goesFirst'),
  turn: row('holdsAnew', 'addsUp', 'goesOn', 'goesOn', 'goesOn'),
  tilt: row('holdsAnew', 'goesOn', 'addsUp', 'goesOn', 'goesOn'),
  zoom: row('addsUp', 'goesOn', 'goesOn', 'goesOn', 'goesOn'),
  panCall: row('movesAlong', 'movesAlong', 'goesOn', 'goesOn', 'goesFirst'),
  mover: row('newWish', 'newWish', 'newWish', 'goesOn', 'goesFirst'),
  placeFocus: row('aboutFocus', 'goesOn', 'goesOn', 'goesOn', 'holdsAnew'),
  placeSpan: row('ends', 'holdsAnew', 'goesOn', 'goesOn', 'holdsAnew'),
  placeHeading: row('holdsAnew', 'ends', 'goesOn', 'goesOn', 'holdsAnew'),
  placePitch: row('holdsAnew', 'holdsAnew', 'ends', 'goesOn', 'holdsAnew'),
  release: row('goesOn', 'goesOn', 'goesOn', 'ends', 'ends'),
  lock: row('goesOn', 'goesOn', 'goesOn', 'locked', 'locked'),
  change: row('goesOn', 'goesOn', 'goesOn', 'unlessBound', 'goesOn'),
  resize: row('holdsAnew', 'holdsAnew', 'goesOn', 'goesOn', 'goesOn'),
} as const satisfies Record<string, Row>;

export type Cause = keyof typeof ROWS;

/** For movers: whatever steers the focus or the look ends it, the rest does not. */
export const ENDED_BY_STEERING: Readonly<Record<Cause, Effect>> = {
  drag: 'ends',
  pinch: 'ends',
  lift: 'goesOn',
  orbit: 'ends',
  pan: 'ends',
  shift: 'ends',
  notch: 'ends',
  zoomKeys: 'ends',
  turnKeys: 'ends',
  tiltKeys: 'ends',
  turn: 'ends',
  tilt: 'ends',
  zoom: 'ends',
  panCall: 'ends',
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
  pan: 'keys, an edge or a stick that pan',
  shift: 'a wheel that pans',
  notch: 'a wheel notch, a double tap',
  zoomKeys: 'keys that zoom',
  turnKeys: 'keys that turn',
  tiltKeys: 'keys that tilt',
  turn: '`turn`, or a key that turns by a step',
  tilt: '`tilt`',
  zoom: '`zoom`',
  panCall: '`pan`',
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
