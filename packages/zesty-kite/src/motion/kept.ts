/**
 * The kept values of a camera that moves, part by part: plain numbers, so that a frame can copy them; and the rules and the
 * look that they go by.
 *
 * Numbers begin as -0 and NaN because engines keep a field that was a small whole number at first in
 * another form, and rebuild the object when the first fraction comes.
 */
import { clamp, curveAt, log2 } from '../math/index.ts';
import { Projection, type Pose } from '../view/index.ts';
import { bareSpan, fieldOfViewAt, isFar, valueAt, type ZoomRule } from './byZoom.ts';
import { Focus } from './focus.ts';
import { Heading } from './heading.ts';
import { HeldPoint, Hold } from './hold.ts';
import { Insets } from './insets.ts';
import { Lens } from './lens.ts';
import { groundAround, Level } from './level.ts';
import { Offset } from './offset.ts';
import { Pan } from './pan.ts';
import type { Constraints } from './constraints.ts';
import type { ShownPose } from './shownPose.ts';
import type { SpanQuestion } from './spanQuestion.ts';
import { Tilt } from './tilt.ts';
import { Zoom } from './zoom.ts';

export class Kept implements Readonly<Pose> {
  constraints: Constraints;
  readonly projection: Projection;
  readonly focus = new Focus();
  readonly zoom = new Zoom();
  /** The question that the goal of the zoom answers; null once rules have changed. */
  question: SpanQuestion | null = null;
  readonly turn = new Heading();
  readonly tilt = new Tilt();
  readonly lens = new Lens();
  readonly level = new Level();
  readonly insets = new Insets();
  readonly pan = new Pan();
  readonly hold = new Hold();
  /** The point that the first finger holds, or a zoom or a turn; and that of the second finger. */
  readonly first = new HeldPoint();
  readonly second = new HeldPoint();
  /** By how much what is shown is still off, after a change of settings. */
  readonly offset = new Offset();
  /** A mover is under way. */
  isMoved = false;
  /** A mover keeps something where it shows, whatever zooms, turns or tilts: nothing else is gripped meanwhile. */
  isPinned = false;

  /** @param look scratch: as the camera looks */
  constructor(constraints: Constraints, projection = new Projection()) {
    this.constraints = constraints;
    this.projection = projection;
  }

  copyParts(other: Kept): void {
    this.constraints = other.constraints;
    this.focus.copyFrom(other.focus);
    this.zoom.copyFrom(other.zoom);
    this.question = other.question;
    this.turn.copyFrom(other.turn);
    this.tilt.copyFrom(other.tilt);
    this.lens.copyFrom(other.lens);
    this.level.copyFrom(other.level);
    this.insets.copyFrom(other.insets);
    this.pan.copyFrom(other.pan);
    this.hold.copyFrom(other.hold);
    if (other.hold.isGrip || other.hold.fingers > 0) this.first.copyFrom(other.first);
    if (other.hold.fingers > 1) this.second.copyFrom(other.second);
    if (this.offset.isOn || other.offset.isOn) this.offset.copyFrom(other.offset);
    this.isMoved = other.isMoved;
    this.isPinned = other.isPinned;
  }

  get x(): number {
    return this.focus.x;
  }

  get y(): number {
    return this.focus.y;
  }

  get focusHeight(): number {
    return this.focus.height;
  }

  get span(): number {
    return this.zoom.shown;
  }

  get heading(): number {
    return this.turn.shown;
  }

  get pitch(): number {
    return this.tilt.pitch;
  }

  get fieldOfView(): number {
    return this.lens.fieldOfView;
  }

  /** Sets `out` to its pose. */
  readPose(out: ShownPose): void {
    out.x = this.x;
    out.y = this.y;
    out.focusHeight = this.focusHeight;
    out.span = this.span;
    out.heading = this.heading;
    out.pitch = this.pitch;
    out.fieldOfView = this.fieldOfView;
  }

  /** Lays the safe frame on the look: all of it that a step does not set. */
  layFrame(): void {
    const { left, top, right, bottom } = this.insets;
    this.projection.frame(this.constraints.screen, left, top, right, bottom);
  }

  /** As the camera looks now. */
  layLook(): Projection {
    this.layFrame();
    this.projection.turn(this);
    return this.projection;
  }

  /** Spans per second that a pan velocity of 1 goes at a span. */
  panSpeed(span: number): number {
    const speed = this.valueNow(this.constraints.speed, this.pan.isFar);
    return this.constraints.pansByUnits ? speed / span : speed;
  }

  /** The value of a rule at the eased span. */
  valueNow(rule: ZoomRule, onFarSide: boolean): number {
    const { curve } = rule;
    return curve === null ? valueAt(rule, NaN, onFarSide) : curveAt(curve, this.#logSpan);
  }

  /** log₂ of the eased span without panels. */
  get #logSpan(): number {
    const { logEased } = this.zoom;
    const { frameHeight, height } = this.projection;
    return frameHeight === height ? logEased : logEased - log2(frameHeight / height);
  }

  /** The pitch of the zoom at a span, without the tilt. */
  curvePitch(span: number): number {
    return valueAt(this.constraints.pitch, bareSpan(this.projection, span), this.tilt.isFar);
  }

  /** The same with what the player tilted, inside the limits. */
  pitchAt(span: number): number {
    return this.insidePitch(this.curvePitch(span) + this.tilt.offset);
  }

  insidePitch(pitch: number): number {
    return clamp(pitch, this.constraints.minPitch, this.constraints.maxPitch);
  }

  /** Looks down at a pitch from now on, as far as the limits let it; what is beyond them is forgotten. */
  setPitch(pitch: number): void {
    this.tilt.offset = this.insidePitch(pitch) - this.curvePitch(this.zoom.eased);
  }

  /** Tilts by degrees (positive: more from above), as far as the limits let it at the eased span. */
  tiltBy(degrees: number): void {
    this.setPitch(this.pitchAt(this.zoom.eased) + degrees);
  }

  /** The field of view that is asked for at a span. */
  fieldOfViewAt(span: number): number {
    const { lens, settings } = this.constraints;
    return fieldOfViewAt(lens, settings.lens.distance, this.projection, span, this.lens.isFar);
  }

  /** Moves the switches by zoom to the side on which the eased span is. While two fingers hold, the switches wait: a pinch would flip them back. */
  flipSwitches(): void {
    if (this.hold.fingers === 2) return;
    const { pitch, lens, speed } = this.constraints;
    const bare = bareSpan(this.projection, this.zoom.eased);
    this.tilt.isFar = isFar(pitch, bare, this.tilt.isFar);
    this.lens.isFar = lens !== null && isFar(lens, bare, this.lens.isFar);
    this.pan.isFar = isFar(speed, bare, this.pan.isFar);
  }

  /** Puts pitch and lens where the zoom wants them. */
  arriveAt(span: number): void {
    this.tilt.arriveAt(this.pitchAt(span));
    this.lens.arriveAt(this.fieldOfViewAt(span));
    this.projection.turn(this);
  }

  /** The targets of pitch and lens have jumped: they ease there from where they are. */
  easeLook(): void {
    this.tilt.easeTo(this.pitchAt(this.zoom.eased), false);
    this.lens.easeTo(this.fieldOfViewAt(this.zoom.eased));
  }

  /** The height of the ground around the focus. */
  get groundLevel(): number {
    const { terrain, settings } = this.constraints;
    return groundAround(terrain, this.x, this.y, settings.ground.followRadius * this.span);
  }

  /** The focus may be over other ground than before. */
  markGroundStale(): void {
    if (this.constraints.terrain !== null) this.level.isStale = true;
  }

  /** How much farther a pixel reaches along the ground down the screen than across it; 1 where speeds are even on the ground. */
  foreshortening(projection = this.projection): number {
    return this.constraints.pansByScreen ? 1 / projection.sinPitch : 1;
  }

  /** Held keys move the focus, or it still glides. A hand that holds the ground keeps it from both. */
  get isPanning(): boolean {
    return this.hold.fingers === 0 && (this.pan.isMoving || this.pan.isDriven);
  }

  /** Held keys turn, tilt or zoom. */
  get isSteered(): boolean {
    return this.hold.fingers === 0 && !this.pan.isStalled && this.#hasRates;
  }

  get #hasRates(): boolean {
    return this.turn.rate !== 0 || this.tilt.rate !== 0 || this.zoom.rate !== 0;
  }

  /** Something other than a pan is under way. */
  get isEasing(): boolean {
    return this.zoom.isActive || this.turn.isActive || this.isMoved || this.offset.isOn || this.isLagging;
  }

  /** Something has not arrived that follows others. The ground is not looked at while a hand holds it, and what it pulled over the edge stays. */
  get isLagging(): boolean {
    const { tilt, lens, insets, hold, focus, level } = this;
    if (tilt.isActive || lens.isActive || insets.isActive) return true;
    if (hold.fingers > 0) return hold.fingers === 2 && (this.first.lags || this.second.lags);
    return level.isActive || focus.isStretched;
  }

  /** Time changes nothing: at rest, or stalled with nothing easing any more. */
  get isStill(): boolean {
    return !this.isEasing && !this.isPanning && !this.isSteered;
  }

  /** Nothing moves and nothing would: only a signal can change this. */
  get isAtRest(): boolean {
    if (this.isEasing) return false;
    if (this.hold.fingers > 0) return true;
    return !this.pan.isMoving && !this.pan.isAsked && !this.#hasRates;
  }

  /** Span, heading, pitch and lens have arrived: all that a grip depends on but the ground. */
  get hasArrived(): boolean {
    return !this.zoom.isActive && !this.turn.isActive && !this.tilt.isActive && !this.lens.isActive;
  }
}
