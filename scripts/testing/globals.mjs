/** The functions that tests import from `@jest/globals`: those of the runner, with an end for what hangs. */
import { bind } from 'jest-each';

export const { describe, expect } = globalThis;
export const beforeAll = (act, most) => globalThis.beforeAll(within(act, most));
export const beforeEach = (act, most) => globalThis.beforeEach(within(act, most));
export const afterEach = (act, most) => globalThis.afterEach(within(act, most));
export const afterAll = (act, most) => globalThis.afterAll(within(act, most));
export const test = (name, act, most) => globalThis.test(name, within(act, most));
test.each = bind(test);

/** The same as an act that fails after so many milliseconds. */
function within(act, most = 60_000) {
  return async () => {
    let timer;
    const late = new Promise((_, fail) => {
      timer = globalThis.setTimeout(() => fail(new Error(`took longer than ${most} ms`)), most);
    });
    try {
      await Promise.race([act(), late]);
    } catch (error) {
      throw error instanceof Error ? error : new Error(`thrown: ${String(error)}`);
    } finally {
      globalThis.clearTimeout(timer);
    }
  };
}
