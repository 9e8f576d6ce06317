/** Pads, which fire no events: their state is read before every frame. */
import type { InputTarget } from '../cameraLike.ts';
import { PAD_BUTTONS } from '../devices/index.ts';
import type { Send } from './send.ts';

/** The size of the standard mapping. */
const AXES = 4;
const NONE: readonly null[] = [];

export interface PadOptions {
  /** Which pads steer this camera, by their `index`; all when left out. */
  readonly pads?: readonly number[];
}

export function pollPads(
  window: Window & typeof globalThis,
  camera: InputTarget,
  send: Send,
  { pads: only }: PadOptions,
  signal: AbortSignal,
): void {
  const { navigator, document } = window;
  /** The last values of each pad (axes, then buttons), and the poll in which it was last seen. */
  const known = new Map<number, { readonly values: Float64Array; seen: number }>();
  let looks = 0;
  let frame = 0;

  const gone = (id: number, time?: number): void => {
    known.delete(id);
    send({ kind: 'pad', id, axes: [], buttons: [], ...(time === undefined ? {} : { time }) });
  };

  /** Sends what has changed, and allocates nothing when nothing has. */
  const listenTo = (pad: Gamepad, time: number): void => {
    const { index, axes, buttons } = pad;
    const before = known.get(index);
    const { values, seen } = before ?? { values: new Float64Array(AXES + PAD_BUTTONS.length), seen: 0 };
    let changed = seen === 0;
    for (let i = 0; i < values.length; i++) {
      const button = buttons[i - AXES];
      const value = (i < AXES ? axes[i] : button?.pressed === true ? Math.max(button.value, 1) : button?.value) ?? 0;
      if (values[i] === value) continue;
      values[i] = value;
      changed = true;
    }
    if (before === undefined) known.set(index, { values, seen: looks });
    else before.seen = looks;
    if (!changed) return;
    const said = [...values];
    send({ kind: 'pad', id: index, axes: said.slice(0, AXES), buttons: said.slice(AXES), time });
  };

  const poll = (time: number): boolean => {
    looks += 1;
    const pads = document.visibilityState === 'hidden' ? NONE : padsOf(navigator);
    for (let i = 0; i < pads.length; i++) {
      const pad = pads[i] ?? null;
      if (pad?.connected !== true || pad.mapping !== 'standard' || only?.includes(pad.index) === false) continue;
      listenTo(pad, time);
    }
    for (const [id, { seen }] of known) if (seen < looks) gone(id, time);
    return known.size > 0;
  };

  /** While a pad is there its state is read, whether or not the page draws: it may wake a camera that is settled. */
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
    if (known.size > 0) poll(time);
  });
  window.addEventListener('gamepadconnected', begin, { signal });
  window.addEventListener('gamepaddisconnected', forget, { signal });
  document.addEventListener('visibilitychange', forget, { signal });
  signal.addEventListener('abort', () => {
    detach();
    window.cancelAnimationFrame(frame);
    for (const id of known.keys()) gone(id);
  });
  begin();
}

/** A browser may refuse pads to a page in a frame; then there are none. */
export function padsOf(navigator: Navigator): readonly (Gamepad | null)[] {
  try {
    return navigator.getGamepads();
  } catch {
    return NONE;
  }
}
