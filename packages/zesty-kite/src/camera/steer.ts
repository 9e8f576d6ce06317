/** What intents, and calls of the program, do to the kept state. */
import type {
  HoldIntent,
  Intent,
  OrbitIntent,
  ShiftIntent,
  SteerIntent,
  StepIntent,
  ZoomIntent,
} from '../hands/index.ts';
import { placeAt, type Motion, type Timeline } from '../motion/index.ts';
import type { About, SignalBody, ZoomSignal } from '../signals/index.ts';

/**
 * Called after each signal. If nothing moves any more it solves the focus, as no further step will do it, and ends the
 * grip of a zoom or a turn when no hand holds.
 */
export function finishSignal({ kept }: Timeline): void {
  const { hold } = kept;
  kept.layLook();
  kept.zooming.findGoal();
  if (!kept.isStill) return;
  kept.focusing.solve();
  if (hold.fingers === 0 && !hold.isOrbit) hold.drop();
}

export function obey(timeline: Timeline, intent: Intent): void {
  const { kept } = timeline;
  kept.layLook();
  switch (intent.kind) {
    case 'steer':
      steer(kept, intent);
      break;
    case 'shift':
      shift(kept, intent);
      break;
    case 'zoom':
      zoom(kept, intent);
      break;
    case 'step':
      step(kept, intent);
      break;
    case 'home':
      kept.hear(intent);
      break;
    case 'orbit':
      orbit(kept, intent);
      break;
    case 'hold':
      hold(timeline, intent);
      break;
  }
}

/** Whether an intent is what is in force already. */
export function changesNothing(
  { pan, turn: heading, tilt: pitch, zoom: zoomed, hold: held }: Motion,
  intent: Intent,
): boolean {
  if (intent.kind === 'hold') return intent.change === 'none';
  if (intent.kind !== 'steer') return false;
  return (
    intent.right === pan.targetX &&
    intent.down === pan.targetY &&
    intent.turn === heading.rate &&
    intent.tilt === pitch.rate &&
    intent.zoom === zoomed.rate &&
    intent.east === pan.targetEast &&
    intent.south === pan.targetSouth &&
    intent.orbits === heading.isOrbiting &&
    (intent.orbits || !held.isOrbit)
  );
}

/** Applies a call of the program; other signals do nothing here. */
export function callOn(kept: Motion, body: SignalBody): void {
  kept.layLook();
  if (body.kind === 'turn') turn(kept, body.degrees, body.about);
  else if (body.kind === 'tilt') tilt(kept, body.degrees, body.about);
  else if (body.kind === 'zoom') zoomOnCall(kept, body);
  else if (body.kind === 'place') placeAt(kept, body);
  else kept.hear(body);
}

function steer(kept: Motion, intent: SteerIntent): void {
  const { right, down, east, south, turn, tilt, zoom: notches, orbits } = intent;
  const { pan, hold, turn: heading } = kept;
  if (!orbits) hold.isOrbit = false;
  heading.isOrbiting = orbits;
  // An unchanged input is no news: it ends nothing that has begun since.
  const isOnScreen = (right !== 0 || down !== 0) && (right !== pan.targetX || down !== pan.targetY);
  const isInWorld = (east !== 0 || south !== 0) && (east !== pan.targetEast || south !== pan.targetSouth);
  const isNewTurn = turn !== 0 && turn !== heading.rate;
  const begins = notches !== 0 && kept.zoom.rate === 0;
  pan.targetX = right;
  pan.targetY = down;
  pan.targetEast = east;
  pan.targetSouth = south;
  if (isOnScreen || isInWorld) kept.interrupt('pan');
  if (notches !== 0 && notches !== kept.zoom.rate) kept.interrupt('zoomKeys');
  if (isNewTurn) kept.interrupt('turnKeys');
  if (tilt !== 0 && tilt !== kept.tilt.rate) kept.interrupt('tiltKeys');
  if (begins && hold.fingers === 0) hold.drop();
  if (isNewTurn) {
    heading.isStep = false;
    if (turnsAboutEye(kept) && hold.fingers === 0) kept.grips.takeBelow();
  }
  heading.rate = turn;
  kept.tilt.rate = tilt;
  kept.zoom.rate = notches;
  heading.rest(kept.rules.turn, hold.fingers);
}

/** Moves the focus, or what a zoom holds, along the screen: what eases goes on. */
function shift(kept: Motion, { right, down }: ShiftIntent): void {
  const { pan, hold, look } = kept;
  if (hold.fingers > 0) return;
  kept.interrupt('shift');
  const { sinHeading, cosHeading } = look;
  const steep = kept.foreshortening();
  const perPixel = look.perPixel * kept.span;
  pan.stepX = (right * cosHeading - down * steep * sinHeading) * perPixel;
  pan.stepY = (right * sinHeading + down * steep * cosHeading) * perPixel;
  kept.focusing.solve();
  pan.endStep();
  kept.markGroundStale();
}

function zoom(kept: Motion, { notches, anchor, x, y }: ZoomIntent): void {
  const { hold, grips } = kept;
  if (hold.fingers === 2) return;
  kept.interrupt('notch');
  if (hold.fingers === 0) {
    if (anchor === 'cursor') grips.take(x, y);
    else if (anchor === 'below-eye') grips.takeBelow();
    else hold.drop();
  }
  kept.zooming.addNotches(notches);
}

function step(kept: Motion, { turn: degrees, tilt: down }: StepIntent): void {
  const { goal } = kept.turn;
  const north = 360 * Math.round(goal / 360) - goal;
  if (degrees !== 0) turn(kept, degrees ?? north, turnsAboutEye(kept) ? 'eye' : undefined);
  if (down !== 0) tilt(kept, down, undefined);
}

function turnsAboutEye({ rules }: Motion): boolean {
  const { turn: by, locked } = rules.settings;
  return by.anchor === 'eye' && !locked.includes('pan');
}

/** An orbit holds what was under the pointer when it was pressed, or the focus: always that while panning is locked. */
function orbit(kept: Motion, { turn: degrees, tilt: down, x, y, about }: OrbitIntent): void {
  const { hold, first, rules, isPinned } = kept;
  if (hold.fingers > 0) return;
  const byFocus = isPinned || about === 'focus' || rules.settings.locked.includes('pan');
  const isSame = about === 'eye' ? hold.isBelowEye : first.screenX === x && first.screenY === y;
  const holds = hold.isOrbit && isSame;
  if (byFocus || !holds) kept.interrupt('orbit');
  if (byFocus) hold.drop();
  else if (!holds && about === 'eye') kept.grips.takeBelow();
  else if (!holds) kept.grips.take(x, y);
  // Below a lens without an eye nothing is held.
  hold.isGrip = hold.isOrbit = !byFocus && (about !== 'eye' || hold.isBelowEye);
  orbitBy(kept, degrees, down);
}

/** Turns and tilts at once, as far as the limits let it; what is gripped stays where it is. */
function orbitBy(kept: Motion, degrees: number, down: number): void {
  const {
    zoom: { eased },
    turn: heading,
    tilt: pitch,
    rules,
    look,
  } = kept;
  if (degrees !== 0) {
    heading.turnBy(degrees, rules.turn);
    heading.turnTo(heading.goal);
  }
  if (down !== 0) {
    const { target } = pitch;
    kept.tiltBy(down);
    pitch.easeTo(kept.pitchAt(eased), true);
    pitch.pitch = kept.insidePitch(pitch.pitch + pitch.target - target);
  }
  look.turn(kept);
  kept.focusing.solve();
  kept.reapplyPin();
  kept.markGroundStale();
}

/** A hand takes hold of what is shown, and everything else stops; or it moves with what it holds. */
function hold(timeline: Timeline, intent: HoldIntent): void {
  const { kept } = timeline;
  const { hold: held, zoom: zoomed, turn: heading, tilt: pitch, lens, level, rules } = kept;
  const { fingers, change, zoom: mayZoom, turn: mayTurn, glides } = intent;
  if (change === 'none') return;
  const before = held.fingers;
  // The zoom stays at the shown span once two fingers lift.
  if (before === 2 && held.mayZoom && fingers.length < 2) zoomed.hold(zoomed.shown);
  kept.grips.setFingers(fingers);
  held.mayZoom = mayZoom;
  held.mayTurn = mayTurn;
  if (change === 'zone') {
    kept.interrupt('pinch');
    kept.zooming.findGoal();
    kept.pair.leaveZone();
  }
  if (change === 'fingers') {
    kept.interrupt(held.fingers === 0 ? 'lift' : held.fingers === 1 ? 'drag' : 'pinch');
    level.groundRate = 0;
    kept.zooming.findGoal();
    kept.pair.hold();
    // A zoom or a turn that goes on to a stop goes about the last finger.
    if (before > 0 && held.fingers === 0 && (zoomed.isActive || heading.isActive)) kept.grips.takeAgain(false);
  }
  if (fingers.length > 0) kept.focusing.solve();
  timeline.handMoved(change !== 'moved', glides);
  if (rules.followsZoom) pitch.isActive = lens.isActive = true;
  kept.markGroundStale();
}

/** Turns, eased, about the focus or another point; a hand goes on holding what it holds. */
function turn(kept: Motion, degrees: number, about: About | undefined): void {
  kept.interrupt('turn');
  gripAbout(kept, about);
  kept.turn.stepBy(degrees, kept.rules.turn, kept.hold.fingers);
}

/** Tilts, eased, in the same way: positive degrees to look more from above. */
function tilt(kept: Motion, degrees: number, about: About | undefined): void {
  kept.interrupt('tilt');
  gripAbout(kept, about);
  kept.tiltBy(degrees);
  kept.tilt.easeTo(kept.pitchAt(kept.zoom.eased), true);
}

/** Zooms, eased, about the focus or another point, on from where it is going; a hand goes on holding what it holds. */
function zoomOnCall(kept: Motion, { notches, factor, about }: ZoomSignal): void {
  if (kept.hold.fingers === 2) return;
  kept.interrupt('zoom');
  gripAbout(kept, about);
  if (notches !== undefined) kept.zooming.addNotches(notches);
  if (factor !== undefined) kept.zooming.easeTo(kept.zoom.goal / factor);
}

function gripAbout({ hold: held, grips }: Motion, about: About | undefined): void {
  if (held.fingers > 0) return;
  if (about === undefined) held.drop();
  else if (about === 'eye') grips.takeBelow();
  else if ('x' in about) grips.takeOf(about.x, about.y, about.height);
  else grips.take(about.screenX, about.screenY);
}
