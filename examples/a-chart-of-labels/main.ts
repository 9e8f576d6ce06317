/** A chart of SVG and HTML: one transform moves the sheet, and labels are pinned to places. */
import shoreUrl from '../../data/lemon-strait/shore.geojson?url';
import { listen } from 'zesty-kite/dom';
import { pinLabel, svgTransform } from 'zesty-kite/css';
import { createFrames } from '../lemon-strait/frames.ts';
import { outlines } from '../lemon-strait/islands.ts';
import { loadGround } from '../lemon-strait/ground.ts';
import { element } from '../lemon-strait/page.ts';
import { loadPlaces } from '../lemon-strait/world.ts';

const [ground, places, shore] = await Promise.all([
  loadGround(),
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
draw('beach', outlines(ground, 0).map(ring).join(''));
draw('land', outlines(ground, 3).map(ring).join(''));
draw('hill', outlines(ground, 24).map(ring).join(''));
draw('waters', (shore.features[0]?.geometry.coordinates ?? []).map(ring).join(''));

const labels = places.map((place) => {
  const label = document.createElement('span');
  label.className = `label ${place.kind.replace(' ', '-')}`;
  label.textContent = place.name;
  map.append(label);
  return { place, label };
});

const { camera, drawSoon } = createFrames(
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
    const taken: { x: number; y: number }[] = [];
    const panels = [...document.querySelectorAll('.panel')].map((panel) => panel.getBoundingClientRect());
    for (const { place, label } of labels) {
      const at = pinLabel(view, label, place);
      // A name that would lie over another, or behind a panel, is left out until there is room.
      const free =
        at !== null &&
        !taken.some(({ x, y }) => Math.abs(x - at.x) < 110 && Math.abs(y - at.y) < 18) &&
        !panels.some(
          ({ left, top, right, bottom }) =>
            at.x > left - 110 && at.x < right + 12 && at.y > top - 12 && at.y < bottom + 12,
        );
      label.style.opacity = free ? '1' : '0';
      if (free) taken.push(at);
    }
    readout.textContent = `span ${view.span.toFixed(0)}   ${String(taken.length)} names`;
    return false;
  },
);
listen(map, camera, { panels: '.panel', standIn: 'Alt' });
drawSoon();
