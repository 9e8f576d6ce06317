/** Bars above and below the picture, as in a film: what shows is framed between them. */
import type { Camera } from '../camera.ts';
import { shown } from '../settings/index.ts';

export interface LetterBox {
  /** How high each of the two bars is now, eased: CSS pixels. The page draws them. */
  readonly height: number;
  /** Takes them away again, eased. */
  end(): void;
}

/**
 * Takes room for two bars from the safe frame; `safeFrame.halfLife` eases it. Panels that are there stay where they are, under
 * the bars.
 *
 * @param share of the screen's height for each bar, 0 … 0.4
 * @throws TypeError for another share
 */
export function letterBox(camera: Camera, share = 0.1): LetterBox {
  if (!(share >= 0 && share <= 0.4))
    throw new TypeError(`letterBox.share: found ${shown(share)}; wanted a number from 0 to 0.4`);
  const height = share * camera.view.height;
  let added = 0;
  /** What the page's own panels take. */
  const own = (): { top: number; bottom: number } => {
    const { top, bottom } = camera.settings.safeFrame;
    return { top: top - added, bottom: bottom - added };
  };
  const set = (pixels: number): void => {
    const { top, bottom } = own();
    camera.change({ safeFrame: { top: top + pixels, bottom: bottom + pixels } });
    added = pixels;
  };
  set(height);
  return {
    get height() {
      return Math.min(height, Math.max(0, camera.view.look.top - own().top));
    },
    end: () => {
      if (added > 0) set(0);
    },
  };
}
