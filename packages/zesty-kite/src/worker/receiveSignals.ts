/** In the worker: lets a page steer the camera there. */
import { checkMade } from '../messages/index.ts';
import type { Camera } from '../camera/index.ts';
import { travel, type Destination, type TravelOptions } from '../direct/index.ts';
import { reportsOf } from '../reports.ts';
import type { Stop } from '../cameraLike.ts';
import {
  clockOrigin,
  messageOf,
  type CallMessage,
  type FrameMessage,
  type OutcomeMessage,
  type Port,
} from './messages.ts';

/**
 * Steers the camera of a worker by the signals of a `RemoteCamera`, and sends each frame to the page.
 *
 * ```ts
 * const camera = new Camera(settings, { wake: drawSoon });
 * receiveSignals(self, camera);
 * ```
 *
 * @param port `self` in a worker, or a port whose other end the page has; other messages may pass through it
 * @returns a function that ends it
 */
export function receiveSignals(port: Port, camera: Camera): () => void {
  checkMade('receiveSignals.port', port, 'postMessage', 'self, or a MessagePort');
  checkMade('receiveSignals.camera', camera, 'advance', 'a camera');
  const reports = reportsOf(camera);
  const origin = clockOrigin();
  /** The id of the last signal or call of the page. */
  let taken = 0;
  /** The settings that the page has. */
  let known: unknown = null;
  /** Of the calls under way. */
  const stops = new Map<number, Stopper>();

  const receive = ({ data }: { readonly data: unknown }): void => {
    const message = messageOf(data);
    if (message?.zestyKite === 'stop') stops.get(message.id)?.end();
    if (message?.zestyKite === 'call') {
      taken = message.id;
      void answer(port, camera, message, stops);
    }
    if (message?.zestyKite !== 'signal') return;
    const { id, signal, time } = message;
    taken = id;
    // The page gets the settings after each change of its own, even if they are the same.
    if (signal.kind === 'change') known = null;
    reports.callSafely(() => {
      camera.signal(time === undefined ? signal : { ...signal, time: time - origin });
    });
  };
  const tell = (time: number): void => {
    const { x, y, focusHeight, span, heading, pitch, fieldOfView, width, height, density, projection, ground } =
      camera.view;
    const { left, top, right, bottom } = projection;
    const { lowest, highest, periodX = 0, periodY = 0 } = ground;
    const { settings, goal, settled } = camera;
    const isNews = settings !== known;
    known = settings;
    const message: FrameMessage = {
      zestyKite: 'frame',
      time: time + origin,
      pose: { x, y, focusHeight, span, heading, pitch, fieldOfView },
      goal,
      screen: { width, height, density },
      insets: { left, top, right, bottom },
      ground: { lowest, highest, periodX, periodY },
      settled,
      taken,
      ...(isNews ? { settings } : {}),
    };
    port.postMessage(message);
  };
  // A frame begins with this, and has been drawn when the present task is over.
  const forget = camera.poll((time) => {
    queueMicrotask(() => {
      tell(time);
    });
  });
  port.addEventListener('message', receive);
  port.start?.();
  return () => {
    forget();
    port.removeEventListener('message', receive);
  };
}

/** The signal that stops a call. */
class Stopper implements Stop {
  aborted = false;
  readonly #listeners: (() => void)[] = [];

  addEventListener(_type: 'abort', listener: () => void): void {
    this.#listeners.push(listener);
  }

  end(): void {
    this.aborted = true;
    for (const listener of this.#listeners.splice(0)) listener();
  }
}

async function answer(
  port: Port,
  camera: Camera,
  { id, name, args }: CallMessage,
  stops: Map<number, Stopper>,
): Promise<void> {
  const stop = new Stopper();
  stops.set(id, stop);
  const message: OutcomeMessage = { zestyKite: 'outcome', id };
  try {
    port.postMessage({ ...message, outcome: await call(camera, name, args, stop) });
  } catch (error) {
    port.postMessage({ ...message, error: error instanceof Error ? error.message : String(error) });
  } finally {
    stops.delete(id);
  }
}

/** @throws TypeError for a call that there is not */
function call(camera: Camera, name: string, args: readonly unknown[], stop: Stop): Promise<unknown> {
  const [to, options] = args as [Destination, TravelOptions];
  if (name === 'travel') return travel(camera, to, { ...options, stop });
  throw new TypeError(
    `${name}: expected a call of this library, got one that the worker does not know; use one version of the package`,
  );
}
