/** Pads, which browsers do not announce: they are asked before every frame. */
import type { Camera } from '../camera.ts';
import type { Send } from './send.ts';

export interface PadOptions {
  /** Which pads steer this camera, by their `index`; all when left out. */
  readonly pads?: readonly number[];
}

export function hearPads(
  window: Window & typeof globalThis,
  camera: Camera,
  send: Send,
  { pads }: PadOptions,
  signal: AbortSignal,
): void {
  const { navigator, document } = window;
  /** What each said last. */
  const last = new Map<number, string>();
  let frame = 0;

  const poll = (time: number): boolean => {
    const seen = document.visibilityState === 'hidden' ? [] : padsOf(navigator);
    const here = new Set<number>();
    for (const pad of seen) {
      if (pad?.connected !== true || pad.mapping !== 'standard' || pads?.includes(pad.index) === false) continue;
      here.add(pad.index);
      const axes = pad.axes.slice(0, 4);
      const buttons = pad.buttons.map(({ value, pressed }) => Math.max(value, pressed ? 1 : 0));
      const now = `${axes.join()} ${buttons.join()}`;
      if (last.get(pad.index) === now) continue;
      last.set(pad.index, now);
      send({ kind: 'pad', id: pad.index, axes, buttons, time });
    }
    for (const id of [...last.keys()]) {
      if (here.has(id)) continue;
      last.delete(id);
      send({ kind: 'pad', id, axes: [], buttons: [], time });
    }
    return here.size > 0;
  };

  /** While a pad is there it is asked, whether or not the page draws: it may wake a camera that is settled. */
  const watch = (time: number): void => {
    frame = poll(time) ? window.requestAnimationFrame(watch) : 0;
  };
  const begin = (): void => {
    if (frame === 0) frame = window.requestAnimationFrame(watch);
  };
  const forget = (event: Event): void => {
    poll(event.timeStamp);
    begin();
  };

  const detach = camera.poll((time) => {
    if (frame !== 0) poll(time);
  });
  window.addEventListener('gamepadconnected', begin, { signal });
  window.addEventListener('gamepaddisconnected', forget, { signal });
  document.addEventListener('visibilitychange', forget, { signal });
  signal.addEventListener('abort', () => {
    detach();
    window.cancelAnimationFrame(frame);
    for (const id of last.keys()) send({ kind: 'pad', id, axes: [], buttons: [] });
  });
  begin();
}

/** A page in a frame may be refused; then there are none. */
export function padsOf(navigator: Navigator): readonly (Gamepad | null)[] {
  try {
    return navigator.getGamepads();
  } catch {
    return [];
  }
}
