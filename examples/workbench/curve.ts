/** A value over the zoom, drawn and dragged: a double click adds a point, or takes one away. */
import { inSpans, type SpanSettings } from 'zesty-kite';
import type { Tuning } from './tuning.ts';

interface Curve {
  readonly path: string;
  readonly low: number;
  readonly high: number;
  readonly of: (settings: Readonly<SpanSettings>) => unknown;
}

const PITCH: Curve = { path: 'pitch.degrees', low: 10, high: 90, of: ({ pitch }) => pitch.degrees };

export const CURVES: Readonly<Record<string, Curve>> = {
  'pitch, degrees': PITCH,
  'field of view, degrees': { path: 'lens.fieldOfView', low: 5, high: 90, of: ({ lens }) => lens.fieldOfView },
  'pan speed, screens a second': { path: 'pan.speed', low: 0, high: 3, of: ({ pan }) => pan.speed },
};

const [WIDE, HIGH, EDGE] = [260, 120, 12] as const;
type Points = [number, number][];

export function createCurve(
  svg: SVGSVGElement,
  tuning: Tuning,
  which: () => string,
  refuse: (error: unknown) => void,
): (span: number) => void {
  let dragged: number | null = null;
  const curve = (): Curve => CURVES[which()] ?? PITCH;
  const range = (): [number, number] => {
    const { minSpan, maxSpan } = inSpans(tuning.full, innerHeight).zoom;
    return [Math.log2(minSpan ?? 12), Math.log2(maxSpan ?? 1024)];
  };
  const pointsOf = (): Points => {
    const value = curve().of(inSpans(tuning.full, innerHeight));
    const [near, far] = range().map((log) => 2 ** log) as [number, number];
    if (Array.isArray(value)) return value as Points;
    const flat = typeof value === 'number' ? value : NaN;
    return Number.isNaN(flat)
      ? []
      : [
          [near, flat],
          [far, flat],
        ];
  };
  const toX = (span: number): number => {
    const [near, far] = range();
    return EDGE + ((Math.log2(span) - near) / (far - near)) * (WIDE - 2 * EDGE);
  };
  const toY = (value: number): number => {
    const { low, high } = curve();
    return HIGH - EDGE - ((value - low) / (high - low)) * (HIGH - 2 * EDGE);
  };
  const at = (event: MouseEvent): [number, number] => {
    const box = svg.getBoundingClientRect();
    const [near, far] = range();
    const { low, high } = curve();
    const right = ((event.clientX - box.left) / box.width) * WIDE;
    const down = ((event.clientY - box.top) / box.height) * HIGH;
    const share = Math.min(1, Math.max(0, (right - EDGE) / (WIDE - 2 * EDGE)));
    const up = Math.min(1, Math.max(0, (HIGH - EDGE - down) / (HIGH - 2 * EDGE)));
    return [Number((2 ** (near + share * (far - near))).toFixed(2)), Number((low + up * (high - low)).toFixed(2))];
  };
  const put = (points: Points): void => {
    const sorted = points.toSorted(([a], [b]) => a - b);
    if (sorted.some(([span], i) => span === sorted[i - 1]?.[0])) return;
    try {
      tuning.set(curve().path, sorted.length > 1 ? sorted : (sorted[0]?.[1] ?? null));
    } catch (error) {
      refuse(error);
    }
  };
  const nearest = (event: MouseEvent): number | null => {
    const box = svg.getBoundingClientRect();
    const [x, y] = [((event.clientX - box.left) / box.width) * WIDE, ((event.clientY - box.top) / box.height) * HIGH];
    const off = pointsOf().map(([span, value]) => Math.hypot(toX(span) - x, toY(value) - y));
    const least = Math.min(...off);
    return least < 14 ? off.indexOf(least) : null;
  };
  svg.addEventListener('pointerdown', (event) => {
    dragged = nearest(event);
    if (dragged !== null) svg.setPointerCapture(event.pointerId);
  });
  svg.addEventListener('pointermove', (event) => {
    if (dragged === null) return;
    const points = pointsOf();
    points[dragged] = at(event);
    put(points);
  });
  svg.addEventListener('pointerup', () => {
    dragged = null;
  });
  svg.addEventListener('dblclick', (event) => {
    const index = nearest(event);
    const points = pointsOf();
    put(index === null ? [...points, at(event)] : points.toSpliced(index, 1));
  });
  return (span) => {
    const points = pointsOf();
    const { low, high } = curve();
    const [near, far] = range().map((log) => Math.round(2 ** log));
    const line = points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${toX(x).toFixed(1)} ${toY(y).toFixed(1)}`).join('');
    const now = toX(span).toFixed(1);
    svg.innerHTML = `<path d="${line}" /><path class="now" d="M${now} 0V${String(HIGH)}" />
      ${points.map(([x, y]) => `<circle cx="${toX(x).toFixed(1)}" cy="${toY(y).toFixed(1)}" r="5" />`).join('')}
      <text x="2" y="10">${String(high)}</text><text x="2" y="${String(HIGH - 2)}">${String(low)}</text>
      <text x="${String(EDGE + 14)}" y="${String(HIGH - 2)}">span ${String(near)}</text>
      <text x="${String(WIDE - 4)}" y="${String(HIGH - 2)}" text-anchor="end">${String(far)}</text>
      ${points.length === 0 ? '<text x="130" y="60" text-anchor="middle">none: an orthographic lens</text>' : ''}`;
  };
}
