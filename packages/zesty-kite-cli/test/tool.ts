/** The built command line, all calls in one process. Pipes, links and ends by a signal want processes of their own. */
import { fork, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';

export interface Ended {
  readonly code: number | null;
  readonly out: string;
  readonly errors: string;
}

export class Tool {
  readonly #process: ChildProcess;
  readonly #exit: Promise<unknown[]>;

  /** @param memory megabytes; as many as Node.js takes when left out */
  constructor(folder: string, memory?: number) {
    this.#process = fork(new URL('cases.mjs', import.meta.url).pathname, {
      cwd: folder,
      execArgv: memory === undefined ? [] : [`--max-old-space-size=${String(memory)}`],
      serialization: 'advanced',
    });
    this.#exit = once(this.#process, 'exit');
  }

  /** How a call ends. One call after the other: each awaits the one before. */
  async call(args: readonly string[], input = ''): Promise<Ended> {
    const answer = once(this.#process, 'message');
    this.#process.send({ args, input });
    const ended = await Promise.race([
      answer,
      this.#exit.then(([code]) => [{ code, out: '', errors: 'the process of all calls ended' }]),
    ]);
    return ended[0] as Ended;
  }

  async end(): Promise<void> {
    this.#process.disconnect();
    await this.#exit;
  }
}
