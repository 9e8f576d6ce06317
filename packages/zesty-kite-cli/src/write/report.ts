/** The result of a replay, for people. */
import type { ReplaySummary } from 'zesty-kite/session';
import { columns } from './columns.ts';
import { small } from '../play/watch.ts';

/** The table, aligned, with a line break at its end. */
export function table(summary: ReplaySummary, rate: number): string {
  const rest = summary.timeToRest;
  return columns([
    ['duration', `${summary.duration.toFixed(2)} s`],
    ['signals', String(summary.signals)],
    ['frames', `${String(summary.frames)} at ${String(rate)} Hz`],
    ['distance panned', `${summary.panned.toFixed(1)} units`],
    ['span', `from ${summary.minSpan.toFixed(2)} to ${summary.maxSpan.toFixed(2)} units`],
    ['worst grip error', `${small(summary.worstGripError)} px`],
    ['worst bounds excess', `${small(summary.worstBoundsExcess)} of the span`],
    ['time to rest', rest === null ? 'still held at the end' : `${rest.toFixed(2)} s`],
    ['digest', summary.digest],
  ]);
}

/** The result of one of many sessions. */
export interface Row {
  readonly session: string;
  readonly summary: ReplaySummary | null;
  readonly broken: readonly string[];
  readonly unfinishedLine: number | null;
  /** Why it could not be played. */
  readonly error: string | null;
}

/** One line for each session. */
export function rowTable(rows: readonly Row[]): string {
  return columns(
    [
      ['session', 'seconds', 'signals', 'rest', 'digest', ''],
      ...rows.map(({ session, summary, broken }) =>
        summary === null
          ? [session, '', '', '', '', 'not played']
          : [
              session,
              summary.duration.toFixed(2),
              String(summary.signals),
              summary.timeToRest === null ? 'held' : summary.timeToRest.toFixed(2),
              summary.digest,
              broken.length === 0 ? 'kept' : (broken[0] ?? ''),
            ],
      ),
    ],
    [1, 2, 3],
  );
}
