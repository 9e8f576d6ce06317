/** Draws what a view shows of Lemon Strait on a 2D canvas: only the tiles that show. */
import { visibleTiles, type TileRows, type View } from 'zesty-kite';
import { createDrawing, type DrawingOptions } from 'zesty-kite/canvas';
import type { Ground } from '../lemon-strait/ground.ts';
import { canvasContext, type Context } from '../lemon-strait/page.ts';
import type { Scene } from '../lemon-strait/play.ts';
import type { Afloat, Place } from '../lemon-strait/world.ts';
import { contours, type TileSize } from './contours.ts';

/** Tiles as they are near by, and from where they are drawn coarser, in pixels per unit. */
const NEAR = { tile: 64, cell: 2 };
const FAR = { tile: 256, cell: 4 };
const NEAR_FROM_SCALE = 2;
const WATER = '#0e4a57';
const OUTSIDE = '#0a353f';
/** From this height upward, this colour; in world units. */
const BANDS = [
  { level: -3.4, colour: '#125765' },
  { level: -1.9, colour: '#1b6d79' },
  { level: 0, colour: '#ecd9a6' },
  { level: 2.4, colour: '#a9c765' },
  { level: 10.9, colour: '#8fb656' },
  { level: 16.9, colour: '#77a54a' },
  { level: 22.9, colour: '#619341' },
  { level: 28.9, colour: '#4e813b' },
  { level: 34.9, colour: '#3f7037' },
  { level: 40.9, colour: '#b3a05c' },
  { level: 46.9, colour: '#cdb86d' },
] as const;
const LEVELS = BANDS.map(({ level }) => level);

const SHARP: DrawingOptions = {};

const MARKS: Record<Place['kind'], { colour: string; radius: number }> = {
  grove: { colour: '#f6d743', radius: 5 },
  'press house': { colour: '#f26b3a', radius: 6 },
  pier: { colour: '#fbf3e3', radius: 4 },
  lighthouse: { colour: '#ffffff', radius: 6 },
};

/** @param ask returns the drawing style; called in every frame */
export function createPainter(scene: Scene, ask: () => DrawingOptions = () => SHARP): (view: View) => void {
  const context = canvasContext(scene.canvas);
  let { ground } = scene;
  let near = createTiles(ground, NEAR);
  let far = createTiles(ground, FAR);
  let options = ask();
  let drawing = createDrawing(context, options);

  return (view) => {
    if (ground !== scene.ground) {
      ground = scene.ground;
      near = createTiles(ground, NEAR);
      far = createTiles(ground, FAR);
    }
    if (options !== ask()) {
      options = ask();
      drawing = createDrawing(context, options);
    }
    drawing.begin(view);
    drawing.inPixels();
    context.fillStyle = OUTSIDE;
    context.fillRect(0, 0, view.width, view.height);
    drawing.inWorld();
    context.beginPath();
    context.rect(0, 0, ground.width, ground.height);
    context.save();
    context.clip();
    context.fillStyle = WATER;
    context.fill();
    const tiles = view.scale < NEAR_FROM_SCALE ? far : near;
    BANDS.forEach(({ colour }, band) => {
      context.fillStyle = colour;
      tiles.fill(context, view, band);
    });
    context.restore();

    for (const barge of scene.afloat) drawBarge(context, barge, view.scale);
    drawing.inPixels();
    for (const place of scene.places) drawPlace(context, place, view, scene.isCovered);
  };
}

interface Tiles {
  /** Fills one band of every tile that shows. */
  fill(context: Context, view: View, band: number): void;
}

/** The contours of tiles, made when they first show. */
function createTiles(ground: Ground, size: TileSize): Tiles {
  const columns = ground.width / size.tile;
  const rows = ground.height / size.tile;
  const shapes = new Map<number, (Path2D | null)[]>();
  let tiles: TileRows | undefined;
  const shapesOf = (column: number, row: number): (Path2D | null)[] => {
    const key = row * columns + column;
    let tile = shapes.get(key);
    if (tile === undefined) {
      tile = contours(ground, column, row, size, LEVELS);
      shapes.set(key, tile);
    }
    return tile;
  };
  return {
    fill: (context, view, band) => {
      tiles = visibleTiles(view, size.tile, { columns, rows }, tiles);
      const { top, bottom, from, to } = tiles;
      for (let row = top; row < bottom; row++) {
        const end = to[row - top] ?? 0;
        for (let column = from[row - top] ?? 0; column < end; column++) {
          const shape = shapesOf(column, row)[band];
          if (shape) context.fill(shape);
        }
      }
    },
  };
}

/** A hull with its crates, in world units; never smaller than a few pixels. */
function drawBarge(context: Context, barge: Afloat, scale: number): void {
  const size = Math.max(1, 2.2 / scale);
  context.save();
  context.translate(barge.x, barge.y);
  context.transform(barge.alongX * size, barge.alongY * size, -barge.alongY * size, barge.alongX * size, 0, 0);
  // Foam behind the bow.
  context.fillStyle = '#fbf3e34d';
  for (const side of [1, -1]) {
    context.beginPath();
    context.moveTo(3.6, 0);
    context.lineTo(-11, side * 3.6);
    context.lineTo(-11, side * 2.7);
    context.fill();
  }
  context.fillStyle = '#fbf3e3';
  context.beginPath();
  context.moveTo(4, 0);
  context.lineTo(2.2, 1.3);
  context.lineTo(-3, 1.3);
  context.lineTo(-3, -1.3);
  context.lineTo(2.2, -1.3);
  context.fill();
  context.fillStyle = '#f26b3a';
  const crates = Math.ceil(barge.crates / 14);
  for (let i = 0; i < crates; i++) context.fillRect(-2.5 + i * 1.5, -0.8, 1.2, 1.6);
  context.restore();
}

/** A mark of the same size at every zoom, and its name if there is room. */
function drawPlace(context: Context, place: Place, view: View, isCovered: Scene['isCovered']): void {
  const { x, y } = view.toScreen(place.x, place.y);
  const margin = 120;
  if (x < -margin || y < -margin || x > view.width + margin || y > view.height + margin) return;
  const { colour, radius } = MARKS[place.kind];
  context.beginPath();
  context.arc(x, y, radius, 0, 7);
  context.fillStyle = colour;
  context.fill();
  context.lineWidth = 1.5;
  context.strokeStyle = '#0b2f38';
  context.stroke();
  if (view.scale < 3) return;
  context.font = '13px ui-sans-serif, system-ui, "DejaVu Sans", sans-serif';
  const right = x + radius + 8 + context.measureText(place.name).width;
  if (isCovered?.({ left: x - radius, top: y - 10, right, bottom: y + 10 })) return;
  context.textBaseline = 'middle';
  context.lineWidth = 3;
  context.strokeStyle = '#0b2f38cc';
  context.strokeText(place.name, x + radius + 5, y);
  context.fillStyle = '#fbf3e3';
  context.fillText(place.name, x + radius + 5, y);
}
