/** Hills with the three package: pitch by zoom, the wheel zooms to the hill under the cursor, Q and E turn. */
import { Camera, terrainOf, tilted, type Settings } from 'zesty-kite';
import { listen } from 'zesty-kite/dom';
import { aimThree } from 'zesty-kite/three';
import {
  DirectionalLight,
  HemisphereLight,
  Mesh,
  MeshLambertMaterial,
  PerspectiveCamera,
  PlaneGeometry,
  Scene,
  SphereGeometry,
  WebGLRenderer,
} from 'three';
import file from './camera.json';

const heightAt = (x: number, y: number): number => 20 * Math.sin(x / 70) * Math.cos(y / 60) + 20;
const terrain = terrainOf({ id: 'waves', lowest: 0, highest: 40, feature: 8, heightAt });
const canvas = document.querySelector('canvas')!;
const renderer = new WebGLRenderer({ canvas, antialias: true });
const scene = new Scene();
const lens = new PerspectiveCamera();
const sun = new DirectionalLight('#fff', 2);
sun.position.set(-1, 2, 1);
scene.add(sun, new HemisphereLight('#fff', '#456', 1));

const ground = new PlaneGeometry(1024, 768, 256, 192).rotateX(-Math.PI / 2).translate(512, 0, 384);
const points = ground.getAttribute('position');
for (let i = 0; i < points.count; i++) points.setY(i, terrain.heightAt(points.getX(i), points.getZ(i)));
ground.computeVertexNormals();
scene.add(new Mesh(ground, new MeshLambertMaterial({ color: '#8fb656' })));
const balloon = new Mesh(new SphereGeometry(8), new MeshLambertMaterial({ color: '#f26b3a' }));
scene.add(balloon);

const settings = [tilted(), file as Settings];
const camera = new Camera(settings, { terrain });

function draw(time: number): void {
  // A balloon drifts over the hills.
  balloon.position.set(512 + 200 * Math.cos(time / 6000), 70, 384 + 150 * Math.sin(time / 6000));
  aimThree(camera.advance(time), lens, renderer);
  renderer.render(scene, lens);
  requestAnimationFrame(draw);
}

listen(canvas, camera);
requestAnimationFrame(draw);

// The panel tunes the camera and saves camera.json. A build leaves it out.
if (import.meta.env.DEV) {
  const { openPanel } = await import('zesty-kite-panel');
  openPanel(camera, { settings, folded: true });
}
