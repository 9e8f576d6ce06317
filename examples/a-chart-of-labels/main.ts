/** A chart of SVG and HTML: one transform moves the sheet, and labels are pinned to places. */
import shoreUrl from '../../data/lemon-strait/shore.geojson?url';
import { listen } from 'zesty-kite/dom';
import { svgTransform } from 'zesty-kite/css';
import { createFrames } from '../lemon-strait/frames.ts';
import { outlines } from '../lemon-strait/islands.ts';
import { loadGround, type Ground } from '../lemon-strait/ground.ts';
import { createNames } from '../lemon-strait/names.ts';
import { createPanels, element } from '../lemon-strait/page.ts';
import { loadPlaces } from '../lemon-strait/world.ts';

const [ground, places, shore] = await Promise.all([
  loadGround('coarse'),
  loadPlaces(),
  fetch(shoreUrl).then(
    (response) => response.json() as Promise<{ features: { geometry: { coordinates: number[][][] } }[] }>,
  ),
]);
const map = element('map', HTMLDivElement);
const readout = element('readout', HTMLOutputElement);
const sheet = document.querySelector('#ground');

const draw = (name: string, d: string): void => {
  const path = document.createElementNS('http://www.w3.org/2000/svg', 'path');
  path.setAttribute('class', name);
  path.setAttribute('d', d);
  sheet?.append(path);
};
const ring = (points: readonly (readonly number[])[]): string =>
  `M${points.map(([x, y]) => `${String(x)} ${String(y)}`).join('L')}Z`;
const drawChart = (of: Ground): void => {
  sheet?.replaceChildren();
  draw('beach', outlines(of, 0).map(ring).join(''));
  draw('land', outlines(of, 3).map(ring).join(''));
  draw('hill', outlines(of, 24).map(ring).join(''));
  draw('waters', (shore.features[0]?.geometry.coordinates ?? []).map(ring).join(''));
};
drawChart(ground);

const panels = createPanels();
const pinNames = createNames(map, places, panels.isCovered);

const { camera, drawSoon, first } = createFrames(
  {
    bounds: { left: 0, top: 0, right: ground.width, bottom: ground.height, whenViewIsLarger: 'centre' },
    start: { span: 420 },
    zoom: { minSpan: 40, maxSpan: 900 },
    bindings: { turnLeft: ['KeyQ'], turnRight: ['KeyE'], drag: ['MouseLeft', 'MouseRight', 'Touch'] },
    twoFingers: { turn: true },
  },
  {},
  (view) => {
    sheet?.setAttribute('transform', svgTransform(view));
    panels.measure();
    const names = pinNames(view);
    readout.textContent = `span ${view.span.toFixed(0)}   ${String(names)} names`;
    return false;
  },
);
listen(map, camera, { panels: '.panel', pinchKey: 'Alt' });
drawSoon();
await first;
drawChart(await loadGround());
map.dataset['ground'] = 'fine';
