/** Drawing tools of overlays. */
import type { Point } from '../view/index.ts';

export type Context2D = CanvasRenderingContext2D;

export interface Style {
  readonly colour: string;
  readonly dashes?: readonly number[];
}

export const LOOKS = {
  band: { colour: 'rgb(255 209 102 / 0.22)' },
  activeBand: { colour: 'rgb(255 209 102 / 0.6)' },
  frame: { colour: '#ffffff', dashes: [8, 6] },
  bounds: { colour: '#ff8fab' },
  focusRegion: { colour: '#7bdff2', dashes: [3, 4] },
  footprint: { colour: '#ffffff' },
  goal: { colour: '#ffd166' },
  focus: { colour: '#ffffff' },
  directed: { colour: '#ffb86b', dashes: [10, 4, 2, 4] },
  grip: { colour: '#9bf6a3' },
  limited: { colour: '#ff5d5d' },
  finger: { colour: '#c8b6ff' },
  cursor: { colour: '#ffffff' },
} as const satisfies Record<string, Style>;

/** A dark line below a light one, so that it shows on any picture. */
function stroke(context: Context2D, { colour, dashes = [] }: Style): void {
  context.setLineDash([]);
  context.lineWidth = 3.5;
  context.strokeStyle = 'rgb(10 25 30 / 0.55)';
  context.stroke();
  context.setLineDash([...dashes]);
  context.lineWidth = 1.5;
  context.strokeStyle = colour;
  context.stroke();
}

export function outline(context: Context2D, style: Style, points: readonly Point[], closed = true): void {
  context.beginPath();
  for (const { x, y } of points) context.lineTo(x, y);
  if (closed) context.closePath();
  stroke(context, style);
}

/** A ring around a point. */
export function mark(context: Context2D, style: Style, { x, y }: Point, radius: number): void {
  context.beginPath();
  context.arc(x, y, radius, 0, 2 * Math.PI);
  stroke(context, style);
}

const LINE = 17;

/** The size of lines of text, CSS pixels. */
export function sizeOf(context: Context2D, lines: readonly string[]): { width: number; height: number } {
  context.font = '12px ui-monospace, monospace';
  const wide = Math.max(...lines.map((line) => context.measureText(line).width));
  return { width: wide + 20, height: lines.length * LINE + 10 };
}

/** Lines of text, with their bottom right corner at a point. */
export function write(context: Context2D, lines: readonly string[], { x, y }: Point): void {
  const { width, height } = sizeOf(context, lines);
  context.fillStyle = 'rgb(10 25 30 / 0.75)';
  const left = x - width;
  const top = y - height;
  context.fillRect(left, top, width, height);
  context.fillStyle = '#ffffff';
  lines.forEach((line, i) => {
    context.fillText(line, left + 10, top + LINE * (i + 1));
  });
}
