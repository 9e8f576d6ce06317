/** The W3C WebDriver protocol, as far as it is needed. */
export class WebDriver {
  readonly #base: string;
  #session = '';

  constructor(port: number) {
    this.#base = `http://127.0.0.1:${String(port)}`;
  }

  async #ask(method: 'GET' | 'POST' | 'DELETE', path: string, body?: object): Promise<unknown> {
    const init = body === undefined ? { method } : { method, body: JSON.stringify(body) };
    const answer = (await (await fetch(`${this.#base}${path}`, init)).json()) as { value: unknown };
    const { error, message } = (answer.value ?? {}) as { error?: string; message?: string };
    if (error !== undefined) throw new Error(`WebDriver: ${error}: ${message ?? ''}`);
    return answer.value;
  }

  /** @param binary of the small browser that comes with the system's WebKit */
  async begin(binary: string): Promise<void> {
    for (let i = 0; ; i++) {
      try {
        const capabilities = { alwaysMatch: { 'webkitgtk:browserOptions': { binary, args: ['--automation'] } } };
        const { sessionId } = (await this.#ask('POST', '/session', { capabilities })) as { sessionId: string };
        this.#session = `/session/${sessionId}`;
        return;
      } catch (error) {
        // The driver takes a while to listen.
        if (i > 100) throw error;
        await new Promise((done) => setTimeout(done, 200));
      }
    }
  }

  async open(url: string): Promise<void> {
    await this.#ask('POST', `${this.#session}/timeouts`, { script: 110_000 });
    await this.#ask('POST', `${this.#session}/url`, { url });
  }

  evaluate(script: string): Promise<unknown> {
    const asked = `const done = arguments[0]; Promise.resolve(${script}).then(done, (error) => done(String(error)))`;
    return this.#ask('POST', `${this.#session}/execute/async`, { script: asked, args: [] });
  }

  async act(source: object): Promise<void> {
    await this.#ask('POST', `${this.#session}/actions`, { actions: [source] });
  }

  async end(): Promise<void> {
    await this.#ask('DELETE', this.#session);
  }
}
