/**
 * The kept values of a camera that moves: plain numbers, so that a frame can copy them.
 *
 * They begin as -0 and NaN because engines keep a field that was a small whole number at first in
 * another form, and rebuild the object when the first fraction comes.
 */
import type { Pose } from '../view/index.ts';
import { Offset } from './offset.ts';
import type { Part } from './part.ts';
import { SpanQuestion } from './spanQuestion.ts';

export class Motion implements Pose {
  /** Focus shown, world units: the raw one inside the bounds, and what was pulled over the edge. */
  x = -0;
  y = -0;
  focusHeight = -0;
  span = NaN;
  heading = -0;
  pitch = NaN;
  fieldOfView = -0;

  /** The focus before bounds, which only pans, hands, placings and movers change: so what a turn or a tilt pushes away comes back. */
  rawX = -0;
  rawY = -0;

  /** The span that the player asked for, whatever the present screen allows. */
  wantedSpan = NaN;
  /** The span being eased to: how much of `wantedSpan` fits. */
  goalSpan = NaN;
  /** What that was found for. */
  readonly question = new SpanQuestion();
  /** The span on its way there. `span`, which is shown, is no larger than what fits now. Pitch, lens and switches follow this one. */
  easedSpan = NaN;
  /** What is left of the zoom: log₂(easedSpan / goalSpan), halving every half-life. */
  zoomRemaining = -0;
  /** log₂ of the goal, and the goal that it is of. */
  logGoal = NaN;
  loggedGoal = NaN;
  /** Parts of a notch that have not come to a whole stop yet. */
  notches = -0;

  /** The heading being eased to, not wrapped, and what is left of the turn. */
  goalHeading = -0;
  turnRemaining = -0;
  /** The turn under way goes by a step, or by a call: a hand that drags does not end it. */
  stepping = false;
  /** A button that turns by dragging is down: until it goes up, any heading will do. */
  orbiting = false;
  /** What the player tilted, on top of what the zoom asks for, degrees. */
  tilt = -0;
  /** The sides on which the switches by zoom are. */
  pitchFar = false;
  lensFar = false;
  speedFar = false;
  /** What the zoom asked of pitch and lens last. */
  askedPitch = NaN;
  askedLens = -0;
  /** The focus height, but for what the eye's clearance adds: it eases toward the ground around the focus. */
  level = -0;
  /** What it eases toward: from one look at the ground to the next this goes straight to what was seen. */
  ground = -0;
  /** How fast it goes there, world units per second. */
  climb = -0;
  /** Since the last look at the ground there has been motion. */
  groundStale = false;
  /** Insets shown, CSS pixels. */
  insetLeft = -0;
  insetTop = -0;
  insetRight = -0;
  insetBottom = -0;
  /** Pitch, lens, focus height, insets or what was pulled over the edge have not arrived. */
  easing = false;
  /** Of these, pitch or lens. */
  tilting = false;
  /** The pitch eases to where it was tilted. */
  tilted = false;
  /** So often the ground has been looked at since everything else had arrived that a grip depends on. */
  lastLooks = -0;
  /** Two fingers have zoomed, and pitch or lens are not yet where the zoom wants them: they ease, even where they follow at once. */
  pinched = false;
  /** Of these, the insets. */
  framing = false;

  /** Pan velocity shown, in pan speeds: right and down. */
  velocityX = -0;
  velocityY = -0;
  /** The velocity being eased to. */
  targetX = -0;
  targetY = -0;
  /** How far the goals of zoom and heading went in the present step: octaves, degrees. */
  zoomGoalMoved = -0;
  turnGoalMoved = -0;
  /** How far the present step pans: the focus, or what a zoom holds; world units. */
  panX = -0;
  panY = -0;
  /** Span, heading and pitch at the beginning of the present step. */
  spanBefore = NaN;
  headingBefore = NaN;
  pitchBefore = NaN;
  /** What each mover of the rules keeps, in their order; scratch motion keeps none of it. */
  readonly states: Part[];
  /** One of the movers is under way. */
  moving = false;
  /** One of them keeps something where it shows, whatever zooms, turns or tilts: nothing else is gripped meanwhile. */
  led = false;
  /** It glides on after a hand let go. */
  gliding = false;
  /** How fast held keys turn and tilt, degrees per second, and zoom, notches per second. */
  turnRate = -0;
  tiltRate = -0;
  zoomRate = -0;
  /** No frames are being drawn: what is held counts as let go, and what eases goes on. */
  stalled = false;

  /** How many fingers of a hand hold, 0 … 2. */
  fingers = 0;
  /** A zoom or a turn holds a ground point, and no hand does. */
  gripping = false;
  /** It holds the ground below the eye. */
  holdsBelowEye = false;
  /** What it holds is held by an orbit. */
  orbitGripping = false;
  /** Two fingers may zoom, and turn. */
  mayZoom = true;
  mayTurn = true;
  /** Fingers are too close to each other to say anything but where. */
  fingersTooClose = false;
  /** The first held point, and the CSS pixels where it is held. */
  heldX = -0;
  heldY = -0;
  heldHeight = -0;
  gripX = -0;
  gripY = -0;
  /** The second. */
  heldX2 = -0;
  heldY2 = -0;
  heldHeight2 = -0;
  gripX2 = -0;
  gripY2 = -0;
  /** Of the two spans at which two points on a steep hill can be held, it is the lesser. */
  usesLesserRoot = false;
  /** By how much two fingers were nearer to each other than what they hold shows, when they took hold: 0 but for what lies behind the horizon. */
  fingersCloser = -0;
  /** How far the focus shown has been pulled over the edge, world units. */
  excessX = -0;
  excessY = -0;
  /** A limit keeps a held point from its screen point. */
  limited = false;
  /** By how much what is shown is still off, after a change of settings. */
  readonly offset = new Offset();

  constructor(states: Part[] = []) {
    this.states = states;
  }

  copyFrom(other: Motion): void {
    this.x = other.x;
    this.y = other.y;
    this.focusHeight = other.focusHeight;
    this.span = other.span;
    this.heading = other.heading;
    this.pitch = other.pitch;
    this.fieldOfView = other.fieldOfView;
    this.rawX = other.rawX;
    this.rawY = other.rawY;
    this.wantedSpan = other.wantedSpan;
    this.goalSpan = other.goalSpan;
    this.question.copyFrom(other.question);
    this.easedSpan = other.easedSpan;
    this.zoomRemaining = other.zoomRemaining;
    this.logGoal = other.logGoal;
    this.loggedGoal = other.loggedGoal;
    this.notches = other.notches;
    this.goalHeading = other.goalHeading;
    this.turnRemaining = other.turnRemaining;
    this.stepping = other.stepping;
    this.orbiting = other.orbiting;
    this.tilt = other.tilt;
    this.pitchFar = other.pitchFar;
    this.lensFar = other.lensFar;
    this.speedFar = other.speedFar;
    this.askedPitch = other.askedPitch;
    this.askedLens = other.askedLens;
    this.level = other.level;
    this.ground = other.ground;
    this.climb = other.climb;
    this.groundStale = other.groundStale;
    this.insetLeft = other.insetLeft;
    this.insetTop = other.insetTop;
    this.insetRight = other.insetRight;
    this.insetBottom = other.insetBottom;
    this.easing = other.easing;
    this.tilting = other.tilting;
    this.tilted = other.tilted;
    this.lastLooks = other.lastLooks;
    this.pinched = other.pinched;
    this.framing = other.framing;
    this.velocityX = other.velocityX;
    this.velocityY = other.velocityY;
    this.targetX = other.targetX;
    this.targetY = other.targetY;
    this.zoomGoalMoved = other.zoomGoalMoved;
    this.turnGoalMoved = other.turnGoalMoved;
    this.panX = other.panX;
    this.panY = other.panY;
    this.spanBefore = other.spanBefore;
    this.headingBefore = other.headingBefore;
    this.pitchBefore = other.pitchBefore;
    this.moving = other.moving;
    this.led = other.led;
    this.gliding = other.gliding;
    this.turnRate = other.turnRate;
    this.tiltRate = other.tiltRate;
    this.zoomRate = other.zoomRate;
    this.stalled = other.stalled;
    this.fingers = other.fingers;
    this.gripping = other.gripping;
    this.holdsBelowEye = other.holdsBelowEye;
    this.orbitGripping = other.orbitGripping;
    this.mayZoom = other.mayZoom;
    this.mayTurn = other.mayTurn;
    this.fingersTooClose = other.fingersTooClose;
    this.heldX = other.heldX;
    this.heldY = other.heldY;
    this.heldHeight = other.heldHeight;
    this.gripX = other.gripX;
    this.gripY = other.gripY;
    this.heldX2 = other.heldX2;
    this.heldY2 = other.heldY2;
    this.heldHeight2 = other.heldHeight2;
    this.gripX2 = other.gripX2;
    this.gripY2 = other.gripY2;
    this.usesLesserRoot = other.usesLesserRoot;
    this.fingersCloser = other.fingersCloser;
    this.excessX = other.excessX;
    this.excessY = other.excessY;
    this.limited = other.limited;
    if (this.offset.isOn || other.offset.isOn) this.offset.copyFrom(other.offset);
    if (other.moving || other.led)
      for (let i = 0; i < this.states.length; i++) this.states[i]?.copyFrom(other.states[i]);
  }
}

/** Whether held keys ask for a velocity. */
export function isDriven(motion: Motion): boolean {
  return !motion.stalled && (motion.targetX !== 0 || motion.targetY !== 0);
}

/** Whether held keys move the focus, or it still glides. A hand that holds the ground keeps it from both. */
export function isPanning(motion: Motion): boolean {
  return motion.fingers === 0 && (motion.velocityX !== 0 || motion.velocityY !== 0 || isDriven(motion));
}

/** Whether held keys turn, tilt or zoom. */
export function isSteered(motion: Motion): boolean {
  return (
    motion.fingers === 0 && !motion.stalled && (motion.turnRate !== 0 || motion.tiltRate !== 0 || motion.zoomRate !== 0)
  );
}

/** Whether something other than a pan is under way. */
export function isEasing(motion: Motion): boolean {
  return (
    motion.zoomRemaining !== 0 || motion.turnRemaining !== 0 || motion.easing || motion.moving || motion.offset.isOn
  );
}

/** Whether time changes nothing: at rest, or stalled with nothing easing any more. */
export function isStill(motion: Motion): boolean {
  return !isEasing(motion) && !isPanning(motion) && !isSteered(motion);
}

/** Whether nothing moves and nothing would: only a signal can change this. */
export function isAtRest(motion: Motion): boolean {
  if (isEasing(motion)) return false;
  if (motion.fingers > 0) return true;
  const steered = motion.turnRate !== 0 || motion.tiltRate !== 0 || motion.zoomRate !== 0;
  const driven = motion.targetX !== 0 || motion.targetY !== 0;
  return motion.velocityX === 0 && motion.velocityY === 0 && !driven && !steered;
}
