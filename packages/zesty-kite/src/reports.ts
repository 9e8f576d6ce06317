/** Receivers of what the callbacks of a game throw: the camera goes on. */
import { checkFunction } from './messages/index.ts';

type Report = (error: unknown) => void;

export class Reports {
  /** The last of them receives each error. */
  readonly #receivers: Report[] = [];

  /** Adds the receiver that stands before all others. */
  own(report: Report): void {
    this.#receivers.push(report);
  }

  /**
   * Adds a receiver, used unless the camera has one of its own or an earlier one.
   *
   * @returns a function that removes it
   */
  add(report: Report): () => void {
    checkFunction('report', report);
    this.#receivers.unshift(report);
    return () => {
      const index = this.#receivers.indexOf(report);
      if (index >= 0) this.#receivers.splice(index, 1);
    };
  }

  /** Runs a callback of the game, and reports an error that it throws. Returns whether it threw none. */
  callSafely(call: () => void): boolean {
    try {
      call();
      return true;
    } catch (error) {
      this.report(error);
      return false;
    }
  }

  report(error: unknown): void {
    try {
      (this.#receivers.at(-1) ?? reportToConsole)(error);
    } catch {
      // A receiver that throws has nobody behind it.
    }
  }
}

/** The camera may come from another copy of this module: bundles have their own. */
const REPORTS = Symbol.for('zesty-kite reports');

/** Returns the receivers of a camera, here or in a worker. */
export function reportsOf(camera: object): Reports {
  const kept = Reflect.get(camera, REPORTS) as Reports | undefined;
  if (kept !== undefined) return kept;
  const reports = new Reports();
  Reflect.defineProperty(camera, REPORTS, { value: reports });
  return reports;
}

/** Engines without a console stay silent. */
function reportToConsole(error: unknown): void {
  /* eslint-disable-next-line no-restricted-globals -- nothing is read there: errors without a receiver are written */
  (globalThis as { readonly console?: { error(error: unknown): void } }).console?.error(error);
}
