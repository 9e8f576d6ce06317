/** The wheel: it zooms or pans as the settings say, or does what chords ask of it. */
import { added, clamp, wholeOf } from '../math/index.ts';
import type { FullSettings } from '../settings/index.ts';
import type { Screen } from '../view/index.ts';
import type { Ability } from './bindings.ts';
import type { Intent, ShiftIntent } from './intent.ts';
import type { WheelSignal } from '../signals/index.ts';

/** A notch that turns or tilts goes as far as a key that is held for so many seconds. */
const NOTCH_SECONDS = 0.1;
/** One that pans, so many CSS pixels. */
const NOTCH_PIXELS = 100;

export class Wheel {
  /** Parts of a notch that have not come to a whole one yet. */
  parts = 0;

  /** @param asked what chords ask of it now; nothing: what the settings say */
  turn(
    signal: WheelSignal,
    settings: FullSettings,
    requested: readonly Ability[],
    { width, height }: Screen,
    isFaster: boolean,
  ): Intent[] {
    const { wheel, zoom, pan, inverted, sensitivity } = settings;
    const { trackpad, right, down } = signal;
    const factor = trackpad === 'pinch' ? sensitivity.pinch : sensitivity.wheel;
    const turned = signal.notches * factor;
    const whole = this.#whole(turned);
    const notches = wheel.partialNotches === 'collect' ? whole : turned;
    const way = inverted.includes('wheel') ? -1 : 1;
    const [x, y] = [clamp(signal.x, 0, width), clamp(signal.y, 0, height)];
    const zooms = (by: number): Intent[] => {
      const anchor = by < 0 ? (zoom.outAnchor ?? zoom.anchor) : zoom.anchor;
      return by === 0 ? [] : [{ kind: 'zoom', notches: by, anchor, x, y }];
    };
    if (requested.length > 0)
      return requested.flatMap((ability) =>
        ability === 'zoomIn' || ability === 'zoomOut'
          ? zooms(Math.abs(notches) * (ability === 'zoomIn' ? 1 : -1))
          : byNotch(ability, Math.abs(notches), Math.abs(whole), settings),
      );
    const pans = wheel.action === 'pan' || (wheel.action === 'by-device' && trackpad === 'scroll');
    if (pans && trackpad !== 'pinch' && right !== undefined && down !== undefined)
      return [shifted(right, down, factor * (isFaster ? pan.fasterFactor : 1))];
    // A stop is a stop, as for keys.
    return zooms(way * notches * (isFaster && zoom.stops === null ? zoom.fasterFactor : 1));
  }

  #whole(notches: number): number {
    const parts = added(this.parts, notches);
    const whole = wholeOf(parts);
    this.parts = parts - whole;
    return whole;
  }

  clear(): void {
    this.parts = 0;
  }
}

function shifted(right: number, down: number, factor: number): ShiftIntent {
  return { kind: 'shift', right: right * factor, down: down * factor };
}

/** The effect of notches of a bound wheel; abilities with steps count whole notches only. */
function byNotch(ability: Ability, notches: number, whole: number, { turn, pitch }: FullSettings): Intent[] {
  const pixels = notches * NOTCH_PIXELS;
  const seconds = notches * NOTCH_SECONDS;
  switch (ability) {
    case 'panUp':
      return [{ kind: 'shift', right: 0, down: -pixels }];
    case 'panDown':
      return [{ kind: 'shift', right: 0, down: pixels }];
    case 'panLeft':
      return [{ kind: 'shift', right: -pixels, down: 0 }];
    case 'panRight':
      return [{ kind: 'shift', right: pixels, down: 0 }];
    case 'turnLeft':
      return [{ kind: 'step', turn: -turn.rate * seconds, tilt: 0 }];
    case 'turnRight':
      return [{ kind: 'step', turn: turn.rate * seconds, tilt: 0 }];
    case 'tiltUp':
      return [{ kind: 'step', turn: 0, tilt: -pitch.rate * seconds }];
    case 'tiltDown':
      return [{ kind: 'step', turn: 0, tilt: pitch.rate * seconds }];
    case 'turnStepLeft':
      return whole > 0 ? [{ kind: 'step', turn: -turn.step * whole, tilt: 0 }] : [];
    case 'turnStepRight':
      return whole > 0 ? [{ kind: 'step', turn: turn.step * whole, tilt: 0 }] : [];
    case 'faceNorth':
      return whole > 0 ? [{ kind: 'step', turn: null, tilt: 0 }] : [];
    case 'home':
      return whole > 0 ? [{ kind: 'home' }] : [];
    case 'zoomIn':
    case 'zoomOut':
    case 'faster':
    case 'drag':
    case 'pull':
    case 'orbit':
    case 'dragTurn':
    case 'dragZoom':
      return [];
  }
}
