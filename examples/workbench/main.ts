/** Run, steer, look, change a number, again: with two slots, takes of the same hands, and a way back. */
import { decode } from 'fast-png';
import { Camera, SettingsError, terrainOfGrid, type Settings, type Terrain, type View } from 'zesty-kite';
import { listen } from 'zesty-kite/dom';
import { createOverlay } from 'zesty-kite/overlay';
import { reviewSettings } from 'zesty-kite/review';
import { record, type Recording } from 'zesty-kite/session';
import { loadGround, type Ground } from '../lemon-strait/ground.ts';
import { meshOf } from '../lemon-strait/mesh.ts';
import { element, save } from '../lemon-strait/page.ts';
import { createCurve, CURVES } from './curve.ts';
import { createPainter } from './paint.ts';
import { createPanel } from './panel.ts';
import { createStrips } from './strips.ts';
import { Player, takeOf, type Take } from './take.ts';
import { FEELS, LOOKS, Tuning, whole } from './tuning.ts';

/** Every so many samples of the ground are drawn: quick on any machine. */
const COARSE = 4;

const ground = await loadGround();
const canvas = element('map', HTMLCanvasElement);
const warnings = element('warnings', HTMLUListElement);
const button = (id: string): HTMLButtonElement => element(id, HTMLButtonElement);
const time = element('time', HTMLInputElement);
const painter = createPainter(canvas);
painter.setMesh(meshOf(ground, COARSE));
const strips = createStrips(element('strips', HTMLCanvasElement));
let terrain: Terrain = ground.terrain;

/** The state in the address, or where everything begins. */
function fromAddress(): { look: string; settings: Settings } {
  try {
    const state = JSON.parse(decodeURIComponent(location.hash.slice(1))) as { look: string; settings: Settings };
    whole(state);
    return state;
  } catch {
    return { look: 'over the hills', settings: {} };
  }
}

const tuning = new Tuning(fromAddress());
const isHilly = (slot = tuning.slot): boolean => tuning.stateOf(slot).look === 'over the hills';
const camera = new Camera([LOOKS[tuning.state.look] ?? {}, tuning.state.settings], {
  terrain: isHilly() ? terrain : null,
});
const listening = listen(canvas, camera, { panels: '.panel, .gui', standIn: 'Alt' });
const overlay = createOverlay(camera, listening);

const say = (lines: readonly string[]): void => {
  warnings.replaceChildren(
    ...lines.map((line) => {
      const item = document.createElement('li');
      item.textContent = line;
      return item;
    }),
  );
};
const refuse = (error: unknown): void => {
  say(
    error instanceof SettingsError
      ? error.problems.map(({ path, found, wanted }) => `${path}: found ${found}; wanted ${wanted}`)
      : [String(error)],
  );
};
const panel = createPanel(element('panel', HTMLDivElement), camera, tuning, refuse);
const select = (
  id: string,
  names: readonly string[],
  chosen: string,
  choose: (name: string) => void,
): HTMLSelectElement => {
  const list = element(id, HTMLSelectElement);
  list.replaceChildren(...names.map((name) => new Option(name, name, false, name === chosen)));
  list.addEventListener('change', () => {
    choose(list.value);
  });
  return list;
};
const looks = select('look', Object.keys(LOOKS), tuning.state.look, (look) => {
  tuning.put({ look, settings: {} });
});
select('feel', Object.keys(FEELS), 'as the look has it', (name) => {
  for (const [section, values] of Object.entries(FEELS[name] ?? {}))
    for (const [key, value] of Object.entries(values as object)) tuning.set(`${section}.${key}`, value);
});
const curves = select('curve-of', Object.keys(CURVES), 'pitch, degrees', () => undefined);
const drawCurve = createCurve(
  document.querySelector<SVGSVGElement>('#curve') ?? document.createElementNS('http://www.w3.org/2000/svg', 'svg'),
  tuning,
  () => curves.value,
  refuse,
);

// What is being played, on cameras of its own.
let take: Take | null = null;
let players: Player[] = [];
let played = 0;
let playing = false;
const startPlayers = (): void => {
  if (take === null) return;
  const slots = element('beside', HTMLInputElement).checked ? [0, 1] : [tuning.slot];
  const begun = take;
  players = slots.map((slot) => new Player(begun, whole(tuning.stateOf(slot)), isHilly(slot) ? terrain : null));
  for (const player of players) player.goTo(played);
};

let lookBefore = tuning.state.look;
tuning.changed = () => {
  const { state, full, slot } = tuning;
  camera.change(whole(state));
  if (state.look !== lookBefore) {
    lookBefore = state.look;
    camera.changeTerrain(isHilly() ? terrain : null);
    camera.place({ x: 512, y: 384, span: 300, heading: full.start.heading });
  }
  const found = reviewSettings(whole(state), { width: canvas.clientWidth, height: canvas.clientHeight });
  panel.show(found);
  say(found.map(({ path, message }) => `${path}: ${message}`));
  looks.value = state.look;
  button('slot').textContent = slot === 0 ? 'A' : 'B';
  button('slot').setAttribute('aria-pressed', String(slot === 1));
  history.replaceState(null, '', `#${encodeURIComponent(JSON.stringify(state))}`);
  if (players.length > 0) startPlayers();
};

function setTake(text: string): void {
  take = takeOf(text);
  played = 0;
  time.max = String(take.length / 1000);
  for (const control of [time, button('play'), button('save-take')]) control.disabled = false;
}

const play = (on: boolean): void => {
  playing = on;
  button('play').setAttribute('aria-pressed', String(on));
  button('play').textContent = on ? 'Stop' : 'Play';
  if (on) startPlayers();
  else players = [];
};

let before = 0;
function frame(now: number): void {
  const view = camera.advance(now);
  let views: readonly View[] = [view];
  if (take !== null && players.length > 0) {
    const from = played;
    if (playing) played += Math.min(100, now - before);
    if (played > take.length) {
      played = 0;
      if (!element('loop', HTMLInputElement).checked) play(false);
      else startPlayers();
    } else if (playing) for (const player of players) player.goTo(played, from);
    time.value = String(played / 1000);
    views = players.map(({ camera: { view: shown } }) => shown);
  }
  before = now;
  const watched = players[0]?.camera ?? camera;
  painter.draw(views.length > 0 ? views : [view]);
  strips.add(watched, now);
  strips.draw();
  drawCurve(watched.view.span);
  document.body.dataset['frames'] = String(Number(document.body.dataset['frames'] ?? 0) + 1);
  requestAnimationFrame(frame);
}

const copy = (text: string): void =>
  void navigator.clipboard.writeText(text).catch(() => {
    save('settings.txt', text);
  });
const json = (): string => JSON.stringify(tuning.state.settings, null, 2);
const calls: Readonly<Record<string, () => void>> = {
  undo: () => {
    tuning.go(-1);
  },
  redo: () => {
    tuning.go(1);
  },
  slot: () => {
    tuning.flip();
  },
  workings: () => {
    overlay.toggle();
    button('workings').setAttribute('aria-pressed', String(overlay.isOn));
  },
  'copy-code': () => {
    copy(`const camera = new Camera([look, ${json()}]); // ${tuning.state.look}\n`);
  },
  'copy-json': () => {
    copy(`${json()}\n`);
  },
  save: () => {
    save('settings.json', `${JSON.stringify(whole(tuning.state), null, 2)}\n`);
  },
  'save-take': () => {
    save('take.ndjson', take?.text ?? '');
  },
  play: () => {
    play(!playing);
  },
  record: () => {
    if (recording === null) recording = record(camera);
    else {
      recording.stop();
      setTake(recording.text());
      recording = null;
    }
    button('record').setAttribute('aria-pressed', String(recording !== null));
    button('record').textContent = recording === null ? 'Record' : 'Stop';
  },
};
let recording: Recording | null = null;
for (const [id, call] of Object.entries(calls)) button(id).addEventListener('click', call);
time.addEventListener('input', () => {
  played = Number(time.value) * 1000;
  startPlayers();
});
element('beside', HTMLInputElement).addEventListener('change', () => {
  if (players.length > 0) startPlayers();
});
addEventListener('keydown', (event) => {
  const { code, ctrlKey, metaKey, shiftKey, target } = event;
  if (target instanceof HTMLInputElement) return;
  if (code === 'KeyZ' && (ctrlKey || metaKey)) tuning.go(shiftKey ? 1 : -1);
  else if (code === 'KeyB') tuning.flip();
  else if (code === 'Backquote') calls['workings']?.();
});

/** Settings, a session, a map image, or a height image with 16 bits. */
async function open(file: File): Promise<void> {
  if (file.name.endsWith('.ndjson')) {
    setTake(await file.text());
    play(true);
  } else if (file.name.endsWith('.json')) {
    const settings = JSON.parse(await file.text()) as Settings & { $schema?: string };
    delete settings.start;
    delete settings.$schema;
    tuning.put({ ...tuning.state, settings });
  } else {
    const bytes = new Uint8Array(await file.arrayBuffer());
    const isPng = bytes[0] === 0x89 && bytes[1] === 0x50;
    const picture = isPng ? decode(bytes) : null;
    if (picture?.depth === 16 && picture.channels === 1) {
      const step = ground.width / (picture.width - 1);
      const heights = Float64Array.from(picture.data, (value) => -6 + (value / 65535) * 66);
      terrain = terrainOfGrid({ id: file.name, columns: picture.width, rows: picture.height, step, heights });
      painter.setMesh(meshOf(groundOf(terrain), COARSE));
      if (isHilly()) camera.changeTerrain(terrain);
    } else painter.setImage(await createImageBitmap(file), ground.width, ground.height);
  }
}

function groundOf(of: Terrain): Ground {
  return { ...ground, sample: (column, row) => of.heightAt(column * ground.step, row * ground.step), terrain: of };
}

addEventListener('dragover', (event) => {
  event.preventDefault();
});
addEventListener('drop', (event) => {
  event.preventDefault();
  for (const file of event.dataTransfer?.files ?? []) void open(file).catch(refuse);
});
Object.assign(globalThis, { cameras: [camera], tuning, players: () => players, openFile: open });
tuning.changed();
requestAnimationFrame(frame);
