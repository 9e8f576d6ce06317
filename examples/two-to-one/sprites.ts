/** Upright things: each has a place, and is drawn from there upward. */
import { canvasContext, type Context } from '../lemon-strait/page.ts';
import type { View } from 'zesty-kite';
import type { Scene } from '../lemon-strait/play.ts';
import type { Afloat, Place } from '../lemon-strait/world.ts';

export interface Sprite {
  /** Its place, world units. */
  readonly x: number;
  readonly y: number;
  draw(context: Context, view: View, isCovered: IsCovered): void;
}

type IsCovered = Scene['isCovered'];

const TEXT_FROM = 2.4;

/** The foot of a sprite on the screen, and how many pixels a unit of height is. */
function foot(view: View, x: number, y: number, rise: number): { x: number; y: number; unit: number } {
  const at = view.toScreen(x, y, rise);
  return { x: at.x, y: at.y, unit: view.scale * view.projection.cosPitch };
}

/** @param name of a grove that has one */
export function tree(x: number, y: number, rise: number, size: number, name?: string): Sprite {
  return {
    x,
    y,
    draw: (context, view, isCovered) => {
      const at = foot(view, x, y, rise);
      const unit = at.unit * size;
      const { width, height } = TREE;
      const stamp = stampOf(unit * view.density);
      context.drawImage(stamp, at.x - TREE.x * unit, at.y - TREE.y * unit, width * unit, height * unit);
      if (name !== undefined) label(context, view, isCovered, name, at.x, at.y - 9 * unit);
    },
  };
}

/** The size of a tree's picture, and its foot there, in units of height. */
const TREE = { width: 6.4, height: 9.6, x: 3.2, y: 8.2 };
/** Pictures of trees by size: there are hundreds of trees, of few sizes. */
const stamps = new Map<number, OffscreenCanvas>();
const MOST_STAMPS = 100;

/** The picture of a tree. @param unit of height, in pixels of the screen */
function stampOf(unit: number): OffscreenCanvas {
  const known = stamps.get(unit);
  if (known !== undefined) return known;
  if (stamps.size >= MOST_STAMPS) stamps.clear();
  const stamp = new OffscreenCanvas(Math.ceil(TREE.width * unit), Math.ceil(TREE.height * unit));
  const context = canvasContext(stamp, true);
  context.scale(stamp.width / TREE.width, stamp.height / TREE.height);
  context.translate(TREE.x, TREE.y);
  context.fillStyle = '#00000030';
  ellipse(context, 0, 0, 2.4, 1.2);
  context.fillStyle = '#6b4a2b';
  context.fillRect(-0.4, -3, 0.8, 3);
  context.fillStyle = '#2f6b3a';
  ellipse(context, 0, -5, 3, 3);
  context.fillStyle = '#4d8f47';
  ellipse(context, -0.7, -5.8, 2, 1.8);
  context.fillStyle = '#f6d743';
  if (unit > 2) for (const [right, up] of LEMONS) ellipse(context, right, -up, 0.5, 0.5);
  stamps.set(unit, stamp);
  return stamp;
}

const LEMONS = [
  [-1.6, 4.4],
  [0.4, 3.6],
  [1.5, 5.4],
  [-0.3, 6.2],
] as const;

export function pressHouse({ x, y, name }: Place, rise: number): Sprite {
  return {
    x,
    y,
    draw: (context, view, isCovered) => {
      const at = foot(view, x, y, rise);
      const { unit } = at;
      context.fillStyle = '#00000030';
      ellipse(context, at.x, at.y, 6 * unit, 2.4 * unit);
      context.fillStyle = '#fbf3e3';
      context.fillRect(at.x - 4.5 * unit, at.y - 6 * unit, 9 * unit, 6 * unit);
      context.fillStyle = '#d9cdb4';
      context.fillRect(at.x + unit, at.y - 6 * unit, 3.5 * unit, 6 * unit);
      context.fillStyle = '#f26b3a';
      polygon(context, at, unit, [-5.6, 5.8, 0, 10, 5.6, 5.8]);
      context.fillStyle = '#0b2f38';
      context.fillRect(at.x - 2.6 * unit, at.y - 3.6 * unit, 2.2 * unit, 3.6 * unit);
      label(context, view, isCovered, name, at.x, at.y - 11.5 * unit);
    },
  };
}

export function lighthouse({ x, y, name }: Place, rise: number): Sprite {
  return {
    x,
    y,
    draw: (context, view, isCovered) => {
      const at = foot(view, x, y, rise);
      const { unit } = at;
      context.fillStyle = '#00000030';
      ellipse(context, at.x, at.y, 3.6 * unit, 1.6 * unit);
      context.fillStyle = '#fbf3e3';
      polygon(context, at, unit, [-2.6, 0, -1.7, 17, 1.7, 17, 2.6, 0]);
      context.fillStyle = '#f26b3a';
      polygon(context, at, unit, [-2.35, 4.6, -2.1, 8.4, 2.1, 8.4, 2.35, 4.6]);
      polygon(context, at, unit, [-1.9, 12, -1.75, 15, 1.75, 15, 1.9, 12]);
      context.fillStyle = '#f6d743';
      context.fillRect(at.x - 1.3 * unit, at.y - 19.4 * unit, 2.6 * unit, 2.4 * unit);
      context.fillStyle = '#0b2f38';
      polygon(context, at, unit, [-2, 19.4, 0, 21.4, 2, 19.4]);
      label(context, view, isCovered, name, at.x, at.y - 23 * unit);
    },
  };
}

export function pier({ x, y, name }: Place, rise: number): Sprite {
  return {
    x,
    y,
    draw: (context, view, isCovered) => {
      const at = foot(view, x, y, rise);
      const { unit } = at;
      context.fillStyle = '#8a6a43';
      polygon(context, at, unit, [-5, -1.2, -1, 1.6, 5, -0.6, 1, -3.4]);
      context.fillStyle = '#5d4529';
      for (const side of [-4, 0, 3.6]) context.fillRect(at.x + side * unit, at.y - 1.6 * unit, 0.8 * unit, 3 * unit);
      label(context, view, isCovered, name, at.x, at.y - 4 * unit);
    },
  };
}

/** A hull flat on the water, its crates upright. */
export function barge(afloat: Afloat): Sprite {
  return {
    x: afloat.x,
    y: afloat.y,
    draw: (context, view) => {
      const { x, y, alongX, alongY, crates } = afloat;
      const at = (along: number, across: number, height: number): { x: number; y: number } =>
        view.toScreen(x + along * alongX - across * alongY, y + along * alongY + across * alongX, height);
      for (const side of [1, -1])
        path(context, '#fbf3e340', [at(5, 0, 0), at(-17, side * 5.2, 0), at(-17, side * 3.9, 0)]);
      path(
        context,
        '#d9cdb4',
        HULL.map(([along, across]) => at(along, across, 0)),
      );
      path(
        context,
        '#fbf3e3',
        HULL.map(([along, across]) => at(along, across, 1)),
      );
      const many = Math.ceil(crates / 14);
      for (let i = 0; i < many; i++) {
        const { x: left, y: bottom } = at(-3.6 + i * 2.2, 0, 1);
        const size = 1.8 * view.scale;
        context.fillStyle = '#f26b3a';
        context.fillRect(left - size / 2, bottom - size, size, size);
        context.fillStyle = '#c94f24';
        context.fillRect(left - size / 2, bottom - size / 4, size, size / 4);
      }
    },
  };
}

const HULL = [
  [6, 0],
  [3.4, 2],
  [-4.6, 2],
  [-4.6, -2],
  [3.4, -2],
] as const;

function ellipse(context: Context, x: number, y: number, wide: number, high: number): void {
  context.beginPath();
  context.ellipse(x, y, wide, high, 0, 0, 7);
  context.fill();
}

/** Points as right and up from the foot, in units of height. */
function polygon(context: Context, at: { x: number; y: number }, unit: number, points: readonly number[]): void {
  context.beginPath();
  for (let i = 0; i < points.length; i += 2)
    context.lineTo(at.x + (points[i] ?? 0) * unit, at.y - (points[i + 1] ?? 0) * unit);
  context.fill();
}

function path(context: Context, colour: string, points: readonly { x: number; y: number }[]): void {
  context.fillStyle = colour;
  context.beginPath();
  for (const { x, y } of points) context.lineTo(x, y);
  context.fill();
}

function label(context: Context, view: View, isCovered: IsCovered, text: string, x: number, y: number): void {
  if (view.scale < TEXT_FROM) return;
  context.font = '13px ui-sans-serif, system-ui, "DejaVu Sans", sans-serif';
  const half = context.measureText(text).width / 2 + 3;
  if (isCovered?.({ left: x - half, top: y - 14, right: x + half, bottom: y + 6 })) return;
  context.textAlign = 'center';
  context.lineWidth = 3;
  context.strokeStyle = '#0b2f38cc';
  context.strokeText(text, x, y);
  context.fillStyle = '#fbf3e3';
  context.fillText(text, x, y);
  context.textAlign = 'start';
}
