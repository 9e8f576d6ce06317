/** The parts of every page: a camera over Lemon Strait, an element to listen to, and frames while something moves. */
import { Camera, type Settings, type View } from 'zesty-kite';
import { listen, type Listening } from 'zesty-kite/dom';
import { createOverlay } from 'zesty-kite/overlay';
import { polygons } from 'zesty-kite/polygons';
import { record, type Recording } from 'zesty-kite/session';
import { loadGround, type Ground } from './ground.ts';
import { createPanels, element, save, type Box } from './page.ts';
import { showKeys } from './keys.ts';
import { createDirecting, type Directing } from './direct.ts';
import { createChoosing } from './select.ts';
import { loadBarges, loadPlaces, type Afloat, type Place } from './world.ts';

export interface Scene {
  readonly canvas: HTMLCanvasElement | OffscreenCanvas;
  /** Another one once it has come in all detail. */
  ground: Ground;
  readonly places: readonly Place[];
  readonly afloat: readonly Afloat[];
  /** Whether something lies over a part of the map, in CSS pixels from its top left; nothing does when left out. */
  readonly isCovered?: (box: Box) => boolean;
}

export interface Page {
  /** The file of its settings. */
  readonly settings: string;
  /** The camera goes over the hills, instead of over a flat map. */
  readonly hilly: boolean;
  readonly createPainter: CreatePainter | Promise<CreatePainter>;
}

type CreatePainter = (scene: Scene, camera: Camera, drawSoon: () => void) => (view: View) => void;

/** Runs a page; its element, buttons and readout are found by their ids. */
export async function play({ settings: url, hilly, createPainter: loading }: Page): Promise<void> {
  const canvas = element('map', HTMLCanvasElement);
  const readout = element('readout', HTMLOutputElement);
  const [settings, coarse, places, barges, createPainter] = await Promise.all([
    fetch(url).then((response) => response.json() as Promise<Settings>),
    loadGround('coarse'),
    loadPlaces(),
    loadBarges(),
    loading,
  ]);
  const camera = new Camera(settings, { shapes: [polygons], wake: drawSoon, terrain: hilly ? coarse.terrain : null });
  const choosing = createChoosing(canvas, camera, barges.afloat, drawSoon, (barge, ground) => {
    directing.doubleTap(barge, ground);
  });
  const directing = createDirecting(camera, choosing.chosen);
  const listening = listen(canvas, camera, { panels: '.panel', pinchKey: 'Alt', ...choosing.options });
  const panels = createPanels();
  const scene: Scene = { canvas, ground: coarse, places, afloat: barges.afloat, isCovered: panels.isCovered };
  const paint = createPainter(scene, camera, drawSoon);

  /** For tinkering in the console: `lemonStrait.camera.change({ pan: { speed: 2 } })`. */
  const lemonStrait = { camera, ground: coarse, barges: barges.afloat, chosen: choosing.chosen };
  Object.assign(globalThis, { lemonStrait, cameras: [camera] });

  let waiting = false;
  let frames = 0;
  let underWay = true;
  let sailed = 0;
  let last: number | null = null;
  let cursor: { x: number; y: number } | null = null;

  function drawSoon(): void {
    if (waiting) return;
    waiting = true;
    requestAnimationFrame(draw);
  }

  function draw(time: number): void {
    waiting = false;
    if (underWay && last !== null) sailed += Math.min(0.25, (time - last) / 1000);
    last = time;
    // Before the camera: it may follow one of them.
    barges.sail(sailed);
    const view = camera.advance(time);
    panels.measure();
    paint(view);
    choosing.draw();
    tell();
    frames += 1;
    canvas.dataset['frames'] = String(frames);
    if (frames === 1) void refine();
    if (!camera.settled || (underWay && bargesShow())) drawSoon();
    else last = null;
  }

  /** The rest of the ground, loaded after the first frame. Replays of sessions use the whole ground. */
  async function refine(): Promise<void> {
    scene.ground = await loadGround();
    if (hilly) camera.changeTerrain(scene.ground.terrain);
    element('record', HTMLButtonElement).disabled = false;
    canvas.dataset['ground'] = 'fine';
    Object.assign(lemonStrait, { ground: scene.ground });
    drawSoon();
  }

  function bargesShow(): boolean {
    const { view } = camera;
    return barges.afloat.some(({ x, y }) => {
      const at = view.toScreen(x, y, 0);
      const margin = 8 * view.scale;
      return at.x > -margin && at.x < view.width + margin && at.y > -margin && at.y < view.height + margin;
    });
  }

  /** The ground under a still pointer changes while the camera moves, so each frame samples it. */
  function tell(): void {
    const { view } = camera;
    const parts = [`span ${view.span.toFixed(1)}`, `${view.scale.toFixed(2)} px per unit`];
    if (view.pitch < 90) parts.push(`pitch ${view.pitch.toFixed(1)}°`);
    if (view.heading !== 0) parts.push(`heading ${(((view.heading % 360) + 360) % 360).toFixed(1)}°`);
    if (view.fieldOfView > 0) parts.push(`field of view ${view.fieldOfView.toFixed(1)}°`);
    const under = cursor === null ? null : view.toGround(cursor.x, cursor.y);
    if (under !== null) {
      const height = scene.ground.terrain.heightAt(under.x, under.y);
      parts.push(`ground ${under.x.toFixed(2)}, ${under.y.toFixed(2)}`, `height ${height.toFixed(1)}`);
    } else if (cursor !== null) parts.push('sky');
    const { size } = choosing.chosen;
    if (size > 0) parts.push(size === 1 ? ([...choosing.chosen][0]?.name ?? '') : `${String(size)} barges chosen`);
    const followed = directing.followed();
    if (followed !== null) parts.push(`after ${followed.name}`);
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
  connectBarges((sail) => {
    underWay = sail;
    drawSoon();
  });
  connectRecording(camera);
  connectOverlay(camera, listening, directing.drawn);
  connectLock(canvas, listening);
  void showKeys(camera.settings);
  drawSoon();
}

function connectBarges(sail: (underWay: boolean) => void): void {
  const button = element('barges', HTMLButtonElement);
  let underWay = true;
  button.addEventListener('click', () => {
    underWay = !underWay;
    button.setAttribute('aria-pressed', String(underWay));
    button.textContent = underWay ? 'Barges under way' : 'Barges at anchor';
    sail(underWay);
  });
}

/** Shows what the camera goes by; the key left of 1 does it too. */
function connectOverlay(camera: Camera, listening: Listening, drawn: Directing['drawn']): void {
  const button = element('overlay', HTMLButtonElement);
  const overlay = createOverlay(camera, listening, drawn);
  const toggle = (): void => {
    overlay.toggle();
    document.body.classList.toggle('overlay', overlay.isOn);
    button.setAttribute('aria-pressed', String(overlay.isOn));
  };
  button.addEventListener('click', toggle);
  addEventListener('keydown', ({ code, repeat }) => {
    if (code === 'Backquote' && !repeat) toggle();
  });
}

/** A locked pointer cannot leave the window; its cursor is ours to draw. */
function connectLock(canvas: HTMLCanvasElement, listening: Listening): void {
  const drawn = element('cursor', HTMLDivElement);
  element('lock', HTMLButtonElement).addEventListener('click', () => {
    void canvas.requestPointerLock();
  });
  const draw = (): void => {
    const { cursor } = listening;
    drawn.hidden = cursor === null;
    if (cursor === null) return;
    drawn.style.translate = `${String(cursor.x)}px ${String(cursor.y)}px`;
    requestAnimationFrame(draw);
  };
  document.addEventListener('pointerlockchange', () => requestAnimationFrame(draw));
}

function connectRecording(camera: Camera): void {
  const button = element('record', HTMLButtonElement);
  let recording: Recording | null = null;
  button.addEventListener('click', () => {
    if (recording === null) {
      recording = record(camera);
    } else {
      recording.stop();
      save('lemon-strait.ndjson', recording.text());
      recording = null;
    }
    button.setAttribute('aria-pressed', String(recording !== null));
    button.textContent = recording === null ? 'Record' : 'Stop and save';
  });
}
