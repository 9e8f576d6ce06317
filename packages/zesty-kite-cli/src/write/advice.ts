/** Advice for tuning, from the facts of a session. */
import type { SpanSettings } from 'zesty-kite';
import type { Feel } from '../play/feel.ts';
import { counted, percent, short } from './columns.ts';

/** A setting to look at, and why. */
export interface Advice {
  readonly path: string;
  readonly message: string;
}

/** From so many gestures on they say something. */
const ENOUGH = 5;

export function adviceOf(
  { wheel, atLimit, atNearest, atFarthest, secondsToRest, zooms, edges }: Feel,
  settings: Readonly<SpanSettings>,
): Advice[] {
  const said: Advice[] = [];
  const say = (path: string, message: string): void => {
    said.push({ path, message });
  };
  const { median } = wheel.notchesPerGesture;
  const { notch, stops } = settings.zoom;
  if (wheel.gestures >= ENOUGH && median >= 5 && stops === null)
    say(
      'zoom.notch',
      `a gesture takes ${counted(Number(short(median)), 'notch', 'notches')}; ${short(notch ** (median / 3))} in place of ${short(notch)} would take three`,
    );
  if (wheel.gestures >= ENOUGH && wheel.overshoots / wheel.gestures > 0.2)
    say(
      stops === null ? 'zoom.notch' : 'zoom.stops',
      `${String(wheel.overshoots)} of ${String(wheel.gestures)} zooms were taken back within a second; a smaller step, or a shorter zoom.halfLife than ${short(settings.zoom.halfLife)} s, would go less far`,
    );
  if (atNearest > 0.25)
    say('zoom.minSpan', `${percent(atNearest)} of the time it was at the nearest zoom; players want to come nearer`);
  if (atFarthest > 0.25)
    say('zoom.maxSpan', `${percent(atFarthest)} of the time it was at the farthest zoom; players want to see more`);
  if (atLimit.bounds > 0.3)
    say(
      'bounds.margin',
      `${percent(atLimit.bounds)} of the moving time the bounds held it back; a margin of ${short(settings.bounds?.margin ?? 0)} may be too little`,
    );
  if (atLimit.tilt > 0.3) say('pitch.min', `${percent(atLimit.tilt)} of the moving time the pitch was at an end`);
  if (secondsToRest.count >= ENOUGH && secondsToRest.median > 2)
    say(
      'pan.stopHalfLife',
      `it takes ${short(secondsToRest.median)} s to come to rest; shorter half-lives of pan, zoom and glide would end sooner`,
    );
  if (edges.visits >= ENOUGH && edges.reversedAtOnce / edges.visits > 0.25)
    say(
      'edge.dwell',
      `${String(edges.reversedAtOnce)} of ${counted(edges.visits, 'pan')} at the edge ${edges.visits === 1 ? 'was' : 'were'} taken back within a second; more than ${short(settings.edge?.dwell ?? 0)} s, or narrower bands, would begin fewer by mistake`,
    );
  const most = zooms.reduce((best, one) => (one.share > best.share ? one : best), { fromSpan: 0, toSpan: 0, share: 0 });
  const { span = NaN } = settings.start;
  if (most.share > 0.6 && !(span >= most.fromSpan && span <= most.toSpan))
    say(
      'start.span',
      `${percent(most.share)} of the time the span was from ${short(most.fromSpan)} to ${short(most.toSpan)}; it begins at ${short(span)}`,
    );
  return said;
}
