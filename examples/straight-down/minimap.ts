/** The strait on a canvas of its own, with what the view sees of it: press it, drag it, or turn the wheel over it. */
import { Camera } from 'zesty-kite';
import { listenToMinimap, Minimap } from 'zesty-kite/minimap';
import { canvasContext, element } from '../lemon-strait/page.ts';
import type { Scene } from '../lemon-strait/play.ts';
import { createPainter } from './paint.ts';

/** @returns draws the map again */
export function createMinimap(camera: Camera, scene: Scene): () => void {
  const canvas = element('minimap', HTMLCanvasElement);
  const { clientWidth: width, clientHeight: height } = canvas;
  const density = devicePixelRatio;
  const context = canvasContext(canvas);
  canvas.width = width * density;
  canvas.height = height * density;
  const { width: wide, height: high } = scene.ground;
  const minimap = new Minimap(camera, { area: { left: 0, top: 0, right: wide, bottom: high } });
  listenToMinimap(minimap, canvas);

  // The ground is painted once, by the page's own painter, and the barges are dots.
  const painted = new OffscreenCanvas(canvas.width, canvas.height);
  const whole = { start: { x: wide / 2, y: high / 2, span: high }, zoom: { maxSpan: high } };
  const view = new Camera(whole, { screen: { width, height, density } }).advance(0);
  // The first frame does not wait for it: it is painted once the ground is there in all detail.
  let { ground } = scene;

  return () => {
    if (ground !== scene.ground) {
      ground = scene.ground;
      createPainter({ canvas: painted, ground, places: [], afloat: [] })(view);
    }
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.drawImage(painted, 0, 0);
    context.setTransform(density, 0, 0, density, 0, 0);
    context.fillStyle = '#fbf3e3';
    for (const barge of scene.afloat) {
      const { x, y } = minimap.toMinimap(barge.x, barge.y);
      context.fillRect(x - 1, y - 1, 2, 2);
    }
    minimap.traceOutline(context);
    context.lineWidth = 1.5;
    context.strokeStyle = '#f6d743';
    context.stroke();
  };
}
