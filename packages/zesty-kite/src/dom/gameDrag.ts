/** Drags of the game's own, such as a selection box: from a point of the ground to the pointer. */
import type { InputTarget } from '../cameraLike.ts';
import type { Button } from '../settings/index.ts';
import type { Point, ScreenBox, Spot } from '../view/index.ts';
import { modifiersOf, type Modifier } from './modifiers.ts';

/** A drag as it is now. Each property follows the pointer and the camera. */
export interface GameDrag {
  /** The step of the drag; `cancel` takes the drag back. */
  readonly phase: 'begin' | 'change' | 'end' | 'cancel';
  /** The button that drags; a finger is `Touch`. */
  readonly input: Button;
  /** The modifier keys that are held. */
  readonly modifiers: readonly Modifier[];
  /** The pointer, CSS pixels from the top left of the region. */
  readonly x: number;
  readonly y: number;
  /** The ground under the pointer; null in the sky. */
  readonly ground: Spot | null;
  /** The ground where it was pressed; null in the sky. */
  readonly fromGround: Spot | null;
  /** This ground on the screen now: it moves with the map. */
  readonly fromX: number;
  readonly fromY: number;
  /** Sets a box from there to the pointer, in the view that is shown now; returns it. */
  readonly set: (box: ScreenBox) => ScreenBox;
  /** The latest event of the pointer. */
  readonly event: PointerEvent;
}

export interface GameDragOptions {
  /**
   * Called when a press that the camera does not use begins to drag, at each change of the pointer or the view, and when it
   * ends. Escape cancels it.
   */
  readonly gameDrag?: (drag: GameDrag) => void;
}

class Drag implements GameDrag {
  phase: GameDrag['phase'] = 'begin';
  readonly input: Button;
  readonly fromGround: Spot | null;
  event: PointerEvent;
  x: number;
  y: number;
  readonly #camera: InputTarget;
  readonly #from: Point;

  constructor(
    camera: InputTarget,
    input: Button,
    from: Point,
    fromGround: Spot | null,
    at: Point,
    event: PointerEvent,
  ) {
    this.#camera = camera;
    this.#from = from;
    this.input = input;
    this.fromGround = fromGround;
    this.x = at.x;
    this.y = at.y;
    this.event = event;
  }

  get modifiers(): readonly Modifier[] {
    return modifiersOf(this.event);
  }

  get ground(): Spot | null {
    return this.#camera.view.toGround(this.x, this.y);
  }

  get fromX(): number {
    return this.#fromNow().x;
  }

  get fromY(): number {
    return this.#fromNow().y;
  }

  readonly set = (box: ScreenBox): ScreenBox => {
    const { x, y } = this.#fromNow();
    return box.set(this.#camera.view, x, y, this.x, this.y);
  };

  #fromNow(): Point {
    if (this.fromGround === null) return this.#from;
    const { x, y, height } = this.fromGround;
    const at = this.#camera.view.toScreen(x, y, height);
    return at.inFront ? at : this.#from;
  }
}

export interface GameDrags {
  /** The drag that is under way. */
  readonly current: GameDrag | null;
  /** Its press has moved far enough; @returns whether it became a drag */
  readonly begin: (
    id: number,
    input: Button,
    from: Point,
    fromGround: Spot | null,
    at: Point,
    event: PointerEvent,
  ) => boolean;
  readonly move: (id: number, at: Point, event: PointerEvent) => void;
  readonly end: (id: number, cancelled: boolean, event: PointerEvent | null) => void;
}

export function listenToGameDrags(
  window: Window & typeof globalThis,
  camera: InputTarget,
  { gameDrag }: GameDragOptions,
  report: (error: unknown) => void,
  signal: AbortSignal,
): GameDrags {
  let drag: Drag | null = null;
  let dragging = NaN;
  /** The first corner at the last call. */
  let [seenX, seenY] = [NaN, NaN];

  const fire = (phase: GameDrag['phase']): void => {
    if (drag === null) return;
    drag.phase = phase;
    const fired = drag;
    if (phase === 'end' || phase === 'cancel') drag = null;
    try {
      gameDrag?.(fired);
    } catch (error) {
      report(error);
    }
  };
  if (gameDrag !== undefined) {
    const check = (): void => {
      if (drag === null) return;
      const { fromX, fromY } = drag;
      if (fromX === seenX && fromY === seenY) return;
      [seenX, seenY] = [fromX, fromY];
      fire('change');
    };
    // Once the frame is drawn: polls come before it.
    const endPoll = camera.poll(() => {
      if (drag !== null) window.queueMicrotask(check);
    });
    signal.addEventListener('abort', endPoll);
    window.addEventListener(
      'keydown',
      (event) => {
        if (event.code === 'Escape' && drag !== null) fire('cancel');
      },
      { signal },
    );
  }
  return {
    get current() {
      return drag;
    },
    begin: (id, input, from, fromGround, at, event) => {
      if (gameDrag === undefined || drag !== null) return false;
      drag = new Drag(camera, input, from, fromGround, at, event);
      dragging = id;
      ({ fromX: seenX, fromY: seenY } = drag);
      fire('begin');
      return true;
    },
    move: (id, { x, y }, event) => {
      if (drag === null || id !== dragging) return;
      Object.assign(drag, { x, y, event });
      fire('change');
    },
    end: (id, cancelled, event) => {
      if (drag === null || id !== dragging) return;
      if (event !== null) drag.event = event;
      fire(cancelled ? 'cancel' : 'end');
    },
  };
}
