/** Pointers that drag: how far they go before they do, the zones of pinch, twist and tilt, and which two count. */
import { angleDegrees, exp2, log2, norm } from '../math/index.ts';
import type { FullSettings } from '../settings/index.ts';
import type { Point } from '../view/index.ts';
import type { HoldIntent, OrbitIntent } from './intent.ts';

/** Only so many fingers count: those that came first. */
const COUNTED = 2;

interface Finger extends Point {
  /** The screen point of the press; NaN once it drags. */
  downX: number;
  downY: number;
  readonly startsAfter: number;
  /** The program's own gestures are not locked: it knows what it does. */
  readonly isProgram: boolean;
  /** Alone it is the page's, which it scrolls. */
  readonly needsCompany: boolean;
  /** The screen point at the grip. */
  heldX: number;
  heldY: number;
}

export class Fingers {
  /** The player's fingers do not count. */
  locked = false;
  /** The player's factor of a pinch. */
  sensitivity = 1;
  /** In the order in which they came; by `pointer` or `program` and what each of them calls it. */
  readonly fingers = new Map<string, Finger>();
  /** The distance and the direction of two fingers at the grip; NaN without zones. */
  apart = NaN;
  alongX = NaN;
  alongY = NaN;
  mayZoom = true;
  mayTurn = true;
  /** Two fingers tilt: the middle between them when they began to, and how far down it is now; null while they do not. */
  tilting: { readonly x: number; readonly y: number; down: number } | null = null;

  /** Takes other settings. */
  adopt({ locked, sensitivity }: FullSettings): void {
    this.locked = locked.includes('pan');
    this.sensitivity = sensitivity.pinch;
  }

  get areDown(): boolean {
    return this.fingers.size > 0;
  }

  has(id: number): boolean {
    return this.fingers.has(`pointer ${String(id)}`);
  }

  /** A finger takes hold, or moves: the program's own gestures start at once and have no zones. */
  hold(id: number, x: number, y: number, { twoFingers }: FullSettings): HoldIntent {
    const name = `program ${String(id)}`;
    const known = this.fingers.has(name);
    this.fingers.set(name, {
      x,
      y,
      downX: NaN,
      downY: NaN,
      startsAfter: 0,
      isProgram: true,
      needsCompany: false,
      heldX: x,
      heldY: y,
    });
    this.mayZoom = twoFingers.zoom;
    this.mayTurn = twoFingers.turn;
    return this.#holding(!this.#counts(name) ? 'none' : known ? 'moved' : 'fingers');
  }

  /** A finger or a button comes down: it stops what moves, and drags once it has gone far enough. */
  press(id: number, x: number, y: number, startsAfter: number, needsCompany: boolean): HoldIntent[] {
    const name = `pointer ${String(id)}`;
    this.fingers.set(name, {
      x,
      y,
      downX: x,
      downY: y,
      startsAfter,
      isProgram: false,
      needsCompany,
      heldX: x,
      heldY: y,
    });
    if (this.fingers.size > 1) for (const finger of this.fingers.values()) finger.downX = finger.downY = NaN;
    return this.#counts(name) ? [this.takeHold()] : [];
  }

  /** @param height of the screen, CSS pixels */
  move(id: number, x: number, y: number, settings: FullSettings, height: number): (HoldIntent | OrbitIntent)[] {
    const name = `pointer ${String(id)}`;
    const finger = this.fingers.get(name);
    if (finger === undefined) return [];
    const began: HoldIntent[] = [];
    if (finger.downX === finger.downX) {
      const wayX = x - finger.downX;
      const wayY = y - finger.downY;
      const way = norm(wayX, wayY);
      if (way <= finger.startsAfter) return [];
      // It grips the ground at the point where it starts to drag, so nothing jumps.
      finger.x = finger.downX + (wayX / way) * finger.startsAfter;
      finger.y = finger.downY + (wayY / way) * finger.startsAfter;
      finger.downX = finger.downY = NaN;
      began.push(this.takeHold());
    }
    finger.x = x;
    finger.y = y;
    if (!this.#counts(name)) return began;
    if (this.tilting !== null) return [...began, this.#tilt(this.tilting, settings, height)];
    if (this.#leavesZone(settings)) return [...began, this.#holding('zone')];
    if (this.#beginsToTilt(settings)) return [...began, { ...this.#holding('fingers'), fingers: [] }];
    return [...began, this.#holding('moved')];
  }

  /** A pointer goes up. */
  lift(id: number, glides: boolean): HoldIntent {
    const name = `pointer ${String(id)}`;
    const dragged = this.fingers.get(name)?.downX !== this.fingers.get(name)?.downX;
    return { ...this.#without(name), glides: glides && dragged };
  }

  /** A finger of the program's goes; without an id, all do. */
  unhold(id: number | undefined): HoldIntent {
    if (id !== undefined) return this.#without(`program ${String(id)}`);
    const some = this.#counted().length > 0;
    this.fingers.clear();
    return some ? this.takeHold() : this.#holding('none');
  }

  #without(name: string): HoldIntent {
    const counted = this.#counts(name);
    this.fingers.delete(name);
    return counted ? this.takeHold() : this.#holding('none');
  }

  #counts(name: string): boolean {
    const finger = this.fingers.get(name);
    return finger !== undefined && this.#counted().includes(finger);
  }

  /** Grips the ground with all fingers that count; with two of them, zones begin here. */
  takeHold(): HoldIntent {
    const [first, second] = this.#counted();
    this.apart = NaN;
    this.mayZoom = this.mayTurn = false;
    this.tilting = null;
    for (const finger of this.fingers.values()) {
      finger.heldX = finger.x;
      finger.heldY = finger.y;
    }
    if (first !== undefined && second !== undefined) {
      const acrossX = second.x - first.x;
      const acrossY = second.y - first.y;
      this.apart = norm(acrossX, acrossY);
      this.alongX = acrossX / this.apart;
      this.alongY = acrossY / this.apart;
    }
    return this.#holding('fingers');
  }

  /** Whether two fingers have just left the zone in which they do not zoom, or do not turn. */
  #leavesZone({ drag, twoFingers }: FullSettings): boolean {
    const [first, second] = this.#counted();
    if (first === undefined || second === undefined || !(this.apart > 0)) return false;
    const acrossX = second.x - first.x;
    const acrossY = second.y - first.y;
    const apart = norm(acrossX, acrossY);
    const zooms = twoFingers.zoom && Math.abs(apart / this.apart - 1) >= drag.pinchZone;
    const across = acrossX * this.alongY - acrossY * this.alongX;
    const along = acrossX * this.alongX + acrossY * this.alongY;
    const turns = twoFingers.turn && Math.abs(angleDegrees(across, along)) >= drag.twistZone;
    const left = (zooms && !this.mayZoom) || (turns && !this.mayTurn);
    this.mayZoom ||= zooms;
    this.mayTurn ||= turns;
    return left;
  }

  /** Whether two fingers that neither pinch nor twist have gone up, or down, side by side: from now on they tilt. */
  #beginsToTilt({ drag, twoFingers }: FullSettings): boolean {
    const [first, second] = this.#counted();
    if (!twoFingers.tilt || first === undefined || second === undefined || this.mayZoom || this.mayTurn) return false;
    const steep = ({ x, y, heldX, heldY }: Finger): boolean =>
      Math.abs(y - heldY) >= drag.touchStartsAfter && Math.abs(y - heldY) > Math.abs(x - heldX);
    const together = (first.y - first.heldY) * (second.y - second.heldY) > 0;
    if (!together || !steep(first) || !steep(second)) return false;
    const down = (first.y + second.y) / 2;
    this.tilting = { x: (first.x + second.x) / 2, y: down, down };
    return true;
  }

  #tilt(tilting: { readonly x: number; readonly y: number; down: number }, settings: FullSettings, height: number) {
    const [first, second] = this.#counted();
    const down = ((first?.y ?? 0) + (second?.y ?? 0)) / 2;
    const tilt = ((down - tilting.down) / height) * settings.pitch.perScreen;
    tilting.down = down;
    return { kind: 'orbit' as const, turn: 0, tilt, x: tilting.x, y: tilting.y, about: 'cursor' as const };
  }

  /** The screen points of fingers: with a sensitivity other than 1, nearer to their middle or farther from it. */
  #spread(fingers: readonly Finger[]): readonly Point[] {
    const [one, other] = fingers;
    if (
      one === undefined ||
      other === undefined ||
      one.isProgram ||
      other.isProgram ||
      !this.mayZoom ||
      this.sensitivity === 1
    )
      return fingers.map(({ x, y }) => ({ x, y }));
    const acrossX = other.x - one.x;
    const acrossY = other.y - one.y;
    const ratio = norm(acrossX, acrossY) / this.apart;
    const share = ratio > 0 ? exp2(log2(ratio) * (this.sensitivity - 1)) : 1;
    const middleX = (one.x + other.x) / 2;
    const middleY = (one.y + other.y) / 2;
    return fingers.map(({ x, y }) => ({ x: middleX + (x - middleX) * share, y: middleY + (y - middleY) * share }));
  }

  #counted(): Finger[] {
    const fingers = [...this.fingers.values()].filter(({ isProgram }) => isProgram || !this.locked);
    return fingers.filter(({ needsCompany }) => fingers.length > 1 || !needsCompany).slice(0, COUNTED);
  }

  #holding(change: HoldIntent['change']): HoldIntent {
    const fingers = this.#spread(this.#counted());
    return { kind: 'hold', fingers, change, zoom: this.mayZoom, turn: this.mayTurn, glides: false };
  }
}
