/** What the player's hands hold now, and what they want by it: signals → intents. */
import { clamp, log2 } from '../math/index.ts';
import type { FullSettings } from '../settings/index.ts';
import type { Screen } from '../view/index.ts';
import type { KeySignal, WheelSignal } from './signal.ts';

/** Pan at a rate, in screen heights per second, for as long as nothing else is said. */
export interface PanIntent {
  readonly kind: 'pan';
  readonly right: number;
  readonly down: number;
}

/** Zoom by a factor of 2^octaves (positive: farther) about a screen point. */
export interface ZoomIntent {
  readonly kind: 'zoom';
  readonly octaves: number;
  /** In screen heights from the middle, right and down; (0, 0) is the focus. */
  readonly gripX: number;
  readonly gripY: number;
}

const STRAIGHT = 1;
const DIAGONAL = 0.7071067811865476;

export class Hands {
  readonly #held = new Set<string>();

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

  /** Lets go of everything. */
  release(): PanIntent {
    this.#held.clear();
    return { kind: 'pan', right: 0, down: 0 };
  }

  /** What the held keys ask for: opposite keys cancel, diagonals are not faster. */
  pan({ keys, pan }: FullSettings): PanIntent {
    const right = Number(this.#anyOf(keys.right)) - Number(this.#anyOf(keys.left));
    const down = Number(this.#anyOf(keys.down)) - Number(this.#anyOf(keys.up));
    const speed = pan.speed * (this.#anyOf(keys.fast) ? pan.fast : 1);
    const share = right !== 0 && down !== 0 ? DIAGONAL : STRAIGHT;
    return { kind: 'pan', right: right * speed * share + 0, down: down * speed * share + 0 };
  }

  wheel(signal: WheelSignal, { zoom }: FullSettings, screen: Screen): ZoomIntent {
    const octaves = signal.notches * log2(zoom.notch);
    if (zoom.anchor === 'centre') return { kind: 'zoom', octaves, gripX: 0, gripY: 0 };
    const x = clamp(signal.x, 0, screen.width) - screen.width / 2;
    const y = clamp(signal.y, 0, screen.height) - screen.height / 2;
    return { kind: 'zoom', octaves, gripX: x / screen.height, gripY: y / screen.height };
  }

  #anyOf(codes: readonly string[]): boolean {
    return codes.some((code) => this.#held.has(code));
  }
}
