/** The parts that rows of a panel need. */
import type { CameraLike, FullSettings, SpanSettings } from 'zesty-kite';
import type { Setting } from '../tuning/listed.ts';
import type { Tuning } from '../tuning/tuning.ts';

export interface Desk {
  readonly camera: CameraLike;
  readonly tuning: Tuning;
  /** The settings in force, and the same with every span in world units. */
  readonly full: FullSettings;
  readonly spans: SpanSettings;
  /** The binding that waits for a press; null if none does. */
  readonly listening: string | null;
  /** Sets a value; the error of a rejected value shows beside its row. */
  set(path: string, value: unknown, isDone?: boolean): void;
  reset(path: string): void;
  /** Waits for a key or a button for a binding; Escape ends that. */
  listenFor(path: string): void;
  /** Begins to draw an outline of the map by clicks. */
  drawOutline(): void;
  /** The label of an input on this keyboard. */
  inputName(input: string): string;
  /** Why a setting was refused, and what is warned of. */
  messagesOf(path: string): readonly string[];
}

/** The name of a setting for a label, with its section. */
export function labelOf({ section, name }: Setting): string {
  return section === name ? section : `${section} ${name}`;
}
