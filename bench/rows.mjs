/** The rows of the bench: what a frame does, as a function that makes one. */
import { mat4 } from 'gl-matrix';

const bounds = { left: 0, top: 0, right: 1024, bottom: 768 };
const screen = { width: 1280, height: 800 };
const FRAME_MS = 1000 / 60;
/** Turning is off unless it is bound. */
const bindings = { turnRight: ['KeyE'] };
/** Receives results, so that nothing is optimised away and no number is boxed. */
export const sink = new Float64Array(1);

/** @param library the entries of one build, in one object */
export function rowsOf(library) {
  const { Camera, createMatrices, fillMatrices, follow, frustumPlanes, polygons, terrainOfGrid, visibleTiles } =
    library;
  const shapes = polygons ? [polygons] : undefined;

  /** A camera that never stops: keys held back and forth, and a notch four times a second. */
  function steeredFrames() {
    const camera = new Camera({ bounds, start: { span: 200 } }, { screen });
    const matrices = createMatrices();
    let frame = 0;
    return () => {
      const time = frame * FRAME_MS;
      if (frame % 15 === 0) {
        const odd = frame % 30 === 0;
        camera.signal({ kind: 'wheel', x: 900, y: 200, notches: odd ? -2 : 2, time });
        camera.signal({ kind: 'key', code: 'KeyD', down: odd, time });
        camera.signal({ kind: 'key', code: 'KeyA', down: !odd, time });
      }
      frame += 1;
      fillMatrices(camera.advance(time), matrices);
      sink[0] += matrices.viewProjection[0];
    };
  }

  /** A camera that moves without any signal: panning, zooming or both, for hours. */
  function movingFrames({ panning, zooming }) {
    const settings = { start: { span: 200 }, zoom: { halfLife: 60, minSpan: 1 } };
    const camera = new Camera(settings, { screen });
    const matrices = createMatrices();
    let frame = 0;
    if (panning) camera.signal({ kind: 'key', code: 'KeyD', down: true, time: 0 });
    return () => {
      // The half-life is a minute: a notch every ten keeps the zoom under way.
      if (zooming && frame % 36_000 === 0)
        camera.signal({ kind: 'wheel', x: 900, y: 200, notches: frame % 72_000 === 0 ? -30 : 30 });
      frame += 1;
      fillMatrices(camera.advance(frame * FRAME_MS), matrices);
      sink[0] += matrices.viewProjection[0];
    };
  }

  /** 513 × 385 samples of rolling hills. */
  const hills = terrainOfGrid({
    id: 'hills',
    columns: 513,
    rows: 385,
    step: 2,
    heights: Float64Array.from({ length: 513 * 385 }, (_, i) => 30 + 30 * Math.sin(i / 37) * Math.cos(i / 5130)),
  });

  /** Everything on: perspective, pitch and lens by zoom, 16 edges of bounds, terrain, and a zoom that grips. */
  function everythingFrames({ panning, devices = false }) {
    const polygon = Array.from({ length: 16 }, (_, i) => {
      const angle = (i / 16) * 2 * Math.PI;
      return [512 + 640 * Math.cos(angle), 384 + 640 * Math.sin(angle)];
    });
    const settings = {
      start: { x: 512, y: 384, span: 100 },
      pitch: {
        degrees: [
          [30, 40],
          [400, 70],
        ],
        halfLife: 0.1,
      },
      lens: {
        fieldOfView: [
          [30, 50],
          [400, 35],
        ],
        halfLife: 0.1,
      },
      bounds: { polygon, keep: 'view' },
      zoom: { halfLife: 60, minSpan: 20, maxSpan: 420 },
      pan: { speed: 0.001 },
      edge: devices ? { dwell: 0 } : null,
    };
    const camera = new Camera(settings, { screen, shapes, terrain: hills });
    const matrices = createMatrices();
    let frame = 0;
    if (panning) camera.signal({ kind: 'key', code: 'KeyD', down: true, time: 0 });
    if (devices) {
      camera.signal({ kind: 'pad', id: 0, axes: [0.1, 0.4, 0, 0], buttons: [], time: 0 });
      camera.signal({ kind: 'hover', x: 2, y: 798, time: 0 });
    }
    return () => {
      if (frame % 18_000 === 0)
        camera.signal({ kind: 'wheel', x: 700, y: 430, notches: frame % 36_000 === 0 ? -14 : 14 });
      frame += 1;
      fillMatrices(camera.advance(frame * FRAME_MS), matrices);
      sink[0] += matrices.viewProjection[0];
    };
  }

  /** Keys held back and forth along a ragged coast of 10,000 vertices: mostly pressed against it. */
  function coastFrames() {
    const ring = Array.from({ length: 10_000 }, (_, i) => {
      const angle = (i / 10_000) * 2 * Math.PI;
      const radius = 400 + 60 * Math.sin(angle * 9) + 6 * Math.sin(angle * 700) + 1.5 * Math.sin(angle * 3001);
      return [radius * Math.cos(angle), radius * Math.sin(angle)];
    });
    const bounds = { area: { type: 'Polygon', coordinates: [ring] }, keep: 'focus' };
    const camera = new Camera({ bounds, start: { span: 200 } }, { screen, shapes });
    const codes = ['KeyD', 'KeyS', 'KeyA', 'KeyW'];
    let frame = 0;
    return () => {
      const turn = Math.floor(frame / 2500);
      if (frame % 2500 === 0) {
        camera.signal({ kind: 'key', code: codes[(turn + 3) % 4], down: false });
        camera.signal({ kind: 'key', code: codes[turn % 4], down: true });
      }
      frame += 1;
      sink[0] += camera.advance(frame * FRAME_MS).x;
    };
  }

  /** Keys pressed back and forth against bounds, while pitch, lens and heading change and a zoom goes out into them. */
  function walledFrames({ shape, limits = 'centre', pitch = { degrees: 70 }, lens = {}, keep = 'view', elastic = 0 }) {
    const bounds = { ...shape, keep, whenViewIsLarger: limits, elastic };
    const zoom = { halfLife: 60, minSpan: 40, maxSpan: 3000 };
    const start = { x: 0, y: 0, span: 300 };
    const camera = new Camera({ bounds, zoom, start, pitch, lens, turn: { rate: 20 }, bindings }, { screen, shapes });
    const codes = ['KeyD', 'KeyS', 'KeyA', 'KeyW'];
    const matrices = createMatrices();
    let frame = 0;
    camera.signal({ kind: 'key', code: 'KeyE', down: true });
    return () => {
      const turn = Math.floor(frame / 2500);
      if (frame % 2500 === 0) {
        camera.signal({ kind: 'key', code: codes[(turn + 3) % 4], down: false });
        camera.signal({ kind: 'key', code: codes[turn % 4], down: true });
      }
      if (frame % 9000 === 0)
        camera.signal({ kind: 'wheel', x: 900, y: 300, notches: frame % 18_000 === 0 ? -30 : 30 });
      frame += 1;
      fillMatrices(camera.advance(frame * FRAME_MS), matrices);
      sink[0] += matrices.viewProjection[0];
    };
  }

  /** A target that goes in circles is followed while the view turns, zooms and is recorded nowhere. */
  function followingFrames() {
    const settings = { start: { span: 200 }, zoom: { halfLife: 60, minSpan: 1 }, turn: { rate: 20 }, bindings };
    const camera = new Camera({ ...settings, pitch: { degrees: 60, min: 30 }, lens: { fieldOfView: 40 } }, { screen });
    const matrices = createMatrices();
    const target = { x: -0.5, y: -0.5 };
    let frame = 0;
    camera.advance(0);
    follow(camera, () => target, { deadZone: { width: 0.1, height: 0.1 } });
    camera.signal({ kind: 'key', code: 'KeyE', down: true });
    return () => {
      if (frame % 36_000 === 0)
        camera.signal({ kind: 'wheel', x: 900, y: 200, notches: frame % 72_000 === 0 ? -30 : 30 });
      frame += 1;
      target.x = 300 * Math.sin(frame / 300);
      target.y = 300 * Math.cos(frame / 300);
      fillMatrices(camera.advance(frame * FRAME_MS), matrices);
      sink[0] += matrices.viewProjection[0];
    };
  }

  function ovalOf(corners) {
    return Array.from({ length: corners }, (_, i) => {
      const angle = (i / corners) * 2 * Math.PI;
      return [800 * Math.cos(angle), 600 * Math.sin(angle)];
    });
  }

  /** A view that turns on and on while a polygon limits the zoom: each frame it fits in another way. */
  function turningFrames({ corners, stops = null }) {
    const bounds = { polygon: ovalOf(corners), keep: 'view', whenViewIsLarger: 'limit-zoom' };
    const zoom = stops === null ? { maxSpan: 3000 } : { maxSpan: 3000, stops, stopUnit: 'span' };
    const camera = new Camera(
      { bounds, zoom, start: { span: 400 }, pitch: { degrees: curve }, bindings },
      { screen, shapes },
    );
    let frame = 0;
    camera.signal({ kind: 'key', code: 'KeyE', down: true });
    camera.signal({ kind: 'wheel', x: 640, y: 400, notches: -40 });
    return () => {
      frame += 1;
      sink[0] += camera.advance(frame * FRAME_MS).span;
    };
  }

  const walls = {
    rectangle: { left: -900, top: -600, right: 900, bottom: 600 },
    circle: { circle: { x: 0, y: 0, radius: 800 } },
    polygon: { polygon: ovalOf(16) },
  };
  const curve = [
    [100, 40],
    [1500, 75],
  ];
  const limits = 'limit-zoom';
  const sudden = { near: 45, far: 75, at: 500 };

  /** Culling, as a game does it in every frame. */
  function cullingFrames() {
    const camera = new Camera({ start: { span: 200 }, pitch: { degrees: 50 }, lens: { fieldOfView: 40 } }, { screen });
    const planes = new Float64Array(24);
    const footprint = new Float64Array(8);
    const spot = camera.view.eye();
    const tiles = visibleTiles(camera.advance(0), 16);
    let frame = 0;
    camera.signal({ kind: 'key', code: 'KeyD', down: true });
    return () => {
      frame += 1;
      const view = camera.advance(frame * FRAME_MS);
      frustumPlanes(view, planes);
      view.footprint(footprint);
      view.eye(spot);
      visibleTiles(view, 16, null, tiles);
      sink[0] += planes[3] + footprint[0] + spot.x + tiles.top;
    };
  }

  return {
    panning: () => movingFrames({ panning: true, zooming: false }),
    zooming: () => movingFrames({ panning: false, zooming: true }),
    'panning and zooming': () => movingFrames({ panning: true, zooming: true }),
    'the same with 12 signals a second to hear': steeredFrames,
    'everything on, gripping': () => everythingFrames({ panning: false }),
    'everything on, gripping and panning': () => everythingFrames({ panning: true }),
    'the same with a key, a stick and an edge at once': () => everythingFrames({ panning: true, devices: true }),
    'keys along a coast of 10,000 vertices, no matrices': coastFrames,
    'against a rectangle': () => walledFrames({ shape: walls.rectangle }),
    'against a circle': () => walledFrames({ shape: walls.circle }),
    'against a circle, elastic, focus alone': () => walledFrames({ shape: walls.circle, keep: 'focus', elastic: 0.2 }),
    'against a polygon': () => walledFrames({ shape: walls.polygon }),
    ...Object.fromEntries(
      Object.entries(walls).flatMap(([name, shape]) => [
        [
          `zoom limited by a ${name}, curves that ease`,
          () => walledFrames({ shape, limits, pitch: { degrees: curve }, lens: { fieldOfView: 40 } }),
        ],
        [
          `zoom limited by a ${name}, curve at once`,
          () => walledFrames({ shape, limits, pitch: { degrees: curve, halfLife: 0 } }),
        ],
        [
          `zoom limited by a ${name}, switch`,
          () => walledFrames({ shape, limits, pitch: { degrees: sudden, halfLife: 0.1 } }),
        ],
      ]),
    ),
    'turning where a polygon limits the zoom': () => turningFrames({ corners: 16 }),
    'turning where a polygon of 1,000 corners does': () => turningFrames({ corners: 1000 }),
    'turning where a polygon limits the zoom, stops': () =>
      turningFrames({ corners: 16, stops: [100, 200, 300, 400, 500] }),
    'following a target, turning': followingFrames,
    'planes, footprint, eye and tiles': cullingFrames,
  };
}

/** The usual work of a game with a general matrix package: look-at, projection, product, inverse. */
export function matrixPackageFrames() {
  const view = mat4.create();
  const projection = mat4.create();
  const product = mat4.create();
  const inverse = mat4.create();
  const eye = [0, 0, 0];
  const target = [0, 0, 0];
  const up = [0, 0, -1];
  let frame = 0;
  return () => {
    frame += 1;
    const x = 512 + (frame % 100);
    const span = 200 + (frame % 50);
    eye[0] = target[0] = x;
    eye[1] = span;
    eye[2] = target[2] = 384;
    mat4.lookAt(view, eye, target, up);
    mat4.ortho(projection, -span * 0.8, span * 0.8, -span / 2, span / 2, span / 2, span * 1.5);
    mat4.multiply(product, projection, view);
    mat4.invert(inverse, product);
    sink[0] += inverse[0];
  };
}
