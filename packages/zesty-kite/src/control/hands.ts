/** What the player's hands hold now, and what they want by it: signals → intents. */
import { clamp } from '../math/index.ts';
import type { FullSettings } from '../settings/index.ts';
import type { Point, Screen } from '../view/index.ts';
import type { HoldSignal, KeySignal, LetGoSignal, WheelSignal } from './signal.ts';

/** Pan at a rate, in pan speeds, for as long as nothing else is said. */
export interface PanIntent {
  readonly kind: 'pan';
  readonly right: number;
  readonly down: number;
}

/** Zoom by notches (positive: farther) about a screen point, the focus or the ground below the eye. */
export interface ZoomIntent {
  readonly kind: 'zoom';
  readonly notches: number;
  readonly anchor: FullSettings['zoom']['anchor'];
  /** CSS pixels, on the screen. */
  readonly x: number;
  readonly y: number;
}

/** Hold what is under the fingers: none, one or two screen points in CSS pixels. */
export interface HoldIntent {
  readonly kind: 'hold';
  readonly fingers: readonly Point[];
  /** Others than before, so that all take hold anew; the same, moved; or as they were. */
  readonly change: 'anew' | 'moved' | 'none';
}

/** So many of the fingers that hold count: the oldest. */
const COUNTED = 2;
const STRAIGHT = 1;
const DIAGONAL = 0.7071067811865476;

export class Hands {
  readonly #held = new Set<string>();
  /** In the order in which they came. */
  readonly #fingers = new Map<number, Point>();

  /** Whether any setting names this key. */
  static bound(code: string, { keys }: FullSettings): boolean {
    return (
      keys.up.includes(code) ||
      keys.left.includes(code) ||
      keys.down.includes(code) ||
      keys.right.includes(code) ||
      keys.fast.includes(code)
    );
  }

  key(signal: KeySignal, settings: FullSettings): PanIntent {
    if (signal.down) this.#held.add(signal.code);
    else this.#held.delete(signal.code);
    return this.pan(settings);
  }

  /** Lets go of keys that these settings have no use for: nobody would hear them go up. */
  keepBound(settings: FullSettings): void {
    for (const code of [...this.#held]) if (!Hands.bound(code, settings)) this.#held.delete(code);
  }

  /** Lets go of every key. */
  release(): PanIntent {
    this.#held.clear();
    return { kind: 'pan', right: 0, down: 0 };
  }

  /** What the held keys ask for: opposite keys cancel, diagonals are not faster. */
  pan({ keys, pan }: FullSettings): PanIntent {
    const right = Number(this.#anyOf(keys.right)) - Number(this.#anyOf(keys.left));
    const down = Number(this.#anyOf(keys.down)) - Number(this.#anyOf(keys.up));
    const speed = this.#anyOf(keys.fast) ? pan.fast : 1;
    const share = right !== 0 && down !== 0 ? DIAGONAL : STRAIGHT;
    return { kind: 'pan', right: right * speed * share + 0, down: down * speed * share + 0 };
  }

  wheel(signal: WheelSignal, { zoom }: FullSettings, screen: Screen): ZoomIntent {
    const anchor = signal.notches > 0 ? (zoom.outAnchor ?? zoom.anchor) : zoom.anchor;
    const x = clamp(signal.x, 0, screen.width);
    const y = clamp(signal.y, 0, screen.height);
    return { kind: 'zoom', notches: signal.notches, anchor, x, y };
  }

  /** A finger comes, or moves. */
  hold({ id, x, y }: HoldSignal): HoldIntent {
    const known = this.#fingers.has(id);
    const change = known ? 'moved' : 'anew';
    this.#fingers.set(id, { x, y });
    return this.#holding(this.#counts(id) ? change : 'none');
  }

  /** A finger goes, or all do. */
  letGo({ id }: LetGoSignal): HoldIntent {
    const counted = id === undefined ? this.#fingers.size > 0 : this.#counts(id);
    if (id === undefined) this.#fingers.clear();
    else this.#fingers.delete(id);
    return this.#holding(counted ? 'anew' : 'none');
  }

  #counts(id: number): boolean {
    return [...this.#fingers.keys()].slice(0, COUNTED).includes(id);
  }

  #holding(change: HoldIntent['change']): HoldIntent {
    return { kind: 'hold', fingers: [...this.#fingers.values()].slice(0, COUNTED), change };
  }

  #anyOf(codes: readonly string[]): boolean {
    return codes.some((code) => this.#held.has(code));
  }
}
