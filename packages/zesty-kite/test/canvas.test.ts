/** A 2D canvas made ready for each frame. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { createDrawing, type Canvas, type CanvasContext } from '../src/canvas/index.ts';
import { aim, Camera, tiles, View, visibleTiles, type PoseInput } from '../src/index.ts';
import { forAll } from './law.ts';
import { between } from './steering.ts';

/** A context that remembers its transform and what it cleared. */
class Context implements CanvasContext {
  readonly canvas: Canvas;
  transform: readonly number[] = [];
  cleared: readonly number[] = [];

  constructor(canvas: Canvas = { width: 300, height: 150 }) {
    this.canvas = canvas;
  }

  setTransform(...transform: number[]): void {
    this.transform = transform;
  }

  clearRect(...cleared: number[]): void {
    this.cleared = [...cleared, ...this.transform];
  }

  /** Where a point of what is drawn lands, device pixels. */
  at(x: number, y: number): { x: number; y: number } {
    const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = this.transform;
    return { x: a * x + c * y + e, y: b * x + d * y + f };
  }
}

const screens = fc.record({ width: between(50, 3000), height: between(50, 2000), density: between(0.5, 4) });
const poses: fc.Arbitrary<PoseInput> = fc.record({
  x: between(-900, 900),
  y: between(-900, 900),
  span: between(10, 900),
  heading: between(-360, 360),
  pitch: between(20, 90),
});
const insets = fc.record({ left: between(0, 20), top: between(0, 20), right: between(0, 20), bottom: between(0, 20) });

test('it has as many pixels as the screen has device pixels, is cleared whole, and draws where the view says', () => {
  forAll(screens, poses, insets, between(-900, 900), between(-900, 900), (screen, pose, panels, x, y) => {
    const context = new Context();
    const drawing = createDrawing(context);
    const view = aim(new View(), pose, screen, undefined, panels);
    expect(drawing.begin(view)).toBe(view);
    const { density } = screen;
    expect(context.canvas).toEqual({
      width: Math.round(screen.width * density),
      height: Math.round(screen.height * density),
    });
    expect(context.cleared).toEqual([0, 0, context.canvas.width, context.canvas.height, 1, 0, 0, 1, 0, 0]);
    const shown = view.toScreen(x, y);
    expect(context.at(x, y).x / density).toBeCloseTo(shown.x, 6);
    expect(context.at(x, y).y / density).toBeCloseTo(shown.y, 6);
    drawing.inPixels();
    expect(context.at(10, 20)).toEqual({ x: 10 * density, y: 20 * density });
  });
});

test('snapped, the origin is on whole device pixels, nothing moves by more than half of one, and picks agree with it', () => {
  forAll(screens, poses, insets, (screen, pose, panels) => {
    const context = new Context();
    const exact = aim(new View(), pose, screen, undefined, panels);
    const drawn = createDrawing(context, { snap: 'always' }).begin(exact);
    const origin = context.at(0, 0);
    expect([origin.x - Math.round(origin.x), origin.y - Math.round(origin.y)]).toEqual([
      expect.closeTo(0, 6),
      expect.closeTo(0, 6),
    ]);
    const [was, is] = [exact.toScreen(pose.x, pose.y), drawn.toScreen(pose.x, pose.y)];
    expect(Math.abs(is.x - was.x) * screen.density).toBeLessThan(0.5 + 1e-6);
    expect(Math.abs(is.y - was.y) * screen.density).toBeLessThan(0.5 + 1e-6);
    const ground = drawn.toGround(33, 44);
    const back = context.at(ground?.x ?? NaN, ground?.y ?? NaN);
    expect([back.x / screen.density, back.y / screen.density]).toEqual([expect.closeTo(33, 5), expect.closeTo(44, 5)]);
    expect(exact).toMatchObject(pose);
  });
});

test('at rest it is snapped in full, in motion not at all, and in between it goes by less than a fifth of a pixel a frame', () => {
  const look = tiles({ width: 64, height: 32, side: 16 });
  forAll(between(-200, 200), between(600, 900), between(1, 3), (x, held, density) => {
    const camera = new Camera([look, { start: { x, y: 7.3 } }], { screen: { width: 801, height: 533, density } });
    const context = new Context();
    const drawing = createDrawing(context, { snap: 'at-rest' });
    let last = 0;
    let offset = NaN;
    for (let time = 0; time < held + 4000; time += 16) {
      camera.signal({ kind: 'key', code: 'KeyD', down: time < held, time });
      const view = camera.advance(time);
      const drawn = drawing.begin(view);
      const before = offset;
      offset = (drawn.toScreen(0, 0).x - view.toScreen(0, 0).x) * density;
      if (time > 0) expect(Math.abs(offset - before)).toBeLessThan(0.2);
      if (time > 300 && time < held) expect(Math.abs(offset)).toBeLessThan(0.01);
      last = context.at(0, 0).x;
    }
    expect([camera.settled, drawing.settled]).toEqual([true, true]);
    expect(last).toBeCloseTo(Math.round(last), 6);
  });
});

test('an element that no style gives a size keeps the size that it had; what cannot be drawn is refused', () => {
  const canvas = {
    width: 300,
    height: 150,
    style: { width: '', height: '' },
    get clientWidth() {
      return this.style.width === '' ? this.width : parseFloat(this.style.width);
    },
  };
  const drawing = createDrawing(new Context(canvas));
  const flat = { x: 0, y: 0, span: 10 };
  drawing.begin(aim(new View(), flat, { width: 300, height: 150, density: 2 }));
  expect([canvas.width, canvas.style]).toEqual([600, { width: '300px', height: '150px' }]);
  const tilted = aim(new View(), { ...flat, pitch: 50, fieldOfView: 40 }, { width: 300, height: 150 });
  expect(() => drawing.begin(tilted)).toThrow(/createDrawing: expected .*, got a field of view of 40/);
  expect(() => createDrawing(new Context(), { snap: 'often' as 'never' })).toThrow(
    'createDrawing.snap: expected one of "never", "at-rest", "always", got "often"',
  );
});

test('tiles can be walked through: every one that the rows list, once, in order', () => {
  forAll(screens, poses, between(4, 60), fc.boolean(), (screen, pose, size, ends) => {
    const view = aim(new View(), pose, screen);
    fc.pre(screen.width / view.scale / size < 300 && screen.height / view.scale / size < 200);
    const rows = visibleTiles(view, size, ends ? { columns: 9, rows: 7 } : null);
    const listed: number[][] = [];
    for (let row = rows.top; row < rows.bottom; row++)
      for (let column = rows.from[row - rows.top] ?? 0; column < (rows.to[row - rows.top] ?? 0); column++)
        listed.push([column, row]);
    const walked: number[][] = [];
    for (const { column, row } of rows) walked.push([column, row]);
    expect(walked).toEqual(listed);
  });
});
