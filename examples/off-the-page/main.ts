/** The page: it passes its input and its canvas to the worker. */
import settingsUrl from '../../data/lemon-strait/settings/straight-down.json?url';
import type { Settings } from 'zesty-kite';
import { listen } from 'zesty-kite/dom';
import { RemoteCamera } from 'zesty-kite/worker';
import { element } from '../lemon-strait/page.ts';

// First of all: it loads the world while the page loads the settings.
const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
const canvas = element('map', HTMLCanvasElement);
const readout = element('readout', HTMLOutputElement);
const settings = (await (await fetch(settingsUrl)).json()) as Settings;

const offscreen = canvas.transferControlToOffscreen();
worker.postMessage({ settings, canvas: offscreen }, [offscreen]);
const camera = new RemoteCamera(worker, settings);
listen(canvas, camera, { panels: '.panel' });

let frames = 0;
camera.poll(() => {
  const { span, scale } = camera.view;
  readout.textContent = `span ${span.toFixed(1)}   ${scale.toFixed(2)} px per unit   drawn by a worker`;
  frames += 1;
  canvas.dataset['frames'] = String(frames);
});

element('busy', HTMLButtonElement).addEventListener('click', () => {
  const until = performance.now() + 2000;
  while (performance.now() < until);
});

/** For tinkering in the console: `lemonStrait.camera.signal({ kind: 'home' })`. */
Object.assign(globalThis, { lemonStrait: { camera } });
