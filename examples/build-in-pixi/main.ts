/** Tiles and upright sprites with pixi.js: a container lies on the ground, trees stand on it. */
import { Application, Container, Graphics, Sprite, Texture } from 'pixi.js';
import { tiles as twoToOne, type Point } from 'zesty-kite';
import { listen } from 'zesty-kite/dom';
import { aimPixi, standUpright } from 'zesty-kite/pixi';
import { createFrames } from '../lemon-strait/frames.ts';
import { loadGround } from '../lemon-strait/ground.ts';
import { outlines } from '../lemon-strait/islands.ts';
import { element } from '../lemon-strait/page.ts';
import { treePicture, TREE_FOOT, TREE_UNIT } from './tree.ts';

/** Side of a tile, world units. */
const TILE = 8;

const loading = loadGround();
const map = element('map', HTMLDivElement);
const readout = element('readout', HTMLOutputElement);
const app = new Application();
await app.init({
  background: '#0e4a57',
  resizeTo: map,
  autoStart: false,
  antialias: true,
  resolution: devicePixelRatio,
  autoDensity: true,
  preference: 'webgl',
});
map.append(app.canvas);
const ground = await loading;

const land = new Container();
const standing = new Container({ sortableChildren: true });
app.stage.addChild(land, standing);
for (const [level, colour] of [
  [-1, '#1b6d79'],
  [0, '#ecd9a6'],
  [2.4, '#a9c765'],
  [17, '#77a54a'],
  [35, '#b3a05c'],
] as const)
  for (const ring of outlines(ground, level)) land.addChild(new Graphics().poly(ring.flat()).fill(colour));
const hovered = new Graphics().rect(0, 0, TILE, TILE).stroke({ width: 0.4, color: '#f6d743' });
land.addChild(hovered);

const texture = Texture.from(treePicture());
const trees = new Map<string, { readonly x: number; readonly y: number; readonly sprite: Sprite }>();
const turn = (column: number, row: number): void => {
  const key = `${String(column)},${String(row)}`;
  const there = trees.get(key);
  if (there) {
    there.sprite.destroy();
    trees.delete(key);
    return;
  }
  const sprite = new Sprite(texture);
  sprite.anchor.set(0.5, TREE_FOOT);
  standing.addChild(sprite);
  trees.set(key, { x: (column + 0.5) * TILE, y: (row + 0.5) * TILE, sprite });
};
const isLand = ({ x, y }: Point): boolean => ground.terrain.heightAt(x, y) > 1;
for (let i = 0; i < 900; i++) {
  const dice = Math.imul(i + 1, 2654435761) >>> 0;
  const [column, row] = [dice % (ground.width / TILE), (dice >>> 9) % (ground.height / TILE)];
  if (isLand({ x: (column + 0.5) * TILE, y: (row + 0.5) * TILE })) turn(column, row);
}

let pointer: Point | null = null;
const tileUnder = (point: Point | null): { column: number; row: number } | null => {
  const at = point === null ? null : camera.view.toGround(point.x, point.y);
  return at === null ? null : { column: Math.floor(at.x / TILE), row: Math.floor(at.y / TILE) };
};

const { camera, drawSoon } = createFrames(
  [
    twoToOne({ width: 32, height: 16, side: TILE }),
    {
      start: { x: 512, y: 384, span: 200 },
      bounds: { left: 0, top: 0, right: ground.width, bottom: ground.height, keep: 'focus' },
      bindings: { drag: ['MouseRight', 'Touch'], turnStepLeft: ['KeyQ'], turnStepRight: ['KeyE'] },
    },
  ],
  {},
  (view) => {
    aimPixi(view, land, 0);
    for (const { x, y, sprite } of trees.values())
      standUpright(view, sprite, x, y, 0, { size: 1 / TREE_UNIT, wholePixels: true });
    const under = tileUnder(pointer);
    hovered.visible = under !== null;
    if (under !== null) hovered.position.set(under.column * TILE, under.row * TILE);
    app.render();
    readout.textContent = `${view.scale.toFixed(2)} px per unit   ${String(trees.size)} trees${under === null ? '' : `   tile ${String(under.column)}, ${String(under.row)}`}`;
    return false;
  },
);
listen(map, camera, {
  panels: '.panel',
  tap: ({ x, y, input }) => {
    const under = tileUnder({ x, y });
    if (under === null || (input !== 'MouseLeft' && input !== 'Touch')) return;
    turn(under.column, under.row);
    drawSoon();
  },
});
map.addEventListener('pointermove', (event) => {
  const { left, top } = map.getBoundingClientRect();
  pointer = { x: event.clientX - left, y: event.clientY - top };
  drawSoon();
});
app.renderer.on('resize', drawSoon);
// For tinkering in the console.
Object.assign(globalThis, { trees, tileUnder, land });
drawSoon();
