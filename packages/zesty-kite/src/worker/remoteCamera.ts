/** In the page: stands for a camera that lives in a worker. */
import { SignalFilter } from '../hands/index.ts';
import { changeSettings, completeLayers, type Checked, type FullSettings, type Settings } from '../settings/index.ts';
import { cleanSignal, type Signal } from '../signals/index.ts';
import type { Steered } from '../steered.ts';
import { aim, View } from '../view/index.ts';
import { clockOrigin, messageOf, type Port, type SignalMessage } from './messages.ts';

/**
 * What `listen` needs of a camera, for one in a worker: signals go there, frames are told of here.
 *
 * ```ts
 * const camera = new RemoteCamera(worker, settings);
 * listen(canvas, camera);
 * ```
 */
export class RemoteCamera implements Steered {
  /** What the worker's camera showed last, over flat ground: for picks and labels. */
  readonly view: View = new View();
  readonly #port: Port;
  readonly #filter: SignalFilter;
  readonly #polls: ((time: number) => void)[] = [];
  #checked: Checked;
  #settled = true;

  /**
   * @param port the worker, or a port whose other end it has; other messages may go through it, too
   * @param settings those that the worker's camera has, one or layers
   * @throws SettingsError
   */
  constructor(port: Port, settings: Settings | readonly Settings[] = {}) {
    this.#port = port;
    this.#checked = completeLayers(settings);
    this.#filter = new SignalFilter(this.settings);
    port.addEventListener('message', this.#hear);
    port.start?.();
  }

  get settings(): Readonly<FullSettings> {
    return this.#checked.settings;
  }

  get settled(): boolean {
    return this.#settled;
  }

  /**
   * Sends a signal to the worker's camera, calls too: `remote.signal({ kind: 'home' })`. A terrain is the worker's own to
   * change.
   *
   * @throws TypeError for a signal of no known form; SettingsError for a bad `change`
   */
  signal(signal: Signal): boolean {
    const body = cleanSignal(signal);
    if (body === null || !this.#filter.takes(body)) return false;
    if (body.kind === 'change') {
      this.#checked = changeSettings(this.#checked, body.settings);
      this.#filter.adopt(this.settings);
    }
    const { time = NaN } = signal;
    const message: SignalMessage = { zestyKite: 'signal', signal: body };
    this.#port.postMessage(Number.isFinite(time) ? { ...message, time: time + clockOrigin() } : message);
    this.#settled = false;
    return true;
  }

  binds(input: string): boolean {
    return this.#filter.binds(input);
  }

  /** Calls `poll` when the worker has drawn a frame, with its time on this page's clock; returns a function that ends this. */
  poll(poll: (time: number) => void): () => void {
    this.#polls.push(poll);
    return () => {
      const index = this.#polls.indexOf(poll);
      if (index >= 0) this.#polls.splice(index, 1);
    };
  }

  /** Callbacks run in the worker: it has its own. */
  reportTo(): () => void {
    return () => undefined;
  }

  /** Hears no more of the worker. */
  close(): void {
    this.#port.removeEventListener('message', this.#hear);
  }

  readonly #hear = ({ data }: { readonly data: unknown }): void => {
    const message = messageOf(data);
    if (message?.zestyKite !== 'frame') return;
    const { pose, screen, insets, settled, time } = message;
    this.#settled = settled;
    aim(this.view, pose, screen, undefined, insets);
    for (const poll of [...this.#polls]) poll(time - clockOrigin());
  };
}
