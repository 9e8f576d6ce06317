/** What devices need of a camera: `listen` takes whatever has this, a camera or what stands for one that is elsewhere. */
import type { FullSettings } from './settings/index.ts';
import type { Signal } from './signals/index.ts';
import type { Spot } from './view/index.ts';

export interface Steered {
  /** The settings in force: which presses drag and from where on, how wide edges are, what is locked. */
  readonly settings: Readonly<FullSettings>;
  /** Nothing moves and nothing waits: no frames are expected. */
  readonly settled: boolean;
  /** Picks the ground under a tap. */
  readonly view: { toGround(x: number, y: number): Spot | null };
  /** Hears a signal; says whether there is a use for it: if not, it is the page's. Times are those of the page's events. */
  signal(signal: Signal): boolean;
  /** Whether an input is bound: its menu and the page's own scrolling are suppressed then. */
  binds(input: string): boolean;
  /** Calls this at every frame, with its time; returns a function that ends it. */
  poll(poll: (time: number) => void): () => void;
  /** Whoever is told of what callbacks throw; returns a function that ends it. */
  reportTo(report: (error: unknown) => void): () => void;
}
