/** The parts of the panel that its tabs need. */
import type { Compare } from '../compare/compare.ts';
import type { Flight } from '../cutscene/flight.ts';
import type { Keeper } from '../keep/keeper.ts';
import type { Desk } from '../rows/desk.ts';
import type { Ground } from './ground.ts';
import type { Messages } from './messages.ts';

export interface PanelDesk extends Desk {
  readonly ground: Ground;
  readonly messages: Messages;
  readonly keeper: Keeper;
  /** The words that are searched for. */
  search: string;
  /** The sections that are open. */
  readonly opened: ReadonlySet<string>;
  openSection(section: string, isOpen: boolean): void;
  readonly compare: Compare;
  readonly flight: Flight;
  readonly drawsBeside: boolean;
  readonly isFree: boolean;
  /** The limits of the camera are lifted, or in force again. */
  free(isOn: boolean): void;
  /** Runs a function, and shows its error at a path. */
  attempt(path: string, act: () => void): void;
  /** Ends the outline: keeps it, or not. */
  endOutline(isKept: boolean): void;
  redraw(): void;
}
