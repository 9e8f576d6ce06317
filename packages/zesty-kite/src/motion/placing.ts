/** Being put somewhere: at the start, by the program, by limits or a screen that change. */
import { ScratchPoint } from '../view/index.ts';
import { resizeKeeps, scaleWithFrame } from './keepScale.ts';
import type { Motion } from './motion.ts';
import type { Placement } from './mover.ts';
import type { Start } from './constraints.ts';

/** How often the focus height, which depends on the focus, is looked up. */
const LOOKUPS = 4;

export class Placing {
  readonly #motion: Motion;

  constructor(motion: Motion) {
    this.#motion = motion;
  }

  /** Begins somewhere, with nothing under way; what the limits do not allow is brought inside. */
  begin(start: Start): void {
    const motion = this.#motion;
    const { focus, zoom, turn, tilt, lens, insets, level, pan, hold, offset, constraints } = motion;
    hold.drop();
    offset.end();
    focus.undoElastic();
    this.#endMovers({ ...start, pitch: start.pitch ?? undefined });
    tilt.isFar = lens.isFar = pan.isFar = false;
    insets.arriveAt(constraints.settings.safeFrame);
    motion.layFrame();
    tilt.offset = 0;
    turn.face(start.heading, constraints.turn);
    motion.zooming.atOnce(motion.zooming.spanOf(start.span, start.pitch ?? undefined), start.pitch);
    focus.x = start.x;
    focus.y = start.y;
    this.#arrive();
    this.#lookAt(start.x, start.y, start.height);
    this.#arrive();
    motion.pair.hold();
    motion.focusing.solve();
    tilt.isActive = lens.isActive = tilt.isTilted = insets.isActive = hold.isPinched = false;
    level.stop();
    zoom.notches = 0;
  }

  /**
   * Moves the named values at once, inside the limits, and ends only their motion. Other values
   * are left alone: a zoom or a turn under way goes on, and so do held keys.
   */
  place(place: Placement): void {
    const motion = this.#motion;
    const { focus, hold, level, offset } = motion;
    const { span, heading, pitch } = place;
    const { isGrip, isBelowEye, isOrbit } = hold;
    const moves = movesFocus(place);
    const looks = span !== undefined || heading !== undefined || pitch !== undefined;
    this.#endMovers(place);
    this.#endPanAlong(place);
    if (looks) this.#aim(place);
    if (moves) {
      // The offset beyond an elastic edge is part of x and y, and is dropped with them.
      focus.undoElastic();
      offset.x = offset.y = offset.focusHeight = 0;
      hold.drop();
      this.#lookAt(place.x ?? focus.x, place.y ?? focus.y, place.height);
    }
    if (hold.fingers === 0 && (moves || span !== undefined)) level.stand(motion.groundLevel);
    this.#settleInside();
    motion.reapplyPin();
    motion.pair.hold();
    if (moves || !looks || !isGrip || hold.fingers > 0) return;
    // A zoom or a turn that goes on grips the ground that now shows at the same screen point.
    motion.grips.takeAgain(isBelowEye);
    hold.isOrbit = isOrbit;
  }

  /**
   * Brings everything inside limits that have changed; a grip goes on holding.
   *
   * @param otherBoundary there are other bounds: what was pulled over the edge of the old ones is forgotten
   * @param atOnce a span that has to leave its stop goes to another at once; else it eases
   */
  refit(otherBoundary: boolean, atOnce = false): void {
    const motion = this.#motion;
    const { focus, zoom, turn, tilt, insets, level, hold, constraints } = motion;
    turn.refit(constraints.turn, hold.fingers);
    tilt.pitch = motion.insidePitch(tilt.pitch);
    motion.layLook();
    zoom.keepIn(motion.zooming.min, motion.zooming.max);
    motion.question = null;
    motion.zooming.findGoal();
    if (atOnce && constraints.stops !== null && zoom.isActive) {
      zoom.finish();
      motion.arriveAt(zoom.eased);
    }
    if (otherBoundary) {
      focus.undoElastic();
      // A mover leads the raw focus, whatever the bounds are.
      if (motion.isMoved || motion.isPinned) motion.focusing.leadTo(focus.rawX, focus.rawY);
      else motion.focusing.putAt(focus.x, focus.y);
    }
    motion.easeLook();
    motion.focusing.solve();
    motion.reapplyPin();
    insets.isActive = true;
    level.isStale = constraints.terrain !== null || level.ground !== 0;
  }

  /** Another screen. A zoom or a turn under way goes on about the same pixel, and what a hand holds stays under it. */
  resize(): void {
    const motion = this.#motion;
    const { zoom, hold, constraints, projection } = motion;
    const { frameWidth, frameHeight } = projection;
    const { isGrip, isBelowEye, fingers } = hold;
    motion.layFrame();
    const rests = !zoom.isActive && fingers === 0;
    scaleWithFrame(zoom, frameWidth, frameHeight, projection, fingers === 2 ? 'scale' : resizeKeeps(constraints));
    if (fingers === 0) hold.drop();
    this.refit(false, rests);
    if (isGrip && motion.isEasing) motion.grips.takeAgain(isBelowEye);
  }

  /** Puts all that follows where it is wanted, at once. */
  #arrive(): void {
    const motion = this.#motion;
    motion.flipSwitches();
    motion.zooming.show();
    motion.arriveAt(motion.zoom.eased);
    motion.level.stand(motion.groundLevel);
    motion.focus.height = motion.level.height;
  }

  /** Puts the focus where a point of this height shows in the middle; of the ground if it is undefined. */
  #lookAt(x: number, y: number, height: number | undefined): void {
    const { focusing, level, zoom, projection, constraints } = this.#motion;
    focusing.putAt(x, y);
    if (height === undefined) return;
    for (let i = constraints.terrain === null ? 1 : LOOKUPS; i > 0; i--) {
      level.stand(this.#motion.groundLevel);
      projection.meet(0, 0, zoom.shown, height - level.height, met);
      focusing.putAt(x - met.x, y - met.y);
    }
  }

  /** Ends the movers that a placing ends. */
  #endMovers(place: Placement): void {
    const motion = this.#motion;
    for (const { mover, state } of motion.moving) mover.interruptAxes?.(state, place);
    if (movesFocus(place)) motion.endMovers('placeFocus');
    if (place.span !== undefined) motion.endMovers('placeSpan');
    if (place.heading !== undefined) motion.endMovers('placeHeading');
    if (place.pitch !== undefined) motion.endMovers('placePitch');
  }

  /** Brings the focus inside with nothing held: it stays where it is, as far as the bounds let it. */
  #settleInside(): void {
    const { hold, focusing } = this.#motion;
    const { fingers } = hold;
    hold.drop();
    hold.fingers = 0;
    focusing.solve();
    hold.fingers = fingers;
  }

  /** Span, heading and pitch of a placing; pitch and lens follow their curves unless they are named. */
  #aim({ span, heading, pitch }: Placement): void {
    const motion = this.#motion;
    const { zoom, turn, tilt, offset, constraints, projection } = motion;
    if (heading !== undefined) {
      offset.heading = 0;
      turn.face(heading, constraints.turn);
    }
    if (pitch !== undefined) offset.pitch = 0;
    if (span !== undefined || !zoom.isActive) {
      if (span !== undefined) {
        offset.zoom = offset.fieldOfView = 0;
        zoom.notches = 0;
      }
      const { eased } = zoom;
      // A tilt that still eases keeps its distance from the pitch of the new span.
      const lag = tilt.isTilted ? tilt.pitch - tilt.target : 0;
      motion.zooming.atOnce(span === undefined ? zoom.wanted : motion.zooming.spanOf(span, pitch), pitch ?? null);
      if (span !== undefined || zoom.eased !== eased) {
        motion.arriveAt(zoom.eased);
        tilt.pitch = motion.insidePitch(tilt.pitch + lag);
      }
    } else if (pitch !== undefined) motion.setPitch(pitch);
    if (pitch !== undefined) {
      tilt.arriveAt(motion.pitchAt(zoom.eased));
      tilt.isTilted = false;
    }
    projection.turn(motion);
  }

  /** Ends a glide or a stop along the world's axes that are named. */
  #endPanAlong({ x, y }: Placement): void {
    const { pan, projection } = this.#motion;
    if ((x === undefined && y === undefined) || pan.isDriven) return;
    const steep = this.#motion.foreshortening();
    const { sinHeading, cosHeading } = projection;
    const toward = pan.velocityY * steep;
    const east = x === undefined ? pan.velocityX * cosHeading - toward * sinHeading : 0;
    const south = y === undefined ? pan.velocityX * sinHeading + toward * cosHeading : 0;
    pan.velocityX = east * cosHeading + south * sinHeading;
    pan.velocityY = (south * cosHeading - east * sinHeading) / steep;
    if (!pan.isMoving) pan.isGliding = false;
  }
}

const met = new ScratchPoint();

function movesFocus({ x, y, height }: Placement): boolean {
  return x !== undefined || y !== undefined || height !== undefined;
}
