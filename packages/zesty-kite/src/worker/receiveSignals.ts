/** In the worker: lets a page steer the camera there. */
import type { Camera } from '../camera.ts';
import { clockOrigin, messageOf, type FrameMessage, type Port } from './messages.ts';

/**
 * Hears what a `RemoteCamera` of the page sends, and tells it of every frame.
 *
 * ```ts
 * const camera = new Camera(settings, { wake: drawSoon });
 * receiveSignals(self, camera);
 * ```
 *
 * @param port `self` in a worker, or a port whose other end the page has; other messages may go through it, too
 * @returns a function that ends this
 */
export function receiveSignals(port: Port, camera: Camera): () => void {
  const origin = clockOrigin();
  const hear = ({ data }: { readonly data: unknown }): void => {
    const message = messageOf(data);
    if (message?.zestyKite !== 'signal') return;
    const { signal, time } = message;
    camera.attempt(() => {
      camera.signal(time === undefined ? signal : { ...signal, time: time - origin });
    });
  };
  const tell = (time: number): void => {
    const { x, y, focusHeight, span, heading, pitch, fieldOfView, width, height, density, look } = camera.view;
    const { left, top, right, bottom } = look;
    const message: FrameMessage = {
      zestyKite: 'frame',
      time: time + origin,
      pose: { x, y, focusHeight, span, heading, pitch, fieldOfView },
      screen: { width, height, density },
      insets: { left, top, right, bottom },
      settled: camera.settled,
    };
    port.postMessage(message);
  };
  // A frame begins with this, and has been drawn when the present task is over.
  const forget = camera.poll((time) => {
    queueMicrotask(() => {
      tell(time);
    });
  });
  port.addEventListener('message', hear);
  port.start?.();
  return () => {
    forget();
    port.removeEventListener('message', hear);
  };
}
