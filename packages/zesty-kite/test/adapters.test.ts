/** CSS, SVG and Pixi show what the view says; and how many pixels are drawn by the zoom. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { tiles, tilted, type View } from '../src/index.ts';
import { createDrawing, densityByZoom } from '../src/canvas/index.ts';
import { cssTransform, layOnGround, pinLabel, svgTransform } from '../src/css/index.ts';
import { aimPixi, standUpright } from '../src/pixi/index.ts';
import { forAll } from './law.ts';
import { Camera } from './shapes.ts';
import { between, landmarks, looks, screens, settingsWith } from './steering.ts';

const views = fc
  .tuple(settingsWith(false, looks), screens)
  .map(([settings, screen]) => new Camera(settings, { screen }).advance(0));

/** Where a CSS transform puts a point. */
function put(transform: string, x: number, y: number): { x: number; y: number; deep: number } {
  const numbers = transform
    .slice(transform.indexOf('(') + 1, -1)
    .split(', ')
    .map(Number);
  const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = numbers;
  if (numbers.length === 6) return { x: a * x + c * y + e, y: b * x + d * y + f, deep: 1 };
  const row = (k: number): number => (numbers[k] ?? 0) * x + (numbers[4 + k] ?? 0) * y + (numbers[12 + k] ?? 0);
  return { x: row(0) / row(3), y: row(1) / row(3), deep: row(3) };
}

test('what lies on the ground by CSS shows where the view says, under any look, to 1e-3 px', () =>
  forAll(views, (view) => {
    const transform = cssTransform(view);
    for (const { x, y, height } of landmarks(view)) {
      const at = view.toScreen(x, y, height);
      const there = put(transform, x, y);
      expect(there.deep > 0).toBe(at.inFront);
      expect(Math.hypot(there.x - at.x, there.y - at.y)).toBeLessThan(1e-3);
    }
    const element = { style: { transform: '', transformOrigin: '' } };
    layOnGround(view, element);
    expect(element.style).toEqual({ transform, transformOrigin: '0 0' });
    if (view.fieldOfView === 0 || view.pitch === 90) expect(svgTransform(view)).toBe(transform);
    else {
      expect(() => svgTransform(view)).toThrow(/svgTransform: expected .*, got a field of view of/);
      expect(transform).toMatch(/^matrix3d/);
    }
  }));

test('a label is pinned on a whole device pixel, and hidden where it does not show', () =>
  forAll(views, between(-2, 2), between(-2, 2), (view, u, v) => {
    const style = { transform: '', visibility: '' };
    const place = { x: view.x + u * view.span, y: view.y + v * view.span };
    const at = view.toScreen(place.x, place.y, view.focusHeight);
    const shown = pinLabel(view, { style }, place, 0);
    const inside = at.inFront && at.x >= 0 && at.y >= 0 && at.x <= view.width && at.y <= view.height;
    expect([shown !== null, style.visibility]).toEqual([inside, inside ? 'visible' : 'hidden']);
    if (!inside) return;
    const [x = NaN, y = NaN] = (/\((.*)px, (.*)px\)/.exec(style.transform) ?? []).slice(1).map(Number);
    expect(Math.max(Math.abs(x - at.x), Math.abs(y - at.y)) * view.density).toBeLessThanOrEqual(0.5 + 1e-9);
    expect((x * view.density) % 1).toBeCloseTo(0, 9);
  }));

class Pair {
  x = NaN;
  y = NaN;
  set(x: number, y: number): void {
    this.x = x;
    this.y = y;
  }
}

test('a Pixi container lies on the ground: skew, scale and position make the view’s transform, or it is refused', () =>
  forAll(views, (view) => {
    const container = { position: new Pair(), scale: new Pair(), skew: new Pair(), rotation: 9 };
    if (view.fieldOfView > 0 && view.pitch < 90) {
      expect(() => {
        aimPixi(view, container);
      }).toThrow(/aimPixi: expected .*, got a field of view of/);
      return;
    }
    aimPixi(view, container);
    const { position, scale, skew, rotation } = container;
    const { a, b, c, d, e, f } = view.affine();
    // As the package composes it.
    expect(Math.cos(rotation + skew.y) * scale.x).toBeCloseTo(a, 9);
    expect(Math.sin(rotation + skew.y) * scale.x).toBeCloseTo(b, 9);
    expect(-Math.sin(rotation - skew.x) * scale.y).toBeCloseTo(c, 9);
    expect(Math.cos(rotation - skew.x) * scale.y).toBeCloseTo(d, 9);
    expect([position.x, position.y]).toEqual([e, f]);
  }));

test('upright sprites stand where the view says, as large as a level step to the right there, and nearer ones above', () =>
  forAll(views, fc.boolean(), (view: View, wholePixels) => {
    const stood = landmarks(view).map(({ x, y, height }) => {
      const sprite = { position: new Pair(), scale: new Pair(), zIndex: NaN, visible: true };
      const shows = standUpright(view, sprite, x, y, height, { wholePixels, reach: 1e9 });
      const at = view.toScreen(x, y, height);
      expect([shows, sprite.visible]).toEqual([at.inFront, at.inFront]);
      if (!shows) return { zIndex: NaN, depth: at.depth };
      expect(Math.abs(sprite.position.x - at.x)).toBeLessThanOrEqual(wholePixels ? 0.5 / view.density + 1e-9 : 0);
      const right = view.right();
      const step = 1e-4 * view.span;
      const beside = view.toScreen(x + right.x * step, y + right.y * step, height);
      expect(sprite.scale.x / ((beside.x - at.x) / step)).toBeCloseTo(1, 5);
      return { zIndex: sprite.zIndex, depth: at.depth };
    });
    for (const one of stood)
      for (const other of stood)
        if (one.depth < other.depth - 1e-6 * view.span && view.pitch < 89)
          expect(one.zIndex).toBeGreaterThan(other.zIndex);
  }));

test('fewer pixels from afar: whole device pixels each, never more than there are, and picks stay exact', () => {
  forAll(between(1, 3), between(10, 1000), (density, span) => {
    const camera = new Camera({ start: { span } }, { screen: { width: 600, height: 400, density } });
    const view = camera.advance(0);
    const drawn = densityByZoom({
      byZoom: [
        [60, 1],
        [400, 0.2],
      ],
    })(view);
    expect(density / drawn).toBeCloseTo(Math.round(density / drawn), 9);
    expect(drawn).toBeLessThanOrEqual(density);
    const canvas = { width: 0, height: 0, style: { width: '', height: '', imageRendering: '' } };
    const before = view.toGround(120, 90);
    const shown = createDrawing(
      { canvas, setTransform: () => undefined, clearRect: () => undefined },
      { density: () => drawn, enlarge: 'nearest' },
    ).begin(view);
    expect([canvas.width, canvas.height]).toEqual([Math.round(600 * drawn), Math.round(400 * drawn)]);
    expect(canvas.style.imageRendering).toBe('pixelated');
    expect(shown.toGround(120, 90)).toEqual(before);
  });
  expect(() => densityByZoom({ byZoom: [] })).toThrow(
    'densityByZoom: expected rising spans with densities above 0, such as [[60, 1], [400, 0.25]], got []',
  );
  // The same curve in other units.
  const eye = new Camera(
    { lens: { fieldOfView: 40 }, pitch: { degrees: 50 }, start: { span: 150 } },
    { screen: { width: 600, height: 400 } },
  ).advance(0);
  const rules = [
    [
      [60, 1],
      [400, 0.2],
    ],
    [
      [{ pixelsPerUnit: 400 / 60 }, 1],
      [{ pixelsPerUnit: 1 }, 0.2],
    ],
    [
      [{ eyeHeight: (eye.eye().height * 60) / 150 }, 1],
      [{ eyeHeight: (eye.eye().height * 400) / 150 }, 0.2],
    ],
  ] as const;
  const [bySpan, ...others] = rules.map((byZoom) => densityByZoom({ byZoom, wholeSteps: false })(eye));
  for (const density of others) expect(density).toBeCloseTo(bySpan ?? NaN, 9);
  expect(() =>
    densityByZoom({
      byZoom: [
        [{ pixelsPerUnit: 1 }, 1],
        [{ pixelsPerUnit: 2 }, 2],
      ],
    }),
  ).toThrow('rising spans');
});

test('more pixels from afar: whole ones for each device pixel; and images are smoothed as the drawing says, in every frame', () => {
  forAll(between(1, 2), (density) => {
    const camera = new Camera({ start: { span: 800 } }, { screen: { width: 60, height: 40, density } });
    const rule = { byZoom: [[60, 1] as const, [400, 4] as const] };
    const drawn = densityByZoom(rule)(camera.advance(0));
    expect(drawn / density).toBeCloseTo(Math.round(4 / density), 9);
    expect(densityByZoom({ ...rule, wholeSteps: false })(camera.view)).toBe(4);
    const context = {
      canvas: { width: 0, height: 0 },
      imageSmoothingEnabled: true,
      setTransform: () => undefined,
      clearRect: () => undefined,
    };
    createDrawing(context).begin(camera.view);
    expect(context.imageSmoothingEnabled).toBe(true);
    const drawing = createDrawing(context, { smoothing: false });
    for (const before of [true, false]) {
      context.imageSmoothingEnabled = before;
      drawing.begin(camera.view);
      expect(context.imageSmoothingEnabled).toBe(false);
    }
  });
});

test('an upright sprite that is drawn for tiles has its own size where they have theirs', () => {
  forAll(between(16, 128), between(1, 32), between(1, 3), (width, side, scale) => {
    const art = { width, height: width / 2, side, scales: [scale] };
    const camera = new Camera(tiles(art), { screen: { width: 800, height: 600, density: 1 } });
    const view = camera.advance(0);
    const sprite = { position: new Pair(), scale: new Pair(), zIndex: NaN, visible: true };
    standUpright(view, sprite, view.x, view.y, 0, { art });
    expect(sprite.scale.x).toBeCloseTo(scale, 6);
  });
  const sprite = { position: new Pair(), scale: new Pair(), zIndex: NaN, visible: true };
  const view = new Camera({}, { screen: { width: 8, height: 6 } }).advance(0);
  expect(() => standUpright(view, sprite, 0, 0, 0, { art: { width: 0 } })).toThrow('standUpright.options.art.width');
});

test('a tilted perspective on a 2D canvas is refused, and the adapter that draws it is named', () => {
  const view = new Camera([{ start: { span: 100 } }, tilted()], { screen: { width: 600, height: 400 } }).advance(0);
  const canvas = { width: 0, height: 0 };
  const drawing = createDrawing({ canvas, setTransform: () => undefined, clearRect: () => undefined });
  expect(() => drawing.begin(view)).toThrow(
    /^createDrawing: expected an orthographic lens .* aimThree of zesty-kite\/three, or fillMatrices, got a field of view of 40 at a pitch of [\d.]+/,
  );
});
