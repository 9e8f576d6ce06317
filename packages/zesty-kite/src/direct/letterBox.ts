/** Bars above and below the picture, as in a film: what shows is framed between them. */
import { rigOf, type Camera } from '../camera/index.ts';
import { refuse } from '../messages/index.ts';
import { cameraHere } from './here.ts';

export interface LetterBox {
  /** How high each of the two bars is now, eased: CSS pixels. The page draws them. */
  readonly height: number;
  /** Takes them away again, eased. */
  end(): void;
}

/** The bars of one camera, of several letter boxes: the highest counts. */
class Bars {
  /** Shares of the screen's height, of those that have not ended. */
  readonly shares = new Set<{ readonly share: number }>();
  /** The insets of the page's own panels, CSS pixels. */
  top: number;
  bottom: number;
  readonly #camera: Camera;
  #height: number;
  #stop: (() => void) | null = null;

  constructor(camera: Camera) {
    this.#camera = camera;
    this.top = camera.settings.safeFrame.top;
    this.bottom = camera.settings.safeFrame.bottom;
    this.#height = camera.view.height;
    rigOf('letterBox', camera).stage.changes.amend(({ safeFrame }) => {
      if (safeFrame === undefined || (safeFrame.top === undefined && safeFrame.bottom === undefined)) return null;
      this.top = safeFrame.top ?? this.top;
      this.bottom = safeFrame.bottom ?? this.bottom;
      return { safeFrame: { top: this.top + this.#pixels, bottom: this.bottom + this.#pixels } };
    });
  }

  get #pixels(): number {
    let most = 0;
    for (const { share } of this.shares) most = Math.max(most, share);
    return most * this.#height;
  }

  /** Another letter box has begun, or one has ended. */
  lay(): void {
    this.#height = this.#camera.view.height;
    this.#camera.change({ safeFrame: { top: this.top, bottom: this.bottom } });
    if (this.shares.size === 0) {
      this.#stop?.();
      this.#stop = null;
    } else
      this.#stop ??= this.#camera.poll(() => {
        if (this.#camera.view.height !== this.#height) this.lay();
      });
  }
}

const ofCameras = new WeakMap<Camera, Bars>();

/**
 * Takes room for two bars from the safe frame, eased by `safeFrame.halfLife`. The page draws the bars. Panels stay, under the bars.
 *
 * ```ts
 * const bars = letterBox(camera, 0.1);
 * bars.end();
 * ```
 *
 * @param share of the screen's height for each bar, 0 … 0.4
 * @throws TypeError for another share
 */
export function letterBox(camera: Camera, share = 0.1): LetterBox {
  const here = cameraHere('letterBox', camera);
  if (!(typeof share === 'number' && share >= 0 && share <= 0.4))
    refuse('letterBox.share', share, 'a number from 0 to 0.4');
  const bars = ofCameras.get(here) ?? new Bars(here);
  ofCameras.set(here, bars);
  const own = { share };
  bars.shares.add(own);
  bars.lay();
  return {
    get height() {
      return Math.min(share * here.view.height, Math.max(0, here.view.projection.top - bars.top));
    },
    end: () => {
      if (bars.shares.delete(own)) bars.lay();
    },
  };
}
