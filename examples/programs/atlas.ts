/** An SVG map with HTML labels, on a page that scrolls. */
import { Camera } from 'zesty-kite';
import { pinLabel, svgTransform } from 'zesty-kite/css';
import { listen } from 'zesty-kite/dom';

const places = [
  { name: 'Fingers', x: 300, y: 200 },
  { name: 'Pith Point', x: 700, y: 500 },
];
document.body.innerHTML = `<div class="map" style="position: relative; height: 400px; overflow: hidden">
  <svg width="100%" height="100%"><g><rect width="1024" height="768" fill="#8fb656" /></g></svg></div>
  <p style="height: 2000px">Below the map</p>`;
const map = document.querySelector<HTMLElement>('.map')!;
const group = map.querySelector('g')!;
const labels = places.map(({ name }) => {
  const label = map.appendChild(document.createElement('button'));
  label.style.cssText = 'position: absolute; left: 0; top: 0';
  label.textContent = name;
  return label;
});

const camera = new Camera({
  bounds: { left: 0, top: 0, right: 1024, bottom: 768 },
  start: { span: 500 },
  wheel: { requires: 'control' },
  drag: { touchRequires: 'two-fingers' },
});
listen(map, camera, { leftToPage: () => (map.title = 'Hold Control to zoom') });
requestAnimationFrame(function frame(time) {
  const view = camera.advance(time);
  group.setAttribute('transform', svgTransform(view));
  places.forEach((place, i) => pinLabel(view, labels[i]!, place));
  requestAnimationFrame(frame);
});
Object.assign(globalThis, { camera });
