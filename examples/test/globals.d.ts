import type { Camera, Terrain } from 'zesty-kite';
import type * as everything from './everything.ts';
import type * as newThree from './newRenderer.ts';
import type * as three from './renderer.ts';

declare global {
  /** What the examples offer to the console. */
  const lemonStrait: {
    readonly camera: Camera;
    readonly ground: { readonly terrain: Terrain };
    readonly barges: readonly { readonly name: string; readonly x: number; readonly y: number }[];
    readonly chosen: ReadonlySet<{ readonly name: string }>;
  };
  /** The cameras of any page. */
  const cameras: readonly Camera[];
  /** What `libraryScript` defines. */
  const zesty: typeof everything;
  /** What the script at `RENDERER_SCRIPT` defines. */
  const renderer: typeof three;
  /** What the script at `NEW_RENDERER_SCRIPT` defines. */
  const newRenderer: typeof newThree;
  /** What the tests' own page keeps. */
  interface Window {
    camera: Camera;
    other: Camera;
    map: HTMLElement;
    ears: everything.Listening;
    pads: unknown[];
    spy: (camera: Camera) => Camera;
    detach: () => void;
    heard: string[];
  }
}
