/** The last seconds as lines: span, pitch, speed, grip error. */
import type { Camera } from 'zesty-kite';

const SECONDS = 8;
const ROWS = ['span', 'pitch °', 'speed px/s', 'grip px'] as const;
/** What is drawn as high as this at least. */
const LEAST = [0.1, 1, 10, 1e-3] as const;
const COLOURS = ['#f6d743', '#7bdff2', '#f26b3a', '#9bf6a3'] as const;

export interface Strips {
  readonly add: (camera: Camera, time: number) => void;
  readonly draw: () => void;
}

export function createStrips(canvas: HTMLCanvasElement): Strips {
  const context = canvas.getContext('2d');
  if (context === null) throw new Error('This page needs a 2D canvas.');
  const samples: { readonly time: number; readonly values: readonly number[] }[] = [];
  let last: { readonly x: number; readonly y: number; readonly time: number } | null = null;
  return {
    add: (camera, time) => {
      const { view, grips } = camera;
      const seconds = last === null ? 0 : (time - last.time) / 1000;
      const speed =
        last === null || seconds <= 0 ? 0 : (Math.hypot(view.x - last.x, view.y - last.y) / seconds) * view.scale;
      last = { x: view.x, y: view.y, time };
      const off = Math.max(0, ...grips.filter(({ limited }) => !limited).map(({ error }) => error));
      samples.push({ time, values: [Math.log2(view.span), view.pitch, speed, off] });
      while ((samples[0]?.time ?? time) < time - SECONDS * 1000) samples.shift();
    },
    draw: () => {
      const { width, height } = canvas;
      context.clearRect(0, 0, width, height);
      const end = samples.at(-1)?.time ?? 0;
      const high = height / ROWS.length;
      ROWS.forEach((name, row) => {
        const values = samples.map(({ values: all }) => all[row] ?? 0);
        const low = Math.min(...values);
        const most = Math.max(...values, low + (LEAST[row] ?? 1));
        context.strokeStyle = COLOURS[row] ?? '#fff';
        context.lineWidth = 2;
        context.beginPath();
        samples.forEach(({ time }, i) => {
          const x = width - ((end - time) / (SECONDS * 1000)) * width;
          const y = (row + 1) * high - 6 - (((values[i] ?? 0) - low) / (most - low)) * (high - 26);
          context.lineTo(x, y);
        });
        context.stroke();
        const now = values.at(-1) ?? 0;
        const shown = row === 0 ? 2 ** now : now;
        context.fillStyle = '#fbf3e3';
        context.font = '20px ui-sans-serif, system-ui, "DejaVu Sans", sans-serif';
        context.fillText(
          `${name}  ${row === 3 && now > 0 ? now.toExponential(1) : shown.toFixed(1)}`,
          8,
          row * high + 20,
        );
      });
    },
  };
}
