/** Span, speed, pitch and grip error over time, as lines. */
import type { CameraLike, Grip } from 'zesty-kite';
import { svg, type TemplateResult } from 'lit-html';
import { short } from '../tuning/slider.ts';

/** The measured quantities of a frame, in the order of the rows. */
export type Values = readonly [span: number, speed: number, pitch: number, grip: number];

export interface Sample {
  /** Seconds. */
  readonly time: number;
  readonly values: Values;
}

/** Each row: its name with the unit, and the least range that is drawn. */
const ROWS = [
  ['span, log', 0.1],
  ['speed, px per s', 10],
  ['pitch, °', 1],
  ['grip error, px', 1e-3],
] as const;

const [WIDE, HIGH] = [300, 44] as const;

/** Measures one frame after another. */
export class Probe {
  #last: { readonly x: number; readonly y: number; readonly time: number } | null = null;

  /** @param time milliseconds */
  sample(camera: CameraLike, time: number): Sample {
    const { view } = camera;
    const last = this.#last;
    this.#last = { x: view.x, y: view.y, time };
    const seconds = last === null ? 0 : (time - last.time) / 1000;
    const way = last === null ? 0 : Math.hypot(view.x - last.x, view.y - last.y) * view.scale;
    const off = gripsOf(camera).filter(({ limited }) => !limited);
    const grip = Math.max(0, ...off.map(({ error }) => error));
    const speed = seconds > 0 ? way / seconds : 0;
    return { time: time / 1000, values: [Math.log2(view.span), speed, view.pitch, grip] };
  }
}

/** A camera in a worker does not have its grips here. */
function gripsOf(camera: CameraLike): readonly Grip[] {
  return 'grips' in camera ? (camera.grips as readonly Grip[]) : [];
}

/**
 * Draws one line a version in each row.
 *
 * @param lines of each version
 * @param now the time to mark, seconds; null for none
 */
export function chart(
  lines: readonly (readonly Sample[])[],
  [from, to]: readonly [number, number],
  now: number | null,
): TemplateResult {
  const x = (time: number): number => ((time - from) / Math.max(1e-9, to - from)) * WIDE;
  const rows = ROWS.map(([name, least], row) => {
    const values = lines.flatMap((line) => line.map((sample) => sample.values[row] ?? 0));
    const low = Math.min(...(values.length === 0 ? [0] : values));
    const high = Math.max(low + least, ...values);
    const top = row * HIGH;
    const y = (value: number): number => top + HIGH - 4 - ((value - low) / (high - low)) * (HIGH - 18);
    const paths = lines.map((line, version) => {
      const points = line.map(({ time, values: of }) => `${x(time).toFixed(1)} ${y(of[row] ?? 0).toFixed(1)}`);
      return svg`<path class=${`version-${String(version + 1)}`} d=${points.length < 2 ? '' : `M${points.join('L')}`} />`;
    });
    const bottom = row === 0 ? 2 ** low : low;
    const most = row === 0 ? 2 ** high : high;
    return svg`${paths}<text x="3" y=${top + 10}>${name}</text>
      <text x=${WIDE - 3} y=${top + 10} text-anchor="end">${short(bottom)} … ${short(most)}</text>`;
  });
  const mark = now === null ? '' : `M${x(now).toFixed(1)} 0V${String(ROWS.length * HIGH)}`;
  return svg`${rows}<path class="now" d=${mark} />`;
}

export const CHART_SIZE = `0 0 ${String(WIDE)} ${String(ROWS.length * HIGH)}`;
