/** The adapter for the three package, against the package itself. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { OrthographicCamera, PerspectiveCamera, Plane, Raycaster, Vector2, Vector3 } from 'three';
import { aim, View } from '../src/index.ts';
import { aimThree } from '../src/three/index.ts';
import { forRuns } from './law.ts';
import { between, pixelsBetween, screens } from './steering.ts';

const views = fc
  .record({
    pose: fc.record({
      x: between(-1e4, 1e4),
      y: between(-1e4, 1e4),
      focusHeight: between(-20, 60),
      span: between(5, 2000),
      heading: between(-720, 720),
      pitch: fc.oneof(fc.constant(90), between(5, 90)),
      fieldOfView: fc.oneof(fc.constant(0), between(1, 120)),
    }),
    screen: screens,
    insets: fc.oneof(
      fc.constant({ left: 0, top: 0, right: 0, bottom: 0 }),
      fc.record({ left: between(0, 400), top: between(0, 90), right: between(0, 90), bottom: between(0, 300) }),
    ),
  })
  .map(({ pose, screen, insets }) => aim(new View(), pose, screen, { lowest: -6, highest: 66 }, insets));
const unit = between(0, 1);

function cameraFor(view: View): PerspectiveCamera | OrthographicCamera {
  return view.fieldOfView > 0 ? new PerspectiveCamera() : new OrthographicCamera();
}

test('through the adapter the package projects what we project, within 1e-3 px, and clips no ground', () =>
  forRuns(500, views, unit, unit, between(-6, 66), (view, u, v, height) => {
    const camera = cameraFor(view);
    aimThree(view, camera);
    const at = { x: u * view.width, y: v * view.height };
    const ground = view.toLevel(at.x, at.y, height, { x: 0, y: 0 });
    if (ground === null || Math.hypot(ground.x - view.x, ground.y - view.y) > 60 * view.span) return;
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
    const ours = view.toGround(u * view.width, v * view.height);
    if (ours === null || Math.hypot(ours.x - view.x, ours.y - view.y) > 60 * view.span) return;
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
    'aimThree: found a perspective camera for an orthographic view; wanted an OrthographicCamera, or settings with lens.fieldOfView',
  );
  const deep = aim(new View(), { x: 0, y: 0, span: 100, pitch: 30, fieldOfView: 40 }, screen);
  expect(() => aimThree(deep, new OrthographicCamera())).toThrow(
    'aimThree: found an orthographic camera for a field of view of 40; wanted a PerspectiveCamera, or settings with lens.fieldOfView null',
  );
});
