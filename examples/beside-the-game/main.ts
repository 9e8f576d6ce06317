/** A map between panels: what belongs to the page stays with the page, and orders with the game. */
import type { Settings } from 'zesty-kite';
import { listen } from 'zesty-kite/dom';
import { follow } from 'zesty-kite/direct';
import { PlayerSettings, playerTexts, type Offers } from 'zesty-kite/players';
import schema from 'zesty-kite/settings.schema.json';
import { createPlayerDialog } from 'zesty-kite-panel/players';
import { createFrames } from '../lemon-strait/frames.ts';
import { loadGround } from '../lemon-strait/ground.ts';
import { canvasContext, element } from '../lemon-strait/page.ts';
import { createChoosing } from '../lemon-strait/select.ts';
import { loadBarges, loadPlaces, type Afloat } from '../lemon-strait/world.ts';
import { createPainter } from '../straight-down/paint.ts';

const [ground, places, barges] = await Promise.all([loadGround('coarse'), loadPlaces(), loadBarges()]);
const canvas = element('map', HTMLCanvasElement);
const list = element('list', HTMLUListElement);
const search = element('search', HTMLInputElement);
const readout = element('readout', HTMLOutputElement);
const scene = { canvas, ground, places, afloat: barges.afloat };
const paint = createPainter(scene);
const context = canvasContext(canvas);
/** The settings of players. */
const OFFERS: Offers = {
  'pan.speed': { min: 0.2, max: 3 },
  'zoom.halfLife': {},
  'zoom.anchor': { among: ['cursor', 'focus'] },
  edge: { among: [null, {}] },
  'inverted.wheel': {},
  'bindings.panUp': {},
  'bindings.panDown': {},
};
/** The last destination of each. */
const orders = new Map<Afloat, { readonly x: number; readonly y: number }>();

const { camera, drawSoon, first } = createFrames(
  {
    bounds: { left: 0, top: 0, right: ground.width, bottom: ground.height, whenViewIsLarger: 'centre' },
    start: { span: 360 },
    zoom: { minSpan: 24, maxSpan: 768 },
    // The panel covers the right side: what is framed, followed and zoomed to stays beside it.
    safeFrame: { right: 240 },
    edge: {},
    bindings: { drag: ['MouseMiddle', 'Touch'] },
  },
  {},
  (view, time) => {
    const sails = barges.sail(time / 1000);
    paint(view);
    for (const [barge, to] of orders) {
      const [from, at] = [view.toScreen(barge.x, barge.y), view.toScreen(to.x, to.y)];
      context.setLineDash([6, 5]);
      context.strokeStyle = '#f6d743';
      context.beginPath();
      context.moveTo(from.x, from.y);
      context.lineTo(at.x, at.y);
      context.stroke();
      context.setLineDash([]);
    }
    choosing.draw();
    readout.textContent = `${String(choosing.chosen.size)} chosen   ${String(orders.size)} sent`;
    return sails;
  },
);
const choosing = createChoosing(canvas, camera, barges.afloat, drawSoon, (barge) => {
  if (barge !== null) follow(camera, () => barge);
});
listen(canvas, camera, {
  panels: '.panel, dialog',
  ...choosing.options,
  tap: (tap) => {
    if (tap.input !== 'MouseRight') choosing.options.tap?.(tap);
    else if (tap.ground !== null) for (const barge of choosing.chosen) orders.set(barge, tap.ground);
  },
});

const show = (): void => {
  const wanted = search.value.toLowerCase();
  list.replaceChildren(
    ...barges.afloat
      .filter(({ name }) => name.toLowerCase().includes(wanted))
      .map((barge) => {
        const button = document.createElement('button');
        button.type = 'button';
        button.textContent = `${barge.name}, ${String(barge.crates)} crates`;
        button.addEventListener('click', () => follow(camera, () => barge));
        const item = document.createElement('li');
        item.append(button);
        return item;
      }),
  );
};
search.addEventListener('input', show);
show();
const own = new PlayerSettings(
  camera,
  schema,
  OFFERS,
  JSON.parse(localStorage.getItem('camera') ?? '{}') as Settings,
  playerTexts,
);
const dialog = createPlayerDialog(own, {
  changed: () => {
    localStorage.setItem('camera', JSON.stringify(own));
  },
});
element('ask', HTMLButtonElement).addEventListener('click', () => {
  dialog.show();
});
drawSoon();
await first;
scene.ground = await loadGround();
