/** Observers of kept motion. They change nothing. */
import type { Intent } from '../hands/index.ts';
import type { Timeline } from '../motion/index.ts';

export interface Observer {
  /** The observer is added. */
  restart(timeline: Timeline): void;
  /** The intents of the player's hands; `by` is the kind of their signal, `time` is DOM milliseconds. */
  hands(intents: readonly Intent[], by: string, time: number): void;
  /** An intent of hands, or of settings that change them, takes effect. */
  obeyed(intent: Intent, time: number): void;
  /** Time has passed, or, if `by` is not null, a signal of that kind has taken effect. */
  update(timeline: Timeline, by: string | null, time: number): void;
  /** A frame shows all of it. */
  report(): void;
}
