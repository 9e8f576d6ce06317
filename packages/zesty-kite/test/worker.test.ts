/** A camera in a worker, and what stands for it in the page: every call, the copies of a world that wraps, settings of either side. */
import { afterEach, test } from '@jest/globals';
import fc from 'fast-check';
import { expect } from './expect.ts';
import { Camera, type CameraLike, type Settings } from '../src/index.ts';
import { travel } from '../src/direct/index.ts';
import { Minimap } from '../src/minimap/index.ts';
import { receiveSignals, RemoteCamera } from '../src/worker/index.ts';

const screen = { width: 800, height: 600 };
const channels: MessageChannel[] = [];
afterEach(() => {
  for (const { port1, port2 } of channels.splice(0)) {
    port1.close();
    port2.close();
  }
});

interface Pair {
  readonly here: Camera;
  readonly remote: RemoteCamera;
  /** Draws frames in the worker up to a time, and waits until the page has all of them. */
  readonly drawTo: (time: number) => Promise<void>;
}

function pair(settings: Settings, known = settings): Pair {
  const channel = new MessageChannel();
  channels.push(channel);
  const here = new Camera(settings, { screen });
  receiveSignals(channel.port1, here);
  const remote = new RemoteCamera(channel.port2, known);
  let time = 0;
  const rest = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 5));
  return {
    here,
    remote,
    drawTo: async (until) => {
      await rest();
      for (; time <= until; time += 16) here.advance(time);
      await rest();
    },
  };
}

const settings: Settings = {
  start: { x: 100, y: 100, span: 200 },
  zoom: { minSpan: 10, maxSpan: 900 },
  pitch: { degrees: 60, min: 30, max: 90 },
};
const calls: readonly (readonly [string, (camera: CameraLike) => void])[] = [
  ['place', (camera) => camera.place({ x: 40, y: 50, span: 120 })],
  ['zoom', (camera) => camera.zoom({ factor: 2 }, { screenX: 100, screenY: 500 })],
  ['pan', (camera) => camera.pan({ x: 30, y: -20 })],
  ['turn', (camera) => camera.turn(90)],
  ['tilt', (camera) => camera.tilt(-10)],
  [
    'hold',
    (camera) => {
      camera.hold(1, 100, 100);
      camera.hold(1, 200, 100);
      camera.unhold(1);
    },
  ],
  ['change', (camera) => camera.change({ pitch: { degrees: 45 } })],
  [
    'home',
    (camera) => {
      camera.place({ x: 7, y: 7 });
      camera.home();
    },
  ],
];

test.each(calls)('%s does in the worker what it does here, and the page shows it', async (_name, call) => {
  const { remote, drawTo } = pair(settings);
  const local = new Camera(settings, { screen });
  await drawTo(0);
  local.advance(0);
  call(remote);
  call(local);
  expect(remote.settled).toBe(false);
  await drawTo(4000);
  for (let time = 16; time <= 4000; time += 16) local.advance(time);
  expect(remote.shown).toEqual(local.shown);
  expect(remote.goal).toEqual(local.goal);
  expect(remote.settings).toEqual(local.settings);
  expect(remote.settled).toBe(true);
});

test('travel goes there and says how it ended; a stop ends it; bad arguments are refused here', async () => {
  const { remote, drawTo } = pair(settings);
  await drawTo(0);
  const arrival = travel(remote, { x: 300, span: 80 });
  await drawTo(6000);
  expect(await arrival).toMatchObject({ outcome: 'arrived', by: null });
  expect(remote.shown.x).toBeCloseTo(300, 9);
  const controller = new AbortController();
  const stopped = travel(remote, { x: -300 }, { stop: controller.signal, minSeconds: 2 });
  await drawTo(6500);
  controller.abort();
  await drawTo(9000);
  expect((await stopped).outcome).toBe('ended');
  expect(remote.shown.x).toBeGreaterThan(-300);
  await expect(async () => travel(remote, { span: 0 })).rejects.toThrow('travel.to.span');
  const left = travel(remote, { x: 5 });
  remote.close();
  expect((await left).outcome).toBe('interrupted');
});

test('in a world that wraps the page picks the copy of the world; the minimap draws over it', async () => {
  const { here, remote, drawTo } = pair({
    start: { x: 990, y: 500, span: 300 },
    bounds: { left: 0, top: 0, right: 1000, bottom: 1000 },
    wrap: { x: 1000 },
  });
  await drawTo(0);
  const there = remote.view.toGround(600, 300);
  expect(there).toEqual(here.view.toGround(600, 300));
  expect(there?.x).toBeLessThan(1000);
  expect(there?.x).toBeCloseTo(90, 9);
  const [ours, theirs] = [new Minimap(here), new Minimap(remote)];
  expect(theirs.outline()).toEqual(ours.outline());
});

test('settings that change in the worker come to the page; what the page changed meanwhile is not taken back', async () => {
  const { here, remote, drawTo } = pair(settings, {});
  await drawTo(0);
  expect(remote.settings).toEqual(here.settings);
  here.change({ pan: { speed: 3 }, bindings: { panUp: ['KeyT'] } });
  remote.change({ zoom: { notch: 2 } });
  expect(remote.settings.zoom.notch).toBe(2);
  await drawTo(500);
  expect(remote.settings).toEqual(here.settings);
  expect(remote.settings.pan.speed).toBe(3);
  expect(remote.settings.zoom.notch).toBe(2);
  expect(remote.binds('KeyT')).toBe(true);
  expect(() => remote.change({ pan: { speed: -1 } })).toThrow('pan.speed');
});

test('settled says that the worker has taken every signal: a frame on its way does not', async () => {
  const step = fc.constantFrom('signal', 'travel', 'draw', 'to the worker', 'to the page');
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 4, maxLength: 24 }), async (steps) => {
      const [page, worker] = [new Mail(), new Mail()];
      const here = new Camera(settings, { screen });
      receiveSignals({ ...page.port, postMessage: worker.post }, here);
      const remote = new RemoteCamera({ ...worker.port, postMessage: page.post }, settings);
      let time = 0;
      here.advance(time);
      await Promise.resolve();
      worker.deliver();
      for (const one of [...steps, 'to the worker', 'draw', 'to the page']) {
        if (one === 'signal') remote.place({ x: 101 + remote.shown.x });
        if (one === 'travel') void travel(remote, { x: remote.shown.x - 7 }, { minSeconds: 0.01 });
        if (one === 'draw') here.advance((time += 500));
        // A frame is told of when its task is over.
        await Promise.resolve();
        if (one === 'to the worker') page.deliver();
        if (one === 'to the page') worker.deliver();
        await Promise.resolve();
        if (!remote.settled) continue;
        expect(page.letters).toEqual([]);
        expect(remote.shown).toEqual(here.goal);
      }
      // It has come to rest, and the page hears of it.
      for (let n = 0; n < 20; n += 1) {
        page.deliver();
        here.advance((time += 500));
        await Promise.resolve();
        worker.deliver();
      }
      expect(remote.settled).toBe(true);
    }),
  );
});

test('what came before the worker listened does not keep the camera from being settled', async () => {
  const [page, worker] = [new Mail(), new Mail()];
  const here = new Camera(settings, { screen });
  const remote = new RemoteCamera({ ...worker.port, postMessage: page.post }, settings);
  remote.change({ pan: { speed: 3 } });
  page.deliver();
  receiveSignals({ ...page.port, postMessage: worker.post }, here);
  remote.change({ pan: { speed: 2 } });
  page.deliver();
  for (const time of [0, 500]) here.advance(time);
  await Promise.resolve();
  worker.deliver();
  expect(remote.settled).toBe(true);
  expect(remote.settings.pan.speed).toBe(here.settings.pan.speed);
});

/** One way of a channel that delivers when the test says so. */
class Mail {
  letters: unknown[] = [];
  readonly #listeners: ((event: { readonly data: unknown }) => void)[] = [];
  readonly post = (message: unknown): void => {
    this.letters.push(structuredClone(message));
  };
  readonly port = {
    addEventListener: (_type: 'message', listener: (event: { readonly data: unknown }) => void): void => {
      this.#listeners.push(listener);
    },
    removeEventListener: (): void => undefined,
  };

  deliver(): void {
    for (const data of this.letters.splice(0)) for (const listener of this.#listeners) listener({ data });
  }
}

test('a poll that ends itself lets the next be called', async () => {
  const { remote, drawTo } = pair(settings);
  const called: string[] = [];
  const end = remote.poll(() => {
    called.push('once');
    end();
  });
  remote.poll(() => called.push('each'));
  await drawTo(16);
  expect(called).toEqual(['once', 'each', 'each']);
});
