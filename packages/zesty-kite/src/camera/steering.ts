/** Applies the intents of hands to the kept motion. */
import type {
  HoldIntent,
  Intent,
  OrbitIntent,
  ShiftIntent,
  SteerIntent,
  StepIntent,
  ZoomIntent,
} from '../hands/index.ts';
import type { Motion, Timeline } from '../motion/index.ts';
import type { Calling } from './calling.ts';

export class Steering {
  readonly #timeline: Timeline;
  readonly #kept: Motion;
  readonly #calls: Calling;

  constructor(timeline: Timeline, calls: Calling) {
    this.#timeline = timeline;
    this.#kept = timeline.kept;
    this.#calls = calls;
  }

  obey(intent: Intent): void {
    this.#kept.layLook();
    switch (intent.kind) {
      case 'steer':
        this.#steer(intent);
        break;
      case 'shift':
        this.#shift(intent);
        break;
      case 'zoom':
        this.#zoom(intent);
        break;
      case 'step':
        this.#step(intent);
        break;
      case 'home':
        this.#kept.receive(intent);
        break;
      case 'orbit':
        this.#orbit(intent);
        break;
      case 'hold':
        this.#hold(intent);
        break;
    }
  }

  /** Whether an intent is in force already. */
  isInForce(intent: Intent): boolean {
    const { pan, turn, tilt, zoom, hold } = this.#kept;
    if (intent.kind === 'hold') return intent.change === 'none';
    if (intent.kind !== 'steer') return false;
    return (
      intent.right === pan.targetX &&
      intent.down === pan.targetY &&
      intent.turn === turn.rate &&
      intent.tilt === tilt.rate &&
      intent.zoom === zoom.rate &&
      intent.east === pan.targetEast &&
      intent.south === pan.targetSouth &&
      intent.orbits === turn.isOrbiting &&
      (intent.orbits || !hold.isOrbit)
    );
  }

  #steer(intent: SteerIntent): void {
    const kept = this.#kept;
    const { right, down, east, south, turn: turns, tilt: tilts, zoom: notches, orbits } = intent;
    const { pan, hold, turn, tilt, zoom } = kept;
    if (!orbits) hold.isOrbit = false;
    const wasTurned = turn.isOrbiting || turn.rate !== 0;
    turn.isOrbiting = orbits;
    // An unchanged input is no news: it ends nothing that has begun since.
    const isOnScreen = (right !== 0 || down !== 0) && (right !== pan.targetX || down !== pan.targetY);
    const isInWorld = (east !== 0 || south !== 0) && (east !== pan.targetEast || south !== pan.targetSouth);
    const isNewTurn = turns !== 0 && turns !== turn.rate;
    const begins = notches !== 0 && zoom.rate === 0;
    pan.targetX = right;
    pan.targetY = down;
    pan.targetEast = east;
    pan.targetSouth = south;
    if (isOnScreen || isInWorld) kept.interrupt('panKeys');
    if (notches !== 0 && notches !== zoom.rate) kept.interrupt('zoomKeys');
    if (isNewTurn) kept.interrupt('turnKeys');
    if (tilts !== 0 && tilts !== tilt.rate) kept.interrupt('tiltKeys');
    if (begins && hold.fingers === 0) hold.drop();
    if (isNewTurn) {
      turn.isStep = false;
      if (this.#turnsAboutEye && hold.fingers === 0) kept.grips.takeBelow();
    }
    turn.rate = turns;
    tilt.rate = tilts;
    zoom.rate = notches;
    // What a mover turns is its own.
    if (wasTurned) turn.rest(kept.constraints.turn, hold.fingers);
  }

  /** Moves the focus, or what a zoom holds, along the screen: what eases goes on. */
  #shift({ right, down }: ShiftIntent): void {
    const kept = this.#kept;
    const { pan, hold, projection } = kept;
    if (hold.fingers > 0) return;
    kept.interrupt('wheelPan');
    const { sinHeading, cosHeading } = projection;
    const steep = kept.foreshortening();
    const perPixel = projection.perPixel * kept.span;
    pan.stepX = (right * cosHeading - down * steep * sinHeading) * perPixel;
    pan.stepY = (right * sinHeading + down * steep * cosHeading) * perPixel;
    kept.focusing.solve();
    pan.endStep();
    kept.markGroundStale();
  }

  #zoom({ notches, anchor, x, y }: ZoomIntent): void {
    const kept = this.#kept;
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

  #step({ turn: degrees, tilt: down }: StepIntent): void {
    const { goal } = this.#kept.turn;
    const north = 360 * Math.round(goal / 360) - goal;
    if (degrees !== 0) this.#calls.turn(degrees ?? north, this.#turnsAboutEye ? 'eye' : undefined);
    if (down !== 0) this.#calls.tilt(down, undefined);
  }

  get #turnsAboutEye(): boolean {
    const { turn, locked } = this.#kept.constraints.settings;
    return turn.anchor === 'eye' && !locked.includes('pan');
  }

  /** An orbit holds what was under the pointer when it was pressed, the ground below the eye, or the focus: always that while panning is locked. */
  #orbit({ turn: degrees, tilt: down, x, y, about }: OrbitIntent): void {
    const kept = this.#kept;
    const { hold, first, constraints, isPinned } = kept;
    if (hold.fingers > 0) return;
    const byFocus = isPinned || about === 'focus' || constraints.settings.locked.includes('pan');
    const isSame = about === 'eye' ? hold.isBelowEye : first.screenX === x && first.screenY === y;
    const holds = hold.isOrbit && isSame;
    if (byFocus || !holds) kept.interrupt('orbit');
    if (byFocus) hold.drop();
    else if (!holds && about === 'eye') kept.grips.takeBelow();
    else if (!holds) kept.grips.take(x, y);
    // Below a lens without an eye nothing is held.
    hold.isGrip = hold.isOrbit = !byFocus && (about !== 'eye' || hold.isBelowEye);
    this.#orbitBy(degrees, down);
  }

  /** Turns and tilts at once, as far as the limits let it; what is gripped stays where it is. */
  #orbitBy(degrees: number, down: number): void {
    const kept = this.#kept;
    const { zoom, turn, tilt, constraints, projection } = kept;
    if (degrees !== 0) {
      turn.turnBy(degrees, constraints.turn);
      turn.turnTo(turn.goal);
    }
    if (down !== 0) {
      const { target } = tilt;
      kept.tiltBy(down);
      tilt.easeTo(kept.pitchAt(zoom.eased), true);
      tilt.pitch = kept.insidePitch(tilt.pitch + tilt.target - target);
    }
    projection.turn(kept);
    kept.focusing.solve();
    kept.reapplyPin();
    kept.markGroundStale();
  }

  /** A hand takes hold of what is shown, and everything else stops; or it moves with what it holds. */
  #hold({ fingers, change, zoom: mayZoom, turn: mayTurn, glides }: HoldIntent): void {
    const kept = this.#kept;
    const { hold, zoom, turn, tilt, lens, level, constraints } = kept;
    if (change === 'none') return;
    const before = hold.fingers;
    // The zoom stays at the shown span once two fingers lift.
    if (before === 2 && hold.mayZoom && fingers.length < 2) zoom.hold(zoom.shown);
    kept.grips.setFingers(fingers);
    hold.mayZoom = mayZoom;
    hold.mayTurn = mayTurn;
    if (change === 'zone') {
      kept.interrupt('pinch');
      kept.zooming.findGoal();
      kept.pair.leaveZone();
    }
    if (change === 'fingers') {
      kept.interrupt(hold.fingers === 0 ? 'lift' : hold.fingers === 1 ? 'drag' : 'pinch');
      level.groundRate = 0;
      kept.zooming.findGoal();
      kept.pair.hold();
      // A zoom or a turn that goes on to a stop goes about the last finger.
      if (before > 0 && hold.fingers === 0 && (zoom.isActive || turn.isActive)) kept.grips.takeAgain(false);
    }
    if (fingers.length > 0) kept.focusing.solve();
    this.#timeline.handMoved(change !== 'moved', glides);
    if (constraints.followsZoom) tilt.isActive = lens.isActive = true;
    kept.markGroundStale();
  }
}
