/**
 * What ends what: a row for whatever comes, a column for whatever is under way. The rule behind it:
 * what is not named is left alone. `docs/guide.md` shows the same table, written from this one.
 */
import type { Look } from '../view/index.ts';
import type { Motion } from './motion.ts';
import type { Rules } from './rules.ts';
import { restHeading, stopTilt, stopTurn } from './turn.ts';
import { stopZoom, setGoalSpan } from './zoom.ts';

/** What can be under way. */
export const COLUMNS = {
  glide: 'glide of a fling',
  home: 'way home',
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
  goesFirst: 'goes first: this waits, or is not heard',
  unlessBound: 'goes on, but ends where it is bound no longer',
  locked: 'ends where it is locked',
} as const;

type Effect = keyof typeof EFFECTS;
type Row = Readonly<Record<keyof typeof COLUMNS, Effect>>;

function row(
  glide: Effect,
  home: Effect,
  zoom: Effect,
  turn: Effect,
  tilt: Effect,
  keys: Effect,
  fingers: Effect,
): Row {
  return { glide, home, zoom, turn, tilt, keys, fingers };
}

/** What can come. */
export const ROWS = {
  drag: row('ends', 'ends', 'toStop', 'stepsOn', 'ends', 'waits', 'holdsAnew'),
  pinch: row('ends', 'ends', 'ends', 'ends', 'ends', 'waits', 'holdsAnew'),
  lift: row('goesOn', 'goesOn', 'rests', 'rests', 'goesOn', 'goesOn', 'holdsAnew'),
  orbit: row('ends', 'ends', 'toStop', 'newWish', 'newWish', 'goesOn', 'goesFirst'),
  pan: row('takesOver', 'ends', 'movesAlong', 'movesAlong', 'goesOn', 'addsUp', 'goesFirst'),
  shift: row('ends', 'ends', 'movesAlong', 'movesAlong', 'goesOn', 'goesOn', 'goesFirst'),
  notch: row('ends', 'ends', 'holdsAnew', 'goesOn', 'goesOn', 'goesOn', 'goesOn'),
  zoomKeys: row('ends', 'ends', 'aboutFocus', 'goesOn', 'goesOn', 'addsUp', 'goesFirst'),
  turnKeys: row('ends', 'ends', 'goesOn', 'newWish', 'goesOn', 'addsUp', 'goesFirst'),
  tiltKeys: row('ends', 'ends', 'goesOn', 'goesOn', 'newWish', 'addsUp', 'goesFirst'),
  turn: row('goesOn', 'ends', 'holdsAnew', 'addsUp', 'goesOn', 'goesOn', 'goesOn'),
  tilt: row('goesOn', 'ends', 'holdsAnew', 'goesOn', 'addsUp', 'goesOn', 'goesOn'),
  goHome: row('ends', 'newWish', 'newWish', 'newWish', 'newWish', 'goesOn', 'goesFirst'),
  placeFocus: row('named', 'named', 'aboutFocus', 'goesOn', 'goesOn', 'goesOn', 'holdsAnew'),
  placeSpan: row('goesOn', 'named', 'ends', 'holdsAnew', 'goesOn', 'goesOn', 'holdsAnew'),
  placeHeading: row('goesOn', 'named', 'holdsAnew', 'ends', 'goesOn', 'goesOn', 'holdsAnew'),
  placePitch: row('goesOn', 'named', 'holdsAnew', 'holdsAnew', 'ends', 'goesOn', 'holdsAnew'),
  release: row('goesOn', 'goesOn', 'goesOn', 'goesOn', 'goesOn', 'ends', 'ends'),
  lock: row('goesOn', 'goesOn', 'goesOn', 'goesOn', 'goesOn', 'locked', 'locked'),
  change: row('goesOn', 'goesOn', 'goesOn', 'goesOn', 'goesOn', 'unlessBound', 'goesOn'),
  resize: row('goesOn', 'goesOn', 'holdsAnew', 'holdsAnew', 'goesOn', 'goesOn', 'holdsAnew'),
} as const satisfies Record<string, Row>;

export type Cause = keyof typeof ROWS;

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
  goHome: '`home`, or its key',
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
export function wordsOf(cause: Cause, column: keyof typeof COLUMNS): string {
  return EFFECTS[ROWS[cause][column]];
}

/** Ends what a cause ends. What the cause itself sets out to do is done by its own code. */
export function interrupt(motion: Motion, rules: Rules, look: Look, cause: Cause): void {
  const { glide, home, zoom, turn, tilt, keys }: Row = ROWS[cause];
  if (glide === 'takesOver') motion.gliding = false;
  else if (glide === 'ends' && motion.gliding) endPan(motion);
  if (keys === 'waits') endPan(motion);
  if (home === 'ends' || home === 'newWish') motion.homeX = motion.homeY = 0;
  if (zoom === 'ends' || zoom === 'toStop') stopZoom(motion, rules, look);
  if (zoom === 'rests' && rules.stops !== null)
    // A zoom under way goes on, but to a stop: between two fingers its goal may be off the stops.
    setGoalSpan(motion, rules, look, motion.zoomRemaining === 0 ? motion.span : motion.wantedSpan);
  if (turn === 'rests') restHeading(motion, rules);
  if (turn === 'ends' || (turn === 'stepsOn' && !motion.stepping)) stopTurn(motion, rules);
  if (tilt === 'ends') stopTilt(motion, rules);
}

function endPan(motion: Motion): void {
  motion.velocityX = motion.velocityY = 0;
  motion.gliding = false;
}
