/** Hills with the three package: pitch by zoom, the wheel zooms to the hill under the cursor, Q and E turn. */
import { Camera, terrainOf, tilted } from 'zesty-kite';
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
  WebGLRenderer,
} from 'three';

const heightAt = (x, y) => 20 * Math.sin(x / 70) * Math.cos(y / 60) + 20;
const terrain = terrainOf({ id: 'waves', lowest: 0, highest: 40, feature: 8, heightAt });
const canvas = document.querySelector('canvas');
const renderer = new WebGLRenderer({ canvas, antialias: true });
const scene = new Scene();
const lens = new PerspectiveCamera();
const sun = new DirectionalLight('#fff', 2);
sun.position.set(-1, 2, 1);
scene.add(sun, new HemisphereLight('#fff', '#456', 1));

const ground = new PlaneGeometry(1024, 768, 256, 192).rotateX(-Math.PI / 2).translate(512, 0, 384);
const points = ground.attributes.position;
for (let i = 0; i < points.count; i++) points.setY(i, heightAt(points.getX(i), points.getZ(i)));
ground.computeVertexNormals();
scene.add(new Mesh(ground, new MeshLambertMaterial({ color: '#8fb656' })));

const bounds = { left: 0, top: 0, right: 1024, bottom: 768, keep: 'focus' };
const settings = [tilted(), { bounds, start: { span: 300 }, lens: { fieldOfView: 40 } }];
const camera = new Camera(settings, { terrain, wake: drawSoon });

function draw(time) {
  const view = camera.advance(time);
  renderer.setPixelRatio(view.density);
  renderer.setSize(view.width, view.height, false);
  aimThree(view, lens);
  renderer.render(scene, lens);
  if (!camera.settled) drawSoon();
}

function drawSoon() {
  requestAnimationFrame(draw);
}

listen(canvas, camera);
drawSoon();
