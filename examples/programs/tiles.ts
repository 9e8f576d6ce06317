/** Isometric tiles in Pixi: upright sprites, exact picks, quarter turns with Q and E, and a drag that builds. */
import { Application, Container, Graphics, Sprite, Texture } from 'pixi.js';
import { Camera, tiles } from 'zesty-kite';
import { listen } from 'zesty-kite/dom';
import { aimPixi, standUpright } from 'zesty-kite/pixi';

const SIDE = 16;
const app = new Application();
await app.init({ background: '#0e4a57', resizeTo: window, autoDensity: true, resolution: devicePixelRatio });
document.body.append(app.canvas);
const ground = new Container();
const upright = new Container({ sortableChildren: true });
app.stage.addChild(ground, upright);
ground.addChild(new Graphics().rect(0, 0, 512, 512).fill('#8fb656'));
const houses: { sprite: Sprite; x: number; y: number }[] = [];

function build(x: number, y: number): void {
  const [column, row] = [Math.floor(x / SIDE), Math.floor(y / SIDE)];
  const place = { x: (column + 0.5) * SIDE, y: (row + 0.5) * SIDE };
  if (houses.some((house) => house.x === place.x && house.y === place.y)) return;
  const sprite = new Sprite({ texture: Texture.WHITE, anchor: { x: 0.5, y: 1 }, tint: '#f26b3a' });
  houses.push({ sprite, ...place });
  upright.addChild(sprite);
}

const bounds = { left: 0, top: 0, right: 512, bottom: 512 };
const look = tiles({ width: 64, height: 32, side: SIDE });
const camera = new Camera([look, { bounds, bindings: { drag: ['MouseRight', 'Touch'] } }]);
listen(app.canvas, camera, {
  gameDrag: ({ ground: at }) => {
    if (at) build(at.x, at.y);
  },
});
app.ticker.add(() => {
  const view = camera.advance(performance.now());
  aimPixi(view, ground);
  for (const { sprite, x, y } of houses) standUpright(view, sprite, x, y, 0, { art: { width: 64, side: SIDE } });
});
Object.assign(globalThis, { camera, houses });
