/** What overlays are drawn with. */
import type { Point } from '../view/index.ts';

export type Paper = CanvasRenderingContext2D;

export interface Style {
  readonly colour: string;
  readonly dashes?: readonly number[];
}

export const LOOKS = {
  band: { colour: 'rgb(255 209 102 / 0.22)' },
  frame: { colour: '#ffffff', dashes: [8, 6] },
  bounds: { colour: '#ff8fab' },
  focusRegion: { colour: '#7bdff2', dashes: [3, 4] },
  footprint: { colour: '#ffffff' },
  goal: { colour: '#ffd166' },
  focus: { colour: '#ffffff' },
  grip: { colour: '#9bf6a3' },
  limited: { colour: '#ff5d5d' },
  finger: { colour: '#c8b6ff' },
  cursor: { colour: '#ffffff' },
} as const satisfies Record<string, Style>;

/** A dark line below a light one, so that it shows on any picture. */
function stroke(paper: Paper, { colour, dashes = [] }: Style): void {
  paper.setLineDash([]);
  paper.lineWidth = 3.5;
  paper.strokeStyle = 'rgb(10 25 30 / 0.55)';
  paper.stroke();
  paper.setLineDash([...dashes]);
  paper.lineWidth = 1.5;
  paper.strokeStyle = colour;
  paper.stroke();
}

export function outline(paper: Paper, style: Style, points: readonly Point[], closed = true): void {
  paper.beginPath();
  for (const { x, y } of points) paper.lineTo(x, y);
  if (closed) paper.closePath();
  stroke(paper, style);
}

/** A ring around a point. */
export function mark(paper: Paper, style: Style, { x, y }: Point, radius: number): void {
  paper.beginPath();
  paper.arc(x, y, radius, 0, 2 * Math.PI);
  stroke(paper, style);
}

const LINE = 17;

/** Lines of text, with their bottom right corner at a point. */
export function write(paper: Paper, lines: readonly string[], { x, y }: Point): void {
  paper.font = '12px ui-monospace, monospace';
  const wide = Math.max(...lines.map((line) => paper.measureText(line).width));
  paper.fillStyle = 'rgb(10 25 30 / 0.75)';
  const left = x - wide - 20;
  const top = y - lines.length * LINE - 10;
  paper.fillRect(left, top, wide + 20, lines.length * LINE + 10);
  paper.fillStyle = '#ffffff';
  lines.forEach((line, i) => {
    paper.fillText(line, left + 10, top + LINE * (i + 1));
  });
}
