/** A flat canvas map: barges to select by a box, a minimap, a side panel, edges, and a view that is saved. */
import { Camera, ScreenBox } from 'zesty-kite';
import { createDrawing } from 'zesty-kite/canvas';
import { listen } from 'zesty-kite/dom';
import { listenToMinimap, Minimap } from 'zesty-kite/minimap';

const barges = Array.from({ length: 40 }, (_, i) => ({
  x: 60 + ((i * 397) % 900),
  y: 60 + ((i * 211) % 650),
  chosen: false,
}));
document.body.innerHTML = `<canvas class="map"></canvas><div class="panel">Barges</div>
  <svg class="small" viewBox="0 0 1024 768"><path fill="none" stroke="#f26b3a" stroke-width="9" /></svg>`;
const canvas = document.querySelector('canvas')!;
const small = document.querySelector('svg')!;
const context = canvas.getContext('2d')!;

const saved = JSON.parse(localStorage.getItem('view') ?? '{}') as object;
const settings = {
  bounds: { left: 0, top: 0, right: 1024, bottom: 768 },
  start: { span: 400, ...saved },
  home: { span: 400 },
  edge: true,
  safeFrame: { right: 200 },
  bindings: { drag: ['MouseRight', 'Touch'] },
} as const;
const camera = new Camera(settings, { wake: drawSoon });
const drawing = createDrawing(context);
const minimap = new Minimap(camera);
const box = new ScreenBox();
listenToMinimap(minimap, small);
const listening = listen(canvas, camera, {
  panels: '.panel, .small',
  gameDrag: (drag) => {
    drag.set(box);
    for (const barge of barges) barge.chosen = box.touchesCircle(barge.x, barge.y, 6);
    drawSoon();
  },
});
addEventListener('pagehide', () => {
  localStorage.setItem('view', JSON.stringify(camera.shown));
});

function draw(time: number): void {
  drawing.begin(camera.advance(time));
  context.fillStyle = '#8fb656';
  context.fillRect(0, 0, 1024, 768);
  for (const { x, y, chosen } of barges) {
    context.fillStyle = chosen ? '#f6d743' : '#7a4a2a';
    context.fillRect(x - 6, y - 3, 12, 6);
  }
  drawing.inPixels();
  const drag = listening.gameDrag;
  if (drag) context.strokeRect(drag.fromX, drag.fromY, drag.x - drag.fromX, drag.y - drag.fromY);
  small.firstElementChild!.setAttribute('d', minimap.outlinePath());
  if (!camera.settled) drawSoon();
}

function drawSoon(): void {
  requestAnimationFrame(draw);
}

drawSoon();
Object.assign(globalThis, { camera, barges });
