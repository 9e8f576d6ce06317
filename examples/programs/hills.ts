/** Hills in the three package: pitch by zoom, orbits, a barge to follow, a double click that goes there, and digging. */
import {
  DoubleSide,
  HemisphereLight,
  Mesh,
  MeshLambertMaterial,
  PerspectiveCamera,
  PlaneGeometry,
  Scene,
  WebGLRenderer,
} from 'three';
import { Camera, reshapeGrid, terrainOf, tilted } from 'zesty-kite';
import { follow, travel } from 'zesty-kite/direct';
import { listen } from 'zesty-kite/dom';
import { aimThree } from 'zesty-kite/three';

const STEP = 8;
const grid = { columns: 129, rows: 97, step: STEP };
const heightAt = (x: number, y: number): number => 20 * Math.sin(x / 70) * Math.cos(y / 60) + 20;
let terrain = terrainOf({ id: 'waves', lowest: 0, highest: 40, feature: STEP, heightAt }, grid);

document.body.innerHTML = '<canvas class="map"></canvas>';
const canvas = document.querySelector('canvas')!;
const renderer = new WebGLRenderer({ canvas, antialias: true });
const scene = new Scene().add(new HemisphereLight('#fff', '#456', 2));
const lens = new PerspectiveCamera();
const geometry = new PlaneGeometry(1024, 768, 128, 96).rotateX(-Math.PI / 2).translate(512, 0, 384);
scene.add(new Mesh(geometry, new MeshLambertMaterial({ color: '#8fb656', side: DoubleSide })));
const barge = { x: 200, y: 300 };

function raise(): void {
  const points = geometry.attributes.position!;
  for (let i = 0; i < points.count; i++) points.setY(i, terrain.heightAt(points.getX(i), points.getZ(i)));
  points.needsUpdate = true;
  geometry.computeVertexNormals();
}

const bounds = { left: 0, top: 0, right: 1024, bottom: 768, keep: 'focus' } as const;
const settings = [tilted({ eyeHeight: 60 }, { eyeHeight: 500 }), { bounds, start: { span: { eyeHeight: 250 } } }];
const camera = new Camera(settings, { terrain });
listen(canvas, camera, {
  tap: ({ ground, count, input }) => {
    if (ground && count === 2 && input === 'MouseLeft')
      void travel(camera, { x: ground.x, y: ground.y, span: { eyeHeight: 80 } });
  },
});
addEventListener('keydown', ({ code }) => {
  if (code === 'KeyB') follow(camera, () => barge);
  if (code === 'Space') dig(camera.shown.x, camera.shown.y);
});

function dig(x: number, y: number): void {
  const [column, row] = [Math.round(x / STEP), Math.round(y / STEP)];
  terrain = reshapeGrid(terrain, { column, row, columns: 1, heights: [0] });
  camera.changeTerrain(terrain);
  raise();
}

raise();
requestAnimationFrame(function frame(time) {
  barge.x = 200 + ((time / 50) % 600);
  aimThree(camera.advance(time), lens, renderer);
  renderer.render(scene, lens);
  requestAnimationFrame(frame);
});
Object.assign(globalThis, { camera, barge, terrain: () => terrain, renderer });
