/** One camera for a component: it outlives renders, strict mode and hot reloading. Imports no framework: its hooks come in. */
import { Camera, type CameraOptions } from '../camera/index.ts';
import { listen, type ListenOptions } from '../dom/index.ts';
import { checkFunction, checkMade } from '../messages/index.ts';
import { completeLayers, type Settings } from '../settings/index.ts';
import type { View } from '../view/index.ts';

/** The hooks of the framework: `React`, or an object with these two. */
export interface Hooks {
  /** The framework's hook for a value that lasts. */
  readonly useRef: <T>(initial: T) => { current: T };
  /** The framework's hook for effects. */
  readonly useEffect: (effect: () => void, dependencies?: readonly unknown[]) => void;
}

/** Makes an element ready, and returns the function that draws a frame on it. */
export type Show<E extends HTMLElement> = (element: E, camera: Camera) => (view: View) => void;

/** Options of the camera and of `listen`; those of the first render count. */
export interface CameraHookOptions extends Omit<CameraOptions, 'wake'>, ListenOptions {}

/** The camera of a component. */
export interface CameraOf<E extends HTMLElement> {
  /** For the element: `<canvas ref={ref} />`. It listens while the element is there. */
  readonly ref: (element: E | null) => void;
  /** The camera of the element. */
  readonly camera: Camera;
  /** Draws a frame soon, for a change of the picture that is not the camera's. */
  readonly redraw: () => void;
}

/** The hook: settings, a function that makes the element ready, and options of the first render. */
export type UseCamera = <E extends HTMLElement = HTMLCanvasElement>(
  settings: Settings | readonly Settings[],
  show: Show<E>,
  options?: CameraHookOptions,
) => CameraOf<E>;

/**
 * Returns the hook `useCamera` of a framework. Frames are drawn only while something moves.
 *
 * ```tsx
 * const useCamera = cameraHook(React);
 *
 * function Map({ settings }: { settings: Settings }) {
 *   const { ref } = useCamera(settings, (canvas) => {
 *     const context = canvas.getContext('2d')!;
 *     const drawing = createDrawing(context);
 *     return (view) => {
 *       drawing.begin(view);
 *       paint(context);
 *     };
 *   });
 *   return <canvas ref={ref} />;
 * }
 * ```
 *
 * Settings may be written inline. A section that differs from the render before is changed while the camera lives; a section that is left
 * out goes back to its defaults.
 *
 * @throws TypeError for what has no hooks
 */
export function cameraHook({ useRef, useEffect }: Hooks): UseCamera {
  checkFunction('cameraHook.useRef', useRef, 'a hook: cameraHook(React)');
  checkFunction('cameraHook.useEffect', useEffect, 'a hook: cameraHook(React)');
  return <E extends HTMLElement>(
    settings: Settings | readonly Settings[],
    show: Show<E>,
    options: CameraHookOptions = {},
  ): CameraOf<E> => {
    checkFunction('useCamera.show', show, 'a function that takes the element and returns one that draws a view');
    const kept = useRef<Mounted<E> | null>(null);
    const mounted = (kept.current ??= new Mounted<E>(settings, options));
    mounted.show = show;
    const text = JSON.stringify(settings);
    useEffect(() => {
      mounted.change(settings, text);
    }, [text]);
    return mounted;
  };
}

class Mounted<E extends HTMLElement> implements CameraOf<E> {
  readonly camera: Camera;
  show: Show<E> | null = null;
  readonly #options: CameraHookOptions;
  /** The settings of the last render, as written and in full. */
  #text: string;
  #settings: Settings;
  #frame = 0;
  #draw: ((view: View) => void) | null = null;
  #detach: (() => void) | null = null;

  constructor(settings: Settings | readonly Settings[], options: CameraHookOptions) {
    this.#options = options;
    this.#text = JSON.stringify(settings);
    this.camera = new Camera(settings, { ...options, wake: this.redraw });
    this.#settings = this.camera.settings;
  }

  /** Applies the sections that differ from those of the render before. */
  change(settings: Settings | readonly Settings[], text: string): void {
    if (text === this.#text) return;
    const { shapes = [] } = this.#options;
    const next: Settings = completeLayers('useCamera', settings, shapes).settings;
    const before = this.#settings;
    const differing = (Object.keys({ ...before, ...next }) as (keyof Settings)[]).filter(
      (section) => JSON.stringify(before[section]) !== JSON.stringify(next[section]),
    );
    this.#text = text;
    this.#settings = next;
    this.camera.change(Object.fromEntries(differing.map((section) => [section, next[section]])));
  }

  readonly ref = (element: E | null): void => {
    this.#leave();
    if (element === null || this.show === null) return;
    checkMade('useCamera.ref', element, 'addEventListener', 'an element');
    this.#draw = this.show(element, this.camera);
    this.#detach = listen(element, this.camera, this.#options).detach;
    this.redraw();
  };

  readonly redraw = (): void => {
    if (this.#draw !== null) this.#frame ||= requestAnimationFrame(this.#next);
  };

  readonly #next = (time: number): void => {
    this.#frame = 0;
    this.#draw?.(this.camera.advance(time));
    if (!this.camera.settled) this.redraw();
  };

  #leave(): void {
    cancelAnimationFrame(this.#frame);
    this.#frame = 0;
    this.#detach?.();
    this.#detach = this.#draw = null;
  }
}
