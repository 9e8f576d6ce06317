/** Choosing barges: a click or a tap chooses one; the left button, or a finger after a long press, draws a box around several. */
import { ScreenBox, type Camera, type Point } from 'zesty-kite';
import type { ListenOptions, Tap } from 'zesty-kite/dom';
import { canvasContext } from './page.ts';
import type { Afloat } from './world.ts';

export interface Choosing {
  /** For `listen`. */
  readonly options: Pick<ListenOptions, 'gamePress' | 'tap' | 'longPress'>;
  /** Who is chosen. */
  readonly chosen: ReadonlySet<Afloat>;
  /** Draws rings and the box over the map. */
  readonly draw: () => void;
}

/** Half the length of a barge and its height, world units. */
const HALF = 4;
const TALL = 3;
/** A click this near to a barge means it, CSS pixels. */
const NEAR = 14;
/** A box smaller than this is a click. */
const LEAST = 4;

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
  /** The pointer that draws, from where to where. */
  let drawn: { pointer: number; fromX: number; fromY: number; x: number; y: number } | null = null;

  const begin = (event: PointerEvent): void => {
    const { pointerId: pointer, offsetX: x, offsetY: y } = event;
    drawn = { pointer, fromX: x, fromY: y, x, y };
    map.setPointerCapture(pointer);
  };
  const choose = (some: readonly Afloat[], adds: boolean): void => {
    if (!adds) chosen.clear();
    for (const barge of some) chosen.add(barge);
    changed();
  };
  const nearest = ({ x, y }: Tap): Afloat[] => {
    const { view } = camera;
    const distance = (barge: Afloat): number => {
      const at = view.toScreen(barge.x, barge.y, 0);
      return Math.hypot(at.x - x, at.y - y) - HALF * view.scaleAt(barge.x, barge.y, 0);
    };
    const [best] = afloat.toSorted((a, b) => distance(a) - distance(b));
    return best !== undefined && distance(best) < NEAR ? [best] : [];
  };

  map.addEventListener('pointermove', (event) => {
    if (drawn?.pointer !== event.pointerId) return;
    drawn = { ...drawn, x: event.offsetX, y: event.offsetY };
    changed();
  });
  const end = (event: PointerEvent): void => {
    if (drawn?.pointer !== event.pointerId) return;
    const { fromX, fromY, x, y } = drawn;
    drawn = null;
    if (event.type === 'pointercancel' || Math.hypot(x - fromX, y - fromY) < LEAST) return;
    box.set(camera.view, fromX, fromY, x, y);
    const inBox = afloat.filter((barge) =>
      box.touchesBox({
        left: barge.x - HALF,
        right: barge.x + HALF,
        top: barge.y - HALF,
        bottom: barge.y + HALF,
        low: 0,
        high: TALL,
      }),
    );
    choose(inBox, event.shiftKey);
  };
  map.addEventListener('pointerup', end);
  map.addEventListener('pointercancel', end);

  return {
    chosen,
    options: {
      gamePress: (event, input) => {
        if (input === 'MouseLeft') begin(event);
        return input === 'MouseLeft';
      },
      longPress: ({ input, event }) => {
        if (input === 'Touch') begin(event);
        return input === 'Touch';
      },
      tap: (tap) => {
        if (tap.input !== 'MouseLeft' && tap.input !== 'Touch') return;
        const [barge = null] = nearest(tap);
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
        context.ellipse(at.x, at.y, across, across * Math.max(0.4, view.look.sinPitch), 0, 0, 7);
        context.stroke();
      }
      if (drawn === null) return;
      const { fromX, fromY, x, y } = drawn;
      context.fillStyle = '#f6d7431f';
      context.lineWidth = 1.5;
      context.fillRect(fromX, fromY, x - fromX, y - fromY);
      context.strokeRect(fromX, fromY, x - fromX, y - fromY);
    },
  };
}
