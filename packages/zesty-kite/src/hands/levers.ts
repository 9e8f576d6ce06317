/** Inputs that devices press more or less: sticks, triggers, dials. */
import type { Strengths } from '../devices/index.ts';

/** From here on an input counts as a button that is down. */
const DOWN = 0.5;

export class Levers {
  /** By the name of a device. */
  readonly pressed = new Map<string, Strengths>();
  /** How strongly each input is pressed, on the device that presses it most. */
  strengths: Strengths = new Map();

  /**
   * Takes what a device presses now.
   *
   * @param name of the device
   * @returns the inputs that have come down, and those that have gone up, like a key
   */
  press(name: string, pressed: Strengths): { down: string[]; up: string[] } {
    const before = this.strengths;
    if (pressed.size > 0) this.pressed.set(name, pressed);
    else this.pressed.delete(name);
    const strengths = new Map<string, number>();
    for (const one of this.pressed.values())
      for (const [input, strength] of one) strengths.set(input, Math.max(strength, strengths.get(input) ?? 0));
    this.strengths = strengths;
    const isDown = (of: Strengths, input: string): boolean => (of.get(input) ?? 0) >= DOWN;
    return {
      down: [...strengths.keys()].filter((input) => isDown(strengths, input) && !isDown(before, input)),
      up: [...before.keys()].filter((input) => isDown(before, input) && !isDown(strengths, input)),
    };
  }

  clear(): void {
    this.pressed.clear();
    this.strengths = new Map();
  }
}
