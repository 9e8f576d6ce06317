/** In the page: stands for a camera that lives in a worker. */
import { checkMade } from '../messages/index.ts';
import { Calls } from '../calls.ts';
import { SignalFilter } from '../hands/index.ts';
import { changeSettings, completeLayers, type Checked, type FullSettings, type Settings } from '../settings/index.ts';
import { cleanSignal, type Signal } from '../signals/index.ts';
import type { CameraLike, Elsewhere, Stop } from '../cameraLike.ts';
import { aim, View, type Pose } from '../view/index.ts';
import {
  clockOrigin,
  messageOf,
  type CallMessage,
  type FrameMessage,
  type OutcomeMessage,
  type Port,
  type SignalMessage,
  type StopMessage,
} from './messages.ts';

interface Waiting {
  readonly resolve: (outcome: unknown) => void;
  readonly reject: (error: Error) => void;
}

/**
 * The page's side of a camera in a worker: calls and signals go there, and frames come back.
 *
 * ```ts
 * const camera = new RemoteCamera(worker, settings);
 * listen(canvas, camera);
 * await travel(camera, { x: 300, y: 200 });
 * ```
 */
export class RemoteCamera extends Calls implements CameraLike {
  /** The last view of the worker's camera, over flat ground: for picks and labels. */
  readonly view: View = new View();
  /** Sends calls to the worker's camera. */
  readonly elsewhere: Elsewhere;
  readonly #port: Port;
  readonly #filter: SignalFilter;
  readonly #waiting = new Map<number, Waiting>();
  readonly #polls = new Set<(time: number) => void>();
  #checked: Checked;
  /** The id of the last signal or call, and of the last change of settings. */
  #sent = 0;
  #changedAt = 0;
  #goal: Pose;
  #settled = true;
  #closed = false;

  /**
   * @param port the worker, or a port whose other end it has; other messages may go through it, too
   * @param settings those that the worker's camera has, one or layers. They count until the first frame comes.
   * @throws SettingsError
   */
  constructor(port: Port, settings: Settings | readonly Settings[] = {}) {
    super();
    checkMade('RemoteCamera.port', port, 'postMessage', 'a Worker or a MessagePort');
    this.#port = port;
    this.#checked = completeLayers('RemoteCamera', settings, null);
    this.#filter = new SignalFilter(this.settings);
    this.#goal = this.shown;
    this.elsewhere = { call: (name, args, stop) => this.#call(name, args, stop) };
    port.addEventListener('message', this.#receive);
    port.start?.();
  }

  /** The settings in force in the worker, with what has been changed here since. */
  get settings(): Readonly<FullSettings> {
    return this.#checked.settings;
  }

  /** True when nothing moves and the worker has taken every signal. */
  get settled(): boolean {
    return this.#settled;
  }

  /** The pose of the last frame that came. */
  get shown(): Pose {
    return poseOf(this.view);
  }

  /** As of the last frame: what has been called since is not in it. */
  get goal(): Pose {
    return poseOf(this.#goal);
  }

  /**
   * Sends a signal to the worker's camera. A terrain is the worker's own to change.
   *
   * @throws TypeError for a signal of no known form; SettingsError for a bad `change`
   */
  signal(signal: Signal): boolean {
    const body = cleanSignal(signal);
    if (body === null || !this.#filter.takes(body)) return false;
    if (body.kind === 'change') {
      this.#adopt(changeSettings(this.#checked, body.settings));
      this.#changedAt = this.#sent + 1;
    }
    const { time = NaN } = signal;
    const timed = Number.isFinite(time) ? { time: time + clockOrigin() } : {};
    this.#send({ zestyKite: 'signal', signal: body, ...timed });
    return true;
  }

  /** Returns whether an ability has this input. */
  binds(input: string): boolean {
    return this.#filter.binds(input);
  }

  /** Calls `poll` when the worker has drawn a frame, with its time on this page's clock; returns a function that ends this. */
  poll(poll: (time: number) => void): () => void {
    const added = (time: number): void => {
      poll(time);
    };
    this.#polls.add(added);
    return () => {
      this.#polls.delete(added);
    };
  }

  /** Stops listening to the worker. Calls that wait for an outcome resolve to null. */
  close(): void {
    this.#closed = true;
    this.#port.removeEventListener('message', this.#receive);
    for (const { resolve } of this.#waiting.values()) resolve(null);
    this.#waiting.clear();
  }

  readonly #receive = ({ data }: { readonly data: unknown }): void => {
    const message = messageOf(data);
    if (message?.zestyKite === 'outcome') this.#settle(message);
    if (message?.zestyKite === 'frame') this.#show(message);
  };

  #show({ pose, goal, screen, insets, ground, settled, time, taken, settings }: FrameMessage): void {
    this.#settled = settled && taken === this.#sent;
    this.#goal = goal;
    // A change that is still on its way to the worker stays in force here.
    if (settings !== undefined && taken >= this.#changedAt) this.#adopt(completeLayers('RemoteCamera', settings, null));
    aim(this.view, pose, screen, ground, insets);
    for (const poll of [...this.#polls]) if (this.#polls.has(poll)) poll(time - clockOrigin());
  }

  #adopt(checked: Checked): void {
    this.#checked = checked;
    this.#filter.adopt(this.settings);
  }

  /** Returns the id of the message. */
  #send(message: Omit<SignalMessage, 'id'> | Omit<CallMessage, 'id'>): number {
    const id = (this.#sent += 1);
    this.#port.postMessage({ ...message, id });
    this.#settled = false;
    return id;
  }

  #call(name: string, args: readonly unknown[], stop?: Stop): Promise<unknown> {
    if (this.#closed) return Promise.resolve(null);
    const id = this.#send({ zestyKite: 'call', name, args });
    const end = (): void => {
      this.#port.postMessage({ zestyKite: 'stop', id } satisfies StopMessage);
    };
    if (stop?.aborted === true) end();
    else stop?.addEventListener('abort', end);
    return new Promise((resolve, reject) => {
      this.#waiting.set(id, { resolve, reject });
    });
  }

  #settle({ id, outcome, error }: OutcomeMessage): void {
    const waiting = this.#waiting.get(id);
    this.#waiting.delete(id);
    if (error === undefined) waiting?.resolve(outcome);
    else waiting?.reject(new TypeError(error));
  }
}

function poseOf({ x, y, focusHeight, span, heading, pitch, fieldOfView }: Readonly<Pose>): Pose {
  return { x, y, focusHeight, span, heading, pitch, fieldOfView };
}
