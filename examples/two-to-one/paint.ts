/** Draws tiles as diamonds, and what stands on them from back to front. */
import { visibleTiles, type TileRows, type View } from 'zesty-kite';
import { createDrawing } from 'zesty-kite/canvas';
import { canvasContext, type Context } from '../lemon-strait/page.ts';
import type { Scene } from '../lemon-strait/play.ts';
import { barge, lighthouse, pier, pressHouse, tree, type Sprite } from './sprites.ts';
import type { TileKind, Tiles } from './tiles.ts';

const OUTSIDE = '#0a353f';
/** How high a tile stands out of the water, world units, and its colours: top, lit side, shaded side. */
const LOOKS: Record<TileKind, { rise: number; top: readonly [string, string]; lit: string; shade: string }> = {
  deep: { rise: 0, top: ['#0e4a57', '#0f4d5b'], lit: '', shade: '' },
  shallow: { rise: 0, top: ['#1b6d79', '#1d727e'], lit: '', shade: '' },
  beach: { rise: 0.8, top: ['#ecd9a6', '#e8d39b'], lit: '#c9b27a', shade: '#a8925f' },
  grove: { rise: 2, top: ['#a4c361', '#9bbc5a'], lit: '#7c9a43', shade: '#637c36' },
  terrace: { rise: 3.4, top: ['#77a54a', '#6f9d46'], lit: '#567c35', shade: '#45652b' },
  ridge: { rise: 5, top: ['#c4b067', '#bca85f'], lit: '#948347', shade: '#766838' },
};
/** From this scale upward trees are drawn, in pixels per unit. */
const TREES_FROM = 1.2;

export function createPainter(scene: Scene, tiles: Tiles): (view: View) => void {
  const context = canvasContext(scene.canvas);
  const drawing = createDrawing(context);
  const sprites: Sprite[] = [];
  let rows: TileRows | undefined;

  return (view) => {
    drawing.begin(view);
    drawing.inPixels();
    context.fillStyle = OUTSIDE;
    context.fillRect(0, 0, view.width, view.height);

    rows = visibleTiles(view, tiles.size, tiles, rows);
    sprites.length = 0;
    const land: Cell[] = [];
    const side = tiles.size + drawing.pixel;
    drawing.inWorld();
    for (const { column, row } of rows) {
      const { rise, top } = LOOKS[tiles.kindAt(column, row)];
      if (rise > 0) land.push([column, row]);
      else {
        context.fillStyle = top[(column + row) % 2] ?? top[0];
        context.fillRect(column * tiles.size, row * tiles.size, side, side);
      }
    }
    land.sort((a, b) => keyOf(view, tiles, a) - keyOf(view, tiles, b));
    drawing.inPixels();
    for (const [column, row] of land) {
      drawTile(context, view, tiles, column, row);
      if (view.scale >= TREES_FROM) addTrees(sprites, tiles, column, row);
    }
    for (const place of scene.places) {
      const rise = riseAt(tiles, place.x, place.y);
      if (place.kind === 'lighthouse') sprites.push(lighthouse(place, rise));
      else if (place.kind === 'press house') sprites.push(pressHouse(place, rise));
      else if (place.kind === 'pier') sprites.push(pier(place, rise));
      else sprites.push(tree(place.x, place.y, rise, 1.7, place.name));
    }
    for (const afloat of scene.afloat) sprites.push(barge(afloat));
    // Nearer things are drawn later.
    sprites.sort((a, b) => view.depthKey(a.x, a.y) - view.depthKey(b.x, b.y));
    for (const sprite of sprites) sprite.draw(context, view, scene.isCovered);
  };
}

type Cell = readonly [number, number];

interface Spot {
  readonly x: number;
  readonly y: number;
}

function keyOf(view: View, { size }: Tiles, [column, row]: Cell): number {
  return view.depthKey((column + 0.5) * size, (row + 0.5) * size);
}

function riseAt(tiles: Tiles, x: number, y: number): number {
  return LOOKS[tiles.kindAt(Math.floor(x / tiles.size), Math.floor(y / tiles.size))].rise;
}

/** The neighbours of a tile, by the corner at which the side toward them begins. */
const NEIGHBOURS = [
  [0, -1],
  [1, 0],
  [0, 1],
  [-1, 0],
] as const;

/** A top, and what shows of the two sides that face the viewer: none that is as high as its neighbour. */
function drawTile(context: Context, view: View, tiles: Tiles, column: number, row: number): void {
  const { size } = tiles;
  const { rise, top, lit, shade } = LOOKS[tiles.kindAt(column, row)];
  const corners = [
    [column, row],
    [column + 1, row],
    [column + 1, row + 1],
    [column, row + 1],
  ].map(([x = 0, y = 0]) => ({ x: x * size, y: y * size }));
  const upper = corners.map(({ x, y }) => view.toScreen(x, y, rise));
  fill(context, upper, top[(column + row) % 2] ?? top[0], view.density);
  corners.forEach((corner, i) => {
    const [right = 0, down = 0] = NEIGHBOURS[i] ?? [];
    if (LOOKS[tiles.kindAt(column + right, row + down)].rise >= rise) return;
    const next = corners[(i + 1) % 4] ?? corner;
    const from = upper[i];
    const to = upper[(i + 1) % 4];
    // Clockwise on the screen: a side faces the viewer if its top runs from right to left.
    if (from === undefined || to === undefined || to.x >= from.x) return;
    const foot = [view.toScreen(corner.x, corner.y, 0), view.toScreen(next.x, next.y, 0)];
    fill(context, [to, from, ...foot], to.y > from.y ? shade : lit, view.density);
  });
}

/** So many pixels lie outside of the points: no hairlines between neighbours. */
const GROWN = 0.75;

/** Fills a convex polygon that runs clockwise on the screen. */
function fill(context: Context, points: readonly Spot[], colour: string, density: number): void {
  context.fillStyle = colour;
  context.beginPath();
  points.forEach((point, i) => {
    const into = outward(points.at(i - 1) ?? point, point);
    const out = outward(point, points[(i + 1) % points.length] ?? point);
    const grown = GROWN / density / (1 + into.x * out.x + into.y * out.y);
    context.lineTo(point.x + (into.x + out.x) * grown, point.y + (into.y + out.y) * grown);
  });
  context.fill();
}

/** The direction out of a polygon, square to one of its sides. */
function outward(from: Spot, to: Spot): Spot {
  const long = Math.hypot(to.x - from.x, to.y - from.y);
  return { x: (to.y - from.y) / long, y: (from.x - to.x) / long };
}

/** Some trees on a tile, always the same ones. */
function addTrees(sprites: Sprite[], tiles: Tiles, column: number, row: number): void {
  const kind = tiles.kindAt(column, row);
  if (kind !== 'grove' && kind !== 'terrace') return;
  const { rise } = LOOKS[kind];
  const many = kind === 'grove' ? 2 : 1;
  for (let i = 0; i < many; i++) {
    const dice = (column * 73 + row * 151 + i * 397) % 997;
    const x = (column + 0.15 + (0.7 * (dice % 31)) / 31) * tiles.size;
    const y = (row + 0.15 + (0.7 * (dice % 29)) / 29) * tiles.size;
    sprites.push(tree(x, y, rise, 0.7 + (dice % 7) / 14));
  }
}
