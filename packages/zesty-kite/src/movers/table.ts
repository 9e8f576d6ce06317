/** The whole table of what ends what, column by column: those of the movers, then those of zoom, turn, tilt and hands. */
import { CAUSES, COLUMNS, ROWS, type Cause, type Effect } from '../motion/index.ts';
import { MOVERS } from './movers.ts';

interface Column {
  readonly name: string;
  /** Its name in the reference. */
  readonly label: string;
  readonly interruptions: Readonly<Record<Cause, Effect>>;
}

const causes = Object.keys(CAUSES) as Cause[];
const names = Object.keys(COLUMNS) as (keyof typeof COLUMNS)[];

export const TABLE: readonly Column[] = [
  ...MOVERS,
  ...names.map((name) => ({
    name,
    label: COLUMNS[name],
    interruptions: Object.fromEntries(causes.map((cause) => [cause, ROWS[cause][name]])) as Record<Cause, Effect>,
  })),
];
