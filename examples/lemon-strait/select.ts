/** Choosing barges: a click or a tap chooses one; the left button, or a finger after a long press, draws a box around several. */
import { ScreenBox, type Box, type Camera, type Point } from 'zesty-kite';
import { thingAt, type GameDrag, type ListenOptions } from 'zesty-kite/dom';
import { canvasContext } from './page.ts';
import type { Afloat } from './world.ts';

export interface Choosing {
  /** For `listen`. */
  readonly options: Pick<ListenOptions, 'gameDrag' | 'tap' | 'longPress'>;
  /** The chosen barges. */
  readonly chosen: ReadonlySet<Afloat>;
  /** Draws rings and the box over the map. */
  readonly draw: () => void;
}

/** Half the length of a barge and its height, world units. */
const HALF = 4;
const TALL = 3;
/** A click this near to a barge means it, CSS pixels. */
const NEAR = 14;

export function createChoosing(
  map: HTMLCanvasElement,
  camera: Camera,
  afloat: readonly Afloat[],
  changed: () => void,
  doubleTap: (barge: Afloat | null, ground: Point | null) => void,
): Choosing {
  const chosen = new Set<Afloat>();
  const box = new ScreenBox();
  const marks = document.createElement('canvas');
  marks.className = 'marks';
  map.after(marks);
  const context = canvasContext(marks, true);
  /** The box that is being drawn. */
  let drawn: GameDrag | null = null;

  const choose = (some: readonly Afloat[], adds: boolean): void => {
    if (!adds) chosen.clear();
    for (const barge of some) chosen.add(barge);
    changed();
  };
  const boxOf = ({ x, y }: Afloat): Box => {
    return { left: x - HALF, right: x + HALF, top: y - HALF, bottom: y + HALF, low: 0, high: TALL };
  };
  return {
    chosen,
    options: {
      gameDrag: (drag) => {
        if (drag.input !== 'MouseLeft' && drag.input !== 'Touch') return;
        const isDown = drag.phase === 'begin' || drag.phase === 'change';
        drawn = isDown ? drag : null;
        if (drag.phase !== 'end') {
          changed();
          return;
        }
        drag.set(box);
        const inBox = afloat.filter((barge) => box.touchesBox(boxOf(barge)));
        choose(inBox, drag.modifiers.includes('Shift'));
      },
      // A finger that is held still draws a box from there.
      longPress: ({ input }) => input === 'Touch',
      tap: (tap) => {
        if (tap.input !== 'MouseLeft' && tap.input !== 'Touch') return;
        const barge = thingAt(camera.view, tap.x, tap.y, afloat, { boxOf, slop: NEAR });
        choose(barge === null ? [] : [barge], tap.event.shiftKey);
        if (tap.count === 2) doubleTap(barge, tap.ground);
      },
    },
    draw: () => {
      const { view } = camera;
      marks.width = Math.round(view.width * view.density);
      marks.height = Math.round(view.height * view.density);
      context.scale(view.density, view.density);
      context.strokeStyle = '#f6d743';
      context.lineWidth = 2;
      for (const { x, y } of chosen) {
        const at = view.toScreen(x, y, 0);
        const across = Math.max(9, 1.5 * HALF * view.scaleAt(x, y, 0));
        if (!at.inFront) continue;
        context.beginPath();
        context.ellipse(at.x, at.y, across, across * Math.max(0.4, view.projection.sinPitch), 0, 0, 7);
        context.stroke();
      }
      if (drawn === null) return;
      const { left, top, right, bottom } = drawn.set(box);
      context.fillStyle = '#f6d7431f';
      context.lineWidth = 1.5;
      context.fillRect(left, top, right - left, bottom - top);
      context.strokeRect(left, top, right - left, bottom - top);
    },
  };
}
