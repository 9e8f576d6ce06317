/** Frames while there is something to draw: what the small pages share. */
import { Camera, type CameraOptions, type Settings, type View } from 'zesty-kite';

export interface Frames {
  readonly camera: Camera;
  /** Draws a frame soon, and then for as long as the camera moves or `draw` says so. */
  readonly drawSoon: () => void;
}

/** @param draw says whether something else still moves */
export function createFrames(
  settings: Settings | readonly Settings[],
  options: CameraOptions,
  draw: (view: View, time: number) => boolean | undefined,
): Frames {
  let waiting = false;
  const drawSoon = (): void => {
    if (waiting) return;
    waiting = true;
    requestAnimationFrame((time) => {
      waiting = false;
      const moves = draw(camera.advance(time), time) ?? false;
      const { dataset } = document.body;
      dataset['frames'] = String(Number(dataset['frames'] ?? 0) + 1);
      if (moves || !camera.settled) drawSoon();
    });
  };
  const camera = new Camera(settings, { ...options, wake: drawSoon });
  // For tinkering in the console.
  const cameras = (Reflect.get(globalThis, 'cameras') ?? []) as Camera[];
  Object.assign(globalThis, { cameras: [...cameras, camera] });
  return { camera, drawSoon };
}
