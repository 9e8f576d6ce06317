/** What intents, and calls of the program, do to the kept state. */
import type {
  About,
  HoldIntent,
  Intent,
  ShiftIntent,
  SteerIntent,
  StepIntent,
  SwingIntent,
  ZoomIntent,
} from './control/index.ts';
import {
  foreshortening,
  goHome,
  holdAnew,
  interrupt,
  isDriven,
  isStill,
  letGo,
  restHeading,
  setFingers,
  settle,
  stepBy,
  swingBy,
  takeBelow,
  takeGrip,
  takeGripOf,
  tiltBy,
  zoomBy,
  type Course,
} from './motion/index.ts';

/**
 * Once nothing moves, and no hand holds, nothing is held; and what was so near that it arrived at once
 * has its focus settled too, as no step will come to do it.
 */
export function letRest({ kept, rules, look }: Course): void {
  if (!isStill(kept)) return;
  settle(kept, rules, look);
  if (kept.fingers === 0 && !kept.swinging) letGo(kept);
}

export function obey(course: Course, intent: Intent): void {
  switch (intent.kind) {
    case 'steer':
      steer(course, intent);
      break;
    case 'shift':
      shift(course, intent);
      break;
    case 'zoom':
      zoom(course, intent);
      break;
    case 'step':
      step(course, intent);
      break;
    case 'home':
      home(course);
      break;
    case 'swing':
      swing(course, intent);
      break;
    case 'hold':
      hold(course, intent);
      break;
  }
}

function steer(course: Course, { right, down, turn, tilt, zoom: notches, swings }: SteerIntent): void {
  const { kept, rules, look } = course;
  if (!swings) kept.swinging = false;
  kept.orbiting = swings;
  kept.targetX = right;
  kept.targetY = down;
  if (right !== 0 || down !== 0) interrupt(kept, rules, look, 'pan');
  if (notches !== 0) interrupt(kept, rules, look, 'zoomKeys');
  if (turn !== 0) interrupt(kept, rules, look, 'turnKeys');
  if (tilt !== 0) interrupt(kept, rules, look, 'tiltKeys');
  if (notches !== 0 && kept.zoomRate === 0 && kept.fingers === 0) letGo(kept);
  if (turn !== 0) kept.stepping = false;
  kept.turnRate = turn;
  kept.tiltRate = tilt;
  kept.zoomRate = notches;
  restHeading(kept, rules);
}

/** Moves the focus, or what a zoom holds, along the screen: what eases goes on. */
function shift({ kept, rules, look }: Course, { right, down }: ShiftIntent): void {
  if (kept.fingers > 0) return;
  interrupt(kept, rules, look, 'shift');
  const { sinHeading, cosHeading } = look;
  const steep = foreshortening(rules, look);
  const perPixel = look.perPixel * kept.span;
  kept.wayX = (right * cosHeading - down * steep * sinHeading) * perPixel;
  kept.wayY = (right * sinHeading + down * steep * cosHeading) * perPixel;
  settle(kept, rules, look);
  kept.wayX = kept.wayY = 0;
  kept.unseen = rules.terrain !== null;
  if (kept.unseen) kept.easing = true;
}

function zoom({ kept, rules, look }: Course, { notches, anchor, x, y }: ZoomIntent): void {
  if (kept.fingers === 2) return;
  interrupt(kept, rules, look, 'notch');
  if (kept.fingers === 0) {
    if (anchor === 'cursor') takeGrip(kept, rules, look, x, y);
    else if (anchor === 'below-eye') takeBelow(kept, look);
    else letGo(kept);
  }
  zoomBy(kept, rules, look, notches);
}

function step(course: Course, { turn: degrees, tilt: down }: StepIntent): void {
  const { goalHeading } = course.kept;
  const north = 360 * Math.round(goalHeading / 360) - goalHeading;
  if (degrees !== 0) turn(course, degrees ?? north, undefined);
  if (down !== 0) tilt(course, down, undefined);
}

/** A swing holds what was under the pointer when it was pressed, or the focus: always that while panning is locked. */
function swing({ kept, rules, look }: Course, { turn: degrees, tilt: down, x, y }: SwingIntent): void {
  if (kept.fingers > 0) return;
  const byFocus = rules.settings.turn.anchor === 'focus' || rules.settings.locked.includes('pan');
  const holds = kept.swinging && kept.gripX === x && kept.gripY === y;
  if (byFocus || !holds) interrupt(kept, rules, look, 'orbit');
  if (byFocus) letGo(kept);
  else if (!holds) takeGrip(kept, rules, look, x, y);
  kept.gripping = kept.swinging = !byFocus;
  swingBy(kept, rules, look, degrees, down);
}

/** A hand takes hold of what is shown, and everything else stops; or it moves with what it holds. */
function hold(course: Course, intent: HoldIntent): void {
  const { kept, rules, look, glide, micros } = course;
  const { fingers, change, zoom: mayZoom, turn: mayTurn, glides } = intent;
  if (change === 'none') return;
  const before = kept.fingers;
  setFingers(kept, fingers);
  kept.mayZoom = mayZoom;
  kept.mayTurn = mayTurn;
  if (change === 'anew') {
    interrupt(kept, rules, look, kept.fingers === 0 ? 'lift' : kept.fingers === 1 ? 'drag' : 'pinch');
    kept.climb = 0;
    holdAnew(kept, rules, look);
    // What goes on to a stop goes there about the last finger.
    if (before > 0 && kept.fingers === 0 && (kept.left !== 0 || kept.turnLeft !== 0))
      takeGrip(kept, rules, look, kept.gripX, kept.gripY);
  }
  if (fingers.length > 0) settle(kept, rules, look);
  else if (glides) glide.fling(kept, rules, look, micros);
  if (change === 'anew') glide.begin(kept);
  glide.follow(kept, micros);
  kept.easing = true;
  kept.unseen = rules.terrain !== null;
}

/** Goes to where the settings begin: the zoom, the turn and the tilt, and what is left of the way. */
export function home({ kept, rules, look }: Course): void {
  if (kept.fingers > 0) return;
  interrupt(kept, rules, look, 'goHome');
  // What is left of a pan by keys would keep it from setting out.
  if (!isDriven(kept)) kept.velocityX = kept.velocityY = 0;
  letGo(kept);
  goHome(kept, rules, look);
}

/** Turns, eased, about the focus or another point; a hand goes on holding what it holds. */
export function turn(course: Course, degrees: number, about: About | undefined): void {
  interrupt(course.kept, course.rules, course.look, 'turn');
  gripAbout(course, about);
  stepBy(course.kept, course.rules, degrees);
}

export function tilt(course: Course, degrees: number, about: About | undefined): void {
  interrupt(course.kept, course.rules, course.look, 'tilt');
  gripAbout(course, about);
  tiltBy(course.kept, course.rules, degrees);
}

function gripAbout({ kept, rules, look }: Course, about: About | undefined): void {
  if (kept.fingers > 0) return;
  if (about === undefined) letGo(kept);
  else if ('x' in about) takeGripOf(kept, rules, look, about.x, about.y);
  else takeGrip(kept, rules, look, about.screenX, about.screenY);
}
