/** A press that the game may keep, and the callbacks for it. */
import type { Button } from '../settings/index.ts';
import type { Spot } from '../view/index.ts';
import type { Modifier } from './modifiers.ts';

/** A press before the camera takes it. */
export interface PointerPress {
  /** The button that is pressed; a finger is `Touch`. */
  readonly input: Button;
  /** CSS pixels from the top left of the region. */
  readonly x: number;
  readonly y: number;
  /** The ground under the pointer; null in the sky. */
  readonly ground: Spot | null;
  /** The modifier keys that are held. */
  readonly modifiers: readonly Modifier[];
  /** The browser's event. */
  readonly event: PointerEvent;
}

export interface PointerOptions {
  /** Called at every press. If it returns true, the camera ignores the press until it is lifted. */
  readonly claimPress?: (press: PointerPress) => boolean;
  /**
   * Called when the settings leave a wheel or a finger to the page (`wheel.requires`, `drag.touchRequires`): the time to show
   * a hint.
   */
  readonly leftToPage?: (device: 'wheel' | 'finger') => void;
}
