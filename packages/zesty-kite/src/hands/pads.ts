/** Pads, as the Gamepad API's standard mapping has them: how strongly each of their inputs is pressed. */
import { clamp, exp2, log2 } from '../math/index.ts';
import { PAD_BUTTONS, PAD_STICKS, type FullSettings } from '../settings/index.ts';

import type { PadSignal } from '../signals/index.ts';

/** From here on a stick or a trigger counts as a button that is down. */
const DOWN = 0.5;

/** Input → how strongly it is pressed, above 0 … 1; inputs inside the dead zone are left out. */
export type Strengths = ReadonlyMap<string, number>;

/**
 * What a pad presses. A stick's dead zone is round, and what is beyond it begins at nothing; so does
 * a trigger's.
 */
export function strengthsOf({ axes, buttons }: PadSignal, { deadZone, curve }: FullSettings['pad']): Strengths {
  const strengths = new Map<string, number>();
  const press = (input: string, strength: number): void => {
    if (strength > 0) strengths.set(input, strength);
  };
  const beyond = (pressed: number): number => {
    const share = clamp((pressed - deadZone) / (1 - deadZone), 0, 1);
    return share === 0 ? 0 : exp2(curve * log2(share));
  };
  PAD_STICKS.forEach((stick, i) => {
    const x = axes[2 * i] ?? 0;
    const y = axes[2 * i + 1] ?? 0;
    const length = Math.sqrt(x * x + y * y);
    const share = length > 0 ? beyond(length) / length : 0;
    press(`${stick}Left`, -x * share);
    press(`${stick}Right`, x * share);
    press(`${stick}Up`, -y * share);
    press(`${stick}Down`, y * share);
  });
  PAD_BUTTONS.forEach((button, i) => {
    press(button, beyond(buttons[i] ?? 0));
  });
  return strengths;
}

export class Pads {
  readonly #pads = new Map<number, Strengths>();
  #strengths: Strengths = new Map();

  /** How strongly each input is pressed, on the pad that presses it most. */
  get strengths(): Strengths {
    return this.#strengths;
  }

  /** A pad is as it is now. What has come down, and what has gone up, like a key. */
  feel(signal: PadSignal, settings: FullSettings['pad']): { down: string[]; up: string[] } {
    const before = this.#strengths;
    const pressed = strengthsOf(signal, settings);
    if (pressed.size > 0) this.#pads.set(signal.id, pressed);
    else this.#pads.delete(signal.id);
    const strengths = new Map<string, number>();
    for (const pad of this.#pads.values())
      for (const [input, strength] of pad) strengths.set(input, Math.max(strength, strengths.get(input) ?? 0));
    this.#strengths = strengths;
    const isDown = (of: Strengths, input: string): boolean => (of.get(input) ?? 0) >= DOWN;
    return {
      down: [...strengths.keys()].filter((input) => isDown(strengths, input) && !isDown(before, input)),
      up: [...before.keys()].filter((input) => isDown(before, input) && !isDown(strengths, input)),
    };
  }

  clear(): void {
    this.#pads.clear();
    this.#strengths = new Map();
  }
}
