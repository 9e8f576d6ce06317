/** What a replay came to, for people. */
import type { ReplaySummary } from 'zesty-kite/session';

/** The numbers of the guarantees, as in docs/guarantees.md. */
const GRIP_PIXELS = 1e-3;
const BOUNDS_SHARE = 1e-6;

/** A sentence for each promise that the session shows to be broken. */
export function brokenPromises(summary: ReplaySummary): string[] {
  const broken: string[] = [];
  if (!(summary.worstGripError <= GRIP_PIXELS))
    broken.push(
      `G2: a held point was ${small(summary.worstGripError)} px away; at most ${small(GRIP_PIXELS)} is promised`,
    );
  if (!(summary.worstBoundsExcess <= BOUNDS_SHARE))
    broken.push(
      `G4: the view was ${small(summary.worstBoundsExcess)} of the span outside; at most ${small(BOUNDS_SHARE)} is promised`,
    );
  if (summary.worstRangeExcess !== 0)
    broken.push(`G7: the zoom was ${small(summary.worstRangeExcess)} of the span outside its range; 0 is promised`);
  if (!summary.finite) broken.push('G11: a number was not finite');
  return broken;
}

/** The table, aligned, with a line break at its end. */
export function table(summary: ReplaySummary, rate: number): string {
  const rest = summary.timeToRest;
  const rows: [string, string][] = [
    ['duration', `${summary.duration.toFixed(2)} s`],
    ['signals', String(summary.signals)],
    ['frames', `${String(summary.frames)} at ${String(rate)} Hz`],
    ['distance panned', `${summary.panned.toFixed(1)} units`],
    ['span', `from ${summary.minSpan.toFixed(2)} to ${summary.maxSpan.toFixed(2)} units`],
    ['worst grip error', `${small(summary.worstGripError)} px`],
    ['worst bounds excess', `${small(summary.worstBoundsExcess)} of the span`],
    ['time to rest', rest === null ? 'still held at the end' : `${rest.toFixed(2)} s`],
    ['digest', summary.digest],
  ];
  const width = Math.max(...rows.map(([name]) => name.length));
  return rows.map(([name, value]) => `${name.padEnd(width)}  ${value}\n`).join('');
}

function small(value: number): string {
  return value === 0 ? '0' : value.toExponential(1);
}
