/** A flat map: settings, an element to listen to, and frames while there is something to draw. */
import { Camera, type Settings } from 'zesty-kite';
import { listen } from 'zesty-kite/dom';
import { record, type Recording } from 'zesty-kite/session';
import settingsUrl from '../../data/lemon-strait/settings/straight-down.json?url';
import { element, save } from '../lemon-strait/page.ts';
import { loadGround } from '../lemon-strait/ground.ts';
import { loadBarges, loadPlaces } from '../lemon-strait/world.ts';
import { createPainter } from './paint.ts';

const canvas = element('map', HTMLCanvasElement);
const readout = element('readout', HTMLOutputElement);
const bargesButton = element('barges', HTMLButtonElement);
const recordButton = element('record', HTMLButtonElement);
const context = canvas.getContext('2d', { alpha: false });
if (context === null) throw new Error('This page needs a 2D canvas.');

const [settings, ground, places, barges] = await Promise.all([
  fetch(settingsUrl).then((response) => response.json() as Promise<Settings>),
  loadGround(),
  loadPlaces(),
  loadBarges(),
]);

let waiting = false;
let frames = 0;
let underWay = true;
let sailed = 0;
let last: number | null = null;
let cursor: { x: number; y: number } | null = null;
let recording: Recording | null = null;

const camera = new Camera(settings, { wake: drawSoon });
listen(canvas, camera);
const paint = createPainter(context, { ground, places, afloat: barges.afloat });

function drawSoon(): void {
  if (waiting) return;
  waiting = true;
  requestAnimationFrame(draw);
}

function draw(time: number): void {
  waiting = false;
  const view = camera.advance(time);
  fitCanvas(view.width, view.height);
  if (underWay && last !== null) sailed += Math.min(0.25, (time - last) / 1000);
  last = time;
  barges.sail(sailed);
  paint(view);
  tell();
  frames += 1;
  canvas.dataset['frames'] = String(frames);
  if (!camera.settled || (underWay && bargesShow())) drawSoon();
  else last = null;
}

/** As many device pixels as the canvas covers. */
function fitCanvas(width: number, height: number): void {
  const wide = Math.round(width * devicePixelRatio);
  const high = Math.round(height * devicePixelRatio);
  if (canvas.width !== wide) canvas.width = wide;
  if (canvas.height !== high) canvas.height = high;
}

function bargesShow(): boolean {
  const { view } = camera;
  const [left = 0, top = 0, right = 0, , , bottom = 0] = view.footprint();
  return barges.afloat.some(({ x, y }) => x > left - 8 && x < right + 8 && y > top - 8 && y < bottom + 8);
}

/** The ground under a still pointer changes while the camera moves: asked anew every frame. */
function tell(): void {
  const { view } = camera;
  const parts = [`span ${view.span.toFixed(1)}`, `${view.scale.toFixed(2)} px per unit`];
  if (cursor !== null) {
    const { x, y } = view.toGround(cursor.x, cursor.y);
    parts.push(`ground ${x.toFixed(2)}, ${y.toFixed(2)}`, `height ${ground.heightAt(x, y).toFixed(1)}`);
  }
  readout.textContent = parts.join('   ');
}

canvas.addEventListener('pointermove', (event) => {
  cursor = { x: event.offsetX, y: event.offsetY };
  tell();
});
canvas.addEventListener('pointerleave', () => {
  cursor = null;
  tell();
});

bargesButton.addEventListener('click', () => {
  underWay = !underWay;
  bargesButton.setAttribute('aria-pressed', String(underWay));
  bargesButton.textContent = underWay ? 'Barges under way' : 'Barges at anchor';
  drawSoon();
});

recordButton.addEventListener('click', () => {
  if (recording === null) {
    recording = record(camera);
  } else {
    recording.stop();
    save('lemon-strait.ndjson', recording.text());
    recording = null;
  }
  recordButton.setAttribute('aria-pressed', String(recording !== null));
  recordButton.textContent = recording === null ? 'Record' : 'Stop and save';
});

drawSoon();

/** For tinkering in the console: `lemonStrait.camera.change({ pan: { speed: 2 } })`. */
Object.assign(globalThis, { lemonStrait: { camera } });
