/** Hills, water and what stands and floats there, as meshes. World coordinates are (x, height, y). */
import {
  BoxGeometry,
  BufferGeometry,
  Color,
  ConeGeometry,
  CylinderGeometry,
  Float32BufferAttribute,
  Group,
  InstancedMesh,
  LOD,
  Matrix4,
  Mesh,
  MeshLambertMaterial,
  PerspectiveCamera,
  Scene as Stage,
  SphereGeometry,
  WebGLRenderer,
} from 'three';
import type { Camera, View } from 'zesty-kite';
import { aimThree } from 'zesty-kite/three';
import { createNames } from '../lemon-strait/names.ts';
import type { Scene } from '../lemon-strait/play.ts';
import type { Afloat, Place } from '../lemon-strait/world.ts';
import { createHills, createSea, FOCAL } from './hills.ts';
import { lights } from './light.ts';

const SKY = '#0a353f';
/** From this distance on trees are domes, world units. */
const FAR = 700;
/** Pixels of the picture per CSS pixel while the camera moves and no graphics card draws. */
const MOVING = 0.5;
/** How high above its ground the name of a place hangs, world units. */
const HIGH: Record<Place['kind'], number> = { grove: 10, 'press house': 12, pier: 4, lighthouse: 23 };

export function createPainter(scene: Scene, steered: Camera): (view: View) => void {
  const { canvas, places, afloat } = scene;
  let { ground } = scene;
  const bySoftware = isDrawnBySoftware();
  const renderer = new WebGLRenderer({ canvas, antialias: !bySoftware });
  const camera = new PerspectiveCamera();
  const stage = new Stage();
  stage.background = new Color(SKY);
  let land = createLand(ground, places);
  stage.add(...lights(), land, createSea(ground.width, ground.height, SKY));
  const names = document.createElement('div');
  names.className = 'marks';
  if (canvas instanceof HTMLCanvasElement) canvas.after(names);
  const pinNames = createNames(
    names,
    places,
    scene.isCovered ?? (() => false),
    ({ x, y, kind }) => Math.max(0, ground.terrain.heightAt(x, y)) + HIGH[kind],
  );
  const barges = afloat.map((one) => {
    const model = bargeModel(one);
    stage.add(model);
    return { one, model };
  });

  return (view) => {
    if (ground !== scene.ground) {
      ground = scene.ground;
      stage.remove(land);
      discard(land);
      land = createLand(ground, places);
      stage.add(land);
    }
    renderer.setPixelRatio(bySoftware && !steered.settled ? Math.min(devicePixelRatio, MOVING) : devicePixelRatio);
    renderer.setSize(view.width, view.height, false);
    for (const { one, model } of barges) {
      model.position.set(one.x, 0.2, one.y);
      model.rotation.y = Math.atan2(-one.alongY, one.alongX);
    }
    aimThree(view, camera);
    // A picture of fewer pixels needs less detail: levels of detail divide distances by the zoom.
    camera.zoom = (camera.projectionMatrix.elements[5] * canvas.height) / 2 / FOCAL;
    renderer.render(stage, camera);
    pinNames(view);
  };
}

/** Whether no graphics card draws. Then smooth edges take more than half of the time, and are left out. */
function isDrawnBySoftware(): boolean {
  const context = new OffscreenCanvas(1, 1).getContext('webgl2');
  const names = context?.getExtension('WEBGL_debug_renderer_info');
  return names
    ? /swiftshader|llvmpipe|software/i.test(String(context?.getParameter(names.UNMASKED_RENDERER_WEBGL)))
    : false;
}

/** The hills, and what stands on them. */
function createLand(ground: Scene['ground'], places: readonly Place[]): Group {
  const land = new Group();
  land.add(createHills(ground), trees(ground, places));
  for (const place of places) {
    const model = modelOf(place);
    model.position.set(place.x, Math.max(0, ground.terrain.heightAt(place.x, place.y)), place.y);
    land.add(model);
  }
  return land;
}

/** Gives back what the graphics card keeps of it. */
function discard(group: Group): void {
  group.traverse((one) => {
    if (one instanceof Mesh) (one.geometry as BufferGeometry).dispose();
  });
}

/** A few dozen trees around each grove. */
function trees({ terrain }: Scene['ground'], places: readonly Place[]): Group {
  const crown = new SphereGeometry(1.9, 6, 4).translate(0, 3.4, 0);
  const dome = new SphereGeometry(1.9, 6, 2, 0, 2 * Math.PI, 0, 0.6 * Math.PI).translate(0, 3.4, 0);
  const trunk = new CylinderGeometry(0.35, 0.45, 2.4, 5, 1, true).translate(0, 1.2, 0);
  const green = new MeshLambertMaterial({ color: '#3f7a3c' });
  const brown = new MeshLambertMaterial({ color: '#6b4a2b' });
  const at = new Matrix4();
  const groves = places
    .filter(({ kind }) => kind === 'grove')
    .map((place, grove) => {
      const spots = Array.from({ length: 26 }, (_, i) => {
        const angle = i * 2.4 + grove;
        const away = 4 + 3.1 * Math.sqrt(i);
        const [x, y] = [away * Math.cos(angle), away * Math.sin(angle)];
        return { x, y, height: terrain.heightAt(place.x + x, place.y + y) };
      }).filter(({ height }) => height > 2.5);
      const atEachSpot = (geometry: BufferGeometry, material: MeshLambertMaterial): InstancedMesh => {
        const mesh = new InstancedMesh(geometry, material, spots.length);
        spots.forEach(({ x, y, height }, i) => {
          mesh.setMatrixAt(i, at.makeTranslation(x, height, y));
        });
        return mesh;
      };
      const lod = new LOD();
      lod.addLevel(new Group().add(atEachSpot(crown, green), atEachSpot(trunk, brown)));
      // The crown hides the trunk.
      lod.addLevel(atEachSpot(dome, green), FAR);
      lod.position.set(place.x, 0, place.y);
      return lod;
    });
  return new Group().add(...groves);
}

function part(geometry: BufferGeometry, colour: string, height: number): Mesh {
  const mesh = new Mesh(geometry, new MeshLambertMaterial({ color: colour }));
  mesh.position.y = height;
  return mesh;
}

function modelOf({ kind }: Place): Group {
  const group = new Group();
  switch (kind) {
    case 'grove':
      group.add(
        part(new CylinderGeometry(0.5, 0.7, 4, 6), '#6b4a2b', 2),
        part(new SphereGeometry(3.2, 9, 7), '#f6d743', 6),
      );
      break;
    case 'press house':
      group.add(
        part(new BoxGeometry(9, 6, 7), '#fbf3e3', 3),
        part(new ConeGeometry(7, 5, 4).rotateY(Math.PI / 4), '#f26b3a', 8.4),
      );
      break;
    case 'pier':
      group.add(part(new BoxGeometry(12, 1, 4), '#8a6a43', 1.2));
      break;
    case 'lighthouse':
      group.add(
        part(new CylinderGeometry(1.7, 2.6, 17, 12), '#fbf3e3', 8.5),
        part(new CylinderGeometry(2.05, 2.35, 3.5, 12), '#f26b3a', 6.5),
        part(new CylinderGeometry(1.5, 1.5, 2.4, 12), '#f6d743', 18.2),
        part(new ConeGeometry(2.1, 2, 12), '#0b2f38', 20.4),
      );
  }
  return group;
}

/** Two strokes of foam behind a bow, flat on the water. */
function wake(): Mesh {
  const points = [5, 0, 0, -17, 0, -5.2, -17, 0, -3.9, 5, 0, 0, -17, 0, 3.9, -17, 0, 5.2];
  const geometry = new BufferGeometry().setAttribute('position', new Float32BufferAttribute(points, 3));
  geometry.setAttribute(
    'normal',
    new Float32BufferAttribute([0, 1, 0, 0, 1, 0, 0, 1, 0, 0, 1, 0, 0, 1, 0, 0, 1, 0], 3),
  );
  const foam = { color: '#fbf3e3', transparent: true, opacity: 0.35, depthWrite: false };
  const mesh = new Mesh(geometry, new MeshLambertMaterial(foam));
  mesh.position.y = 0.2;
  return mesh;
}

/** Along +x. */
function bargeModel({ crates }: Afloat): Group {
  const group = new Group();
  group.add(part(new BoxGeometry(9, 1.4, 4), '#fbf3e3', 0.7));
  const bow = part(new ConeGeometry(2, 3, 4).rotateZ(-Math.PI / 2), '#fbf3e3', 0.7);
  bow.position.x = 5.8;
  group.add(bow);
  group.add(wake());
  const many = Math.ceil(crates / 14);
  for (let i = 0; i < many; i++) {
    const crate = part(new BoxGeometry(1.5, 1.5, 2.4), '#f26b3a', 2.1);
    crate.position.x = -3.4 + i * 1.8;
    group.add(crate);
  }
  return group;
}
