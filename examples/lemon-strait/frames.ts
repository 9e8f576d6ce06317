/** Frames while there is something to draw: what the small pages share. */
import { Camera, type CameraOptions, type Settings, type View } from 'zesty-kite';

export interface Frames {
  readonly camera: Camera;
  /** Draws a frame soon, and then while the camera moves or `draw` returns true. */
  readonly drawSoon: () => void;
  /** Resolves when a frame has been drawn: time to load the rest. */
  readonly first: Promise<void>;
}

/** @param draw returns true while something else moves */
export function createFrames(
  settings: Settings | readonly Settings[],
  options: CameraOptions,
  draw: (view: View, time: number) => boolean | undefined,
): Frames {
  let waiting = false;
  let drawn: () => void;
  const first = new Promise<void>((resolve) => {
    drawn = resolve;
  });
  const drawSoon = (): void => {
    if (waiting) return;
    waiting = true;
    requestAnimationFrame((time) => {
      waiting = false;
      const moves = draw(camera.advance(time), time) ?? false;
      const { dataset } = document.body;
      dataset['frames'] = String(Number(dataset['frames'] ?? 0) + 1);
      drawn();
      if (moves || !camera.settled) drawSoon();
    });
  };
  const camera = new Camera(settings, { ...options, wake: drawSoon });
  // For tinkering in the console.
  const cameras = (Reflect.get(globalThis, 'cameras') ?? []) as Camera[];
  Object.assign(globalThis, { cameras: [...cameras, camera] });
  return { camera, drawSoon, first };
}
