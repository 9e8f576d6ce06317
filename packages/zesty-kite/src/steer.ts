/** What intents, and calls of the program, do to the kept state. */
import type {
  HoldIntent,
  Intent,
  OrbitIntent,
  ShiftIntent,
  SteerIntent,
  StepIntent,
  ZoomIntent,
} from './hands/index.ts';
import type { About, ZoomSignal } from './signals/index.ts';
import {
  foreshortening,
  holdAnew,
  interrupt,
  isStill,
  keepLed,
  dropGrip,
  findGoal,
  holdSpan,
  restHeading,
  setGoalSpan,
  setFingers,
  solveFocus,
  addStep,
  addOrbit,
  takeBelow,
  takeGrip,
  takeGripOf,
  addTilt,
  addNotches,
  type Timeline,
} from './motion/index.ts';

/**
 * Called after each signal. Where nothing moves any more it solves the focus, as no further step will do it, and ends the
 * grip of a zoom or a turn when no hand holds.
 */
export function letRest({ kept, rules, look }: Timeline): void {
  findGoal(kept, rules);
  keepLed(kept, rules, look);
  if (!isStill(kept)) return;
  solveFocus(kept, rules, look);
  if (kept.fingers === 0 && !kept.orbitGripping) dropGrip(kept);
}

export function obey(timeline: Timeline, intent: Intent): void {
  switch (intent.kind) {
    case 'steer':
      steer(timeline, intent);
      break;
    case 'shift':
      shift(timeline, intent);
      break;
    case 'zoom':
      zoom(timeline, intent);
      break;
    case 'step':
      step(timeline, intent);
      break;
    case 'home':
      timeline.hear(intent);
      break;
    case 'orbit':
      orbit(timeline, intent);
      break;
    case 'hold':
      hold(timeline, intent);
      break;
  }
}

function steer(timeline: Timeline, { right, down, turn, tilt, zoom: notches, orbits }: SteerIntent): void {
  const { kept, rules, look } = timeline;
  if (!orbits) kept.orbitGripping = false;
  kept.orbiting = orbits;
  // What is held as before is no news: it ends nothing that has begun since.
  const { targetX, targetY, turnRate, tiltRate, zoomRate } = kept;
  kept.targetX = right;
  kept.targetY = down;
  if ((right !== 0 || down !== 0) && (right !== targetX || down !== targetY)) interrupt(kept, rules, look, 'pan');
  if (notches !== 0 && notches !== zoomRate) interrupt(kept, rules, look, 'zoomKeys');
  if (turn !== 0 && turn !== turnRate) interrupt(kept, rules, look, 'turnKeys');
  if (tilt !== 0 && tilt !== tiltRate) interrupt(kept, rules, look, 'tiltKeys');
  if (notches !== 0 && zoomRate === 0 && kept.fingers === 0) dropGrip(kept);
  if (turn !== 0 && turn !== turnRate) kept.stepping = false;
  kept.turnRate = turn;
  kept.tiltRate = tilt;
  kept.zoomRate = notches;
  restHeading(kept, rules);
}

/** Moves the focus, or what a zoom holds, along the screen: what eases goes on. */
function shift({ kept, rules, look }: Timeline, { right, down }: ShiftIntent): void {
  if (kept.fingers > 0) return;
  interrupt(kept, rules, look, 'shift');
  const { sinHeading, cosHeading } = look;
  const steep = foreshortening(rules, look);
  const perPixel = look.perPixel * kept.span;
  kept.panX = (right * cosHeading - down * steep * sinHeading) * perPixel;
  kept.panY = (right * sinHeading + down * steep * cosHeading) * perPixel;
  solveFocus(kept, rules, look);
  kept.panX = kept.panY = 0;
  kept.groundStale = rules.terrain !== null;
  if (kept.groundStale) kept.easing = true;
}

function zoom({ kept, rules, look }: Timeline, { notches, anchor, x, y }: ZoomIntent): void {
  if (kept.fingers === 2) return;
  interrupt(kept, rules, look, 'notch');
  if (kept.fingers === 0) {
    if (anchor === 'cursor') takeGrip(kept, rules, look, x, y);
    else if (anchor === 'below-eye') takeBelow(kept, look);
    else dropGrip(kept);
  }
  addNotches(kept, rules, look, notches);
}

function step(timeline: Timeline, { turn: degrees, tilt: down }: StepIntent): void {
  const { goalHeading } = timeline.kept;
  const north = 360 * Math.round(goalHeading / 360) - goalHeading;
  if (degrees !== 0) turn(timeline, degrees ?? north, undefined);
  if (down !== 0) tilt(timeline, down, undefined);
}

/** An orbit holds what was under the pointer when it was pressed, or the focus: always that while panning is locked. */
function orbit({ kept, rules, look }: Timeline, { turn: degrees, tilt: down, x, y }: OrbitIntent): void {
  if (kept.fingers > 0) return;
  const byFocus = kept.led || rules.settings.turn.anchor === 'focus' || rules.settings.locked.includes('pan');
  const holds = kept.orbitGripping && kept.gripX === x && kept.gripY === y;
  if (byFocus || !holds) interrupt(kept, rules, look, 'orbit');
  if (byFocus) dropGrip(kept);
  else if (!holds) takeGrip(kept, rules, look, x, y);
  kept.gripping = kept.orbitGripping = !byFocus;
  addOrbit(kept, rules, look, degrees, down);
}

/** A hand takes hold of what is shown, and everything else stops; or it moves with what it holds. */
function hold(timeline: Timeline, intent: HoldIntent): void {
  const { kept, rules, look } = timeline;
  const { fingers, change, zoom: mayZoom, turn: mayTurn, glides } = intent;
  if (change === 'none') return;
  const before = kept.fingers;
  // What two fingers could not hold inside the bounds is over with them.
  if (before === 2 && kept.mayZoom && fingers.length < 2) holdSpan(kept, kept.span);
  setFingers(kept, fingers);
  kept.mayZoom = mayZoom;
  kept.mayTurn = mayTurn;
  if (change === 'anew') {
    interrupt(kept, rules, look, kept.fingers === 0 ? 'lift' : kept.fingers === 1 ? 'drag' : 'pinch');
    kept.climb = 0;
    findGoal(kept, rules);
    holdAnew(kept, rules, look);
    // What goes on to a stop goes there about the last finger.
    if (before > 0 && kept.fingers === 0 && (kept.zoomRemaining !== 0 || kept.turnRemaining !== 0))
      takeGrip(kept, rules, look, kept.gripX, kept.gripY);
  }
  if (fingers.length > 0) solveFocus(kept, rules, look);
  timeline.handMoved(change === 'anew', glides);
  kept.easing = true;
  kept.groundStale = rules.terrain !== null;
}

/** Turns, eased, about the focus or another point; a hand goes on holding what it holds. */
export function turn(timeline: Timeline, degrees: number, about: About | undefined): void {
  interrupt(timeline.kept, timeline.rules, timeline.look, 'turn');
  gripAbout(timeline, about);
  addStep(timeline.kept, timeline.rules, degrees);
}

export function tilt(timeline: Timeline, degrees: number, about: About | undefined): void {
  interrupt(timeline.kept, timeline.rules, timeline.look, 'tilt');
  gripAbout(timeline, about);
  addTilt(timeline.kept, timeline.rules, degrees);
}

/** Zooms, eased, about the focus or another point, on from where it is going; a hand goes on holding what it holds. */
export function zoomOnCall(timeline: Timeline, { notches, factor, about }: ZoomSignal): void {
  const { kept, rules, look } = timeline;
  if (kept.fingers === 2) return;
  interrupt(kept, rules, look, 'zoom');
  gripAbout(timeline, about);
  if (notches !== undefined) addNotches(kept, rules, look, notches);
  if (factor !== undefined) setGoalSpan(kept, rules, look, kept.goalSpan / factor);
}

function gripAbout({ kept, rules, look }: Timeline, about: About | undefined): void {
  if (kept.fingers > 0) return;
  if (about === undefined) dropGrip(kept);
  else if ('x' in about) takeGripOf(kept, rules, look, about.x, about.y);
  else takeGrip(kept, rules, look, about.screenX, about.screenY);
}
