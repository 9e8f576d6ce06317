/** The adapter for the three package, against the package itself. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import { OrthographicCamera, PerspectiveCamera, Plane, Raycaster, Vector2, Vector3 } from 'three';
import { aim, View } from '../src/index.ts';
import { aimThree } from '../src/three/index.ts';
import { forRuns } from './law.ts';
import { pixelsBetween } from './steering.ts';
import { heightOf, under, unit, views as anyViews } from './views.ts';

/** Where the package's own rounding is a thousandth of a pixel, nothing can be said of ours. */
const views = anyViews.filter(({ pitch, span }) => pitch >= 5 && span >= 5);

function cameraFor(view: View): PerspectiveCamera | OrthographicCamera {
  return view.fieldOfView > 0 ? new PerspectiveCamera() : new OrthographicCamera();
}

test('through the adapter the package projects what we project, within 1e-3 px, and clips no ground', () =>
  forRuns(500, views, unit, unit, unit, (view, u, v, rise) => {
    const camera = cameraFor(view);
    aimThree(view, camera);
    const at = { x: u * view.width, y: v * view.height };
    const height = heightOf(view, rise);
    const ground = under(view, u, v, height);
    if (ground === null) return;
    const shown = new Vector3(ground.x, height, ground.y).project(camera);
    const theirs = { x: ((shown.x + 1) / 2) * view.width, y: ((1 - shown.y) / 2) * view.height };
    expect(pixelsBetween(theirs, at)).toBeLessThan(1e-3);
    const { depth } = view.toScreen(ground.x, ground.y, height);
    if (view.fieldOfView > 0 && depth < 0.01 * view.span) return;
    expect(Math.abs(shown.z)).toBeLessThanOrEqual(1 + 1e-6);
  }));

test('the package’s own picking agrees with ours', () => {
  const caster = new Raycaster();
  const hit = new Vector3();
  forRuns(500, views, unit, unit, (view, u, v) => {
    const camera = cameraFor(view);
    aimThree(view, camera);
    const ours = under(view, u, v, view.focusHeight);
    if (ours === null) return;
    caster.setFromCamera(new Vector2(u * 2 - 1, 1 - v * 2), camera);
    const theirs = caster.ray.intersectPlane(new Plane(new Vector3(0, 1, 0), -view.focusHeight), hit);
    const shown = view.toScreen(theirs?.x ?? NaN, theirs?.z ?? NaN);
    expect(pixelsBetween(shown, { x: u * view.width, y: v * view.height })).toBeLessThan(1e-3);
    expect(pixelsBetween(view.toScreen(ours.x, ours.y), shown)).toBeLessThan(1e-3);
  });
});

test('a camera of the wrong kind is refused with what was found and what would do', () => {
  const screen = { width: 800, height: 600 };
  const flat = aim(new View(), { x: 0, y: 0, span: 100, pitch: 30 }, screen);
  expect(() => aimThree(flat, new PerspectiveCamera())).toThrow(
    'aimThree: expected an OrthographicCamera, or settings with lens.fieldOfView, got a perspective camera for an orthographic view',
  );
  const deep = aim(new View(), { x: 0, y: 0, span: 100, pitch: 30, fieldOfView: 40 }, screen);
  expect(() => aimThree(deep, new OrthographicCamera())).toThrow(
    'aimThree: expected a PerspectiveCamera, or settings with lens.fieldOfView null, got an orthographic camera for a field of view of 40',
  );
});
