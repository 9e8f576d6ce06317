/** A camera that moves: what is kept, the movers and what they keep, and all that changes it. */
import { log2 } from '../math/index.ts';
import type { FullSettings } from '../settings/index.ts';
import { Projection } from '../view/index.ts';
import { ROWS, type Cause } from './ends.ts';
import { Focusing } from './focusing.ts';
import { Grips } from './grips.ts';
import { headingInside } from './heading.ts';
import { Kept } from './kept.ts';
import type { MovedCamera } from './moved.ts';
import type { HandMoved, MoverSignal, Mover } from './mover.ts';
import type { Pace } from './pace.ts';
import { Pair } from './pair.ts';
import type { Part } from './part.ts';
import type { Constraints } from './constraints.ts';
import { ShownPose } from './shownPose.ts';
import { Zooming } from './zooming.ts';

/** An ability, with what it keeps in one motion. */
interface Moving {
  readonly mover: Mover;
  readonly state: Part;
}

export class Motion extends Kept implements MovedCamera {
  readonly zooming = new Zooming(this);
  readonly grips = new Grips(this);
  readonly pair = new Pair(this, this.zooming, this.grips);
  readonly focusing = new Focusing(this, this.zooming, this.pair);
  /** The abilities that move the camera by themselves, in the order in which they are asked. */
  readonly moving: Moving[] = [];
  readonly #midPose = new ShownPose();
  #midway: Projection | null = null;

  constructor(constraints: Constraints, movers: readonly Mover[], projection?: Projection) {
    super(constraints, projection);
    for (const mover of movers) this.learn(mover);
  }

  learn(mover: Mover): void {
    this.moving.push({ mover, state: mover.createState(this) });
  }

  copyFrom(other: Motion): void {
    this.copyParts(other);
    if (other.isMoved || other.isPinned)
      for (let i = 0; i < this.moving.length; i++) this.moving[i]?.state.copyFrom(other.moving[i]?.state);
  }

  /** A mover has begun, ended, or come to something that it keeps in place. */
  findMoving(): void {
    this.isMoved = this.isPinned = false;
    for (const { mover, state } of this.moving) {
      this.isMoved ||= mover.isUnderWay(state);
      this.isPinned ||= mover.pins?.(state) === true;
    }
  }

  /** Hands a mover its signal. Says whether it has taken over from the hands. */
  receive(signal: MoverSignal): boolean {
    const { kind } = signal;
    const receiver = this.moving.find(({ mover }) => kind in mover.signals);
    if (receiver === undefined) return false;
    const { mover, state } = receiver;
    mover.receive?.(state, this, signal);
    this.findMoving();
    return mover.takesOver?.includes(kind) === true && mover.isUnderWay(state);
  }

  /** Lets the movers know what a hand has done. */
  handMoved(hand: HandMoved): void {
    for (const { mover, state } of this.moving) mover.hand?.(state, this, hand);
    this.findMoving();
  }

  /** Moves the goals on at the rates of the held keys. */
  steer(seconds: number): void {
    const { zoom, turn, tilt, constraints, projection } = this;
    if (turn.rate !== 0) turn.steer(seconds, constraints.turn);
    if (tilt.rate !== 0) {
      this.tiltBy(tilt.rate * seconds);
      tilt.easeTo(tilt.target, true);
    }
    if (zoom.rate === 0) return;
    const before = zoom.goal;
    projection.turn(this);
    this.zooming.addNotches(zoom.rate * seconds);
    zoom.goalMoved = log2(zoom.goal / before);
  }

  /** The angles in the middle of a step; the lens aside. */
  lookMidway(): Projection {
    const { turn, tilt } = this;
    const pose = this.#midPose;
    pose.heading = (turn.before + turn.shown) / 2;
    pose.pitch = (tilt.before + tilt.pitch) / 2;
    const midway = (this.#midway ??= new Projection());
    midway.turn(pose);
    return midway;
  }

  /** Lets the movers under way turn the look. */
  aim(seconds: number): void {
    if (this.hold.fingers > 0) return;
    this.projection.turn(this);
    this.zooming.show();
    const { x, y } = this.focus;
    for (const { mover, state } of this.moving)
      if (mover.aim && (mover.isUnderWay(state) || mover.pins?.(state) === true)) mover.aim(state, this, seconds);
    if (this.focus.x !== x || this.focus.y !== y) this.markGroundStale();
  }

  /** A signal has turned the look at once: what a mover keeps in place stays where it shows. */
  reapplyPin(): void {
    if (this.isPinned) this.aim(0);
  }

  /** Lets the movers under way say how far the focus goes in a step, and takes it there. */
  move(seconds: number): void {
    for (const { mover, state } of this.moving) if (mover.isUnderWay(state)) mover.move?.(state, this, seconds);
    this.findMoving();
    this.focusing.solve();
    this.pan.endStep();
  }

  /** Lets the movers know that keys have panned. */
  reportPan(): void {
    if (this.isPinned) for (const { mover, state } of this.moving) mover.panned?.(state, this);
  }

  /** Ends what a cause ends. The cause's own code does the rest. */
  interrupt(cause: Cause): void {
    const { zoom, turn, tilt, keys } = ROWS[cause];
    this.endMovers(cause);
    if (keys === 'waits') this.pan.stop();
    if (zoom === 'ends' || zoom === 'snapsToStop') this.zooming.stop();
    if (turn === 'rests') this.turn.rest(this.constraints.turn, this.hold.fingers);
    if (turn === 'ends' || (turn === 'stepContinues' && !this.turn.isStep))
      this.turn.stop(this.constraints.turn, this.hold.fingers);
    if (tilt === 'ends') this.#stopTilt();
  }

  /** The same for movers alone. */
  endMovers(cause: Cause): void {
    for (const { mover, state } of this.moving) {
      const effect = mover.interruptions[cause];
      const ends = effect === 'ends' || effect === 'replaced' || effect === 'takesOver' || effect === 'offsets';
      if (ends) mover.interrupt(state, this, effect, cause);
    }
    this.findMoving();
  }

  /** Ends a tilt at the pitch that is shown. */
  #stopTilt(): void {
    const { tilt } = this;
    if (!tilt.isTilted) return;
    tilt.isTilted = false;
    this.setPitch(tilt.pitch);
    tilt.target = this.pitchAt(this.zoom.eased);
  }

  get settings(): FullSettings {
    return this.constraints.settings;
  }

  get isDriven(): boolean {
    return this.isSteered || this.pan.isDriven;
  }

  get isHeld(): boolean {
    return this.hold.fingers > 0;
  }

  moveBy(east: number, south: number): void {
    this.pan.stepX += east;
    this.pan.stepY += south;
  }

  putAt(x: number, y: number): void {
    this.focusing.putAt(x, y);
  }

  turnTo(heading: number): void {
    this.turn.turnTo(headingInside(this.constraints.turn, heading));
  }

  tiltTo(pitch: number): void {
    this.setPitch(pitch);
    this.tilt.arriveAt(this.pitchAt(this.zoom.eased));
  }

  zoomTo(span: number): void {
    this.zooming.atOnce(span, null);
  }

  /** The pace of a pan's velocity over half of a step: toward that of the keys, to a stop, or gliding. */
  panned({ halfStart, halfStop, halfGlide }: Pace, seconds: number): number {
    const decay = this.pan.isDriven ? halfStart : this.pan.isGliding ? halfGlide : halfStop;
    return decay.over(seconds).remaining;
  }
}
