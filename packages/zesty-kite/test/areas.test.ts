/** Areas of several features: shared borders are no walls, and overlaps are refused. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { Camera as Bare, checkSettings as bareCheck, SettingsError, type Settings } from '../src/index.ts';
import { polygons as polygonKind } from '../src/polygons/index.ts';
import { reviewSettings } from '../src/review/index.ts';
import { forAll } from './law.ts';
import { Camera, checkSettings } from './shapes.ts';
import { between } from './steering.ts';

type Corner = [number, number];
const screen = { width: 800, height: 600 };

function areaOf(polygons: readonly (readonly Corner[][])[], names: readonly string[] = []): Settings {
  const features = polygons.map((rings, i) => ({
    type: 'Feature',
    properties: names[i] === undefined ? null : { name: names[i] },
    geometry: { type: 'Polygon', coordinates: rings.map((ring) => [...ring, ring[0]]) },
  }));
  return { bounds: { keep: 'focus', area: { type: 'FeatureCollection', features } } };
}

/**
 * A rectangle of 600 × 400, cut into cells whose corners are moved about; some sides have further corners
 * that the neighbour lacks (T-junctions), one cell is an enclave with another inside, and one is a sliver.
 */
const countriesDrawn = (apart: number): fc.Arbitrary<Corner[][][]> =>
  fc
    .record({
      columns: fc.integer({ min: 1, max: 5 }),
      rows: fc.integer({ min: 1, max: 5 }),
      moved: fc.array(fc.tuple(between(-0.3, 0.3), between(-0.3, 0.3)), { minLength: 36, maxLength: 36 }),
      tees: fc.array(between(0.1, 0.9), { minLength: 25, maxLength: 25 }),
      enclave: fc.boolean(),
      sliver: fc.boolean(),
      drawn: fc.array(between(-1, 1), { minLength: 64, maxLength: 64 }),
    })
    .map(({ columns, rows, moved, tees, enclave, sliver, drawn }) => {
      const [wide, high] = [600 / columns, 400 / rows];
      const at = (column: number, row: number): Corner => {
        const [dx = 0, dy = 0] = moved[row * 6 + column] ?? [];
        const inX = column > 0 && column < columns;
        const inY = row > 0 && row < rows;
        return [column * wide + (inX ? dx * wide : 0), row * high + (inY ? dy * high : 0)];
      };
      const on = ([x1, y1]: Corner, [x2, y2]: Corner, share: number): Corner => [
        x1 + (x2 - x1) * share,
        y1 + (y2 - y1) * share,
      ];
      const polygons: Corner[][][] = [];
      for (let row = 0; row < rows; row++)
        for (let column = 0; column < columns; column++) {
          const [a, b, c, d] = [at(column, row), at(column + 1, row), at(column + 1, row + 1), at(column, row + 1)];
          // A corner on the right side that the neighbour to the right knows nothing of.
          const ring = [a, b, on(b, c, tees[row * 5 + column] ?? 0.5), c, d];
          // Each is drawn by itself, off by so many degrees of a globe at most.
          const off = (k: number): number => ((drawn[(row * 5 + column + k) % 64] ?? 0) * apart * 600) / 180;
          polygons.push([ring.map(([x, y], k): Corner => [x + off(2 * k), y + off(2 * k + 31)])]);
        }
      const [first] = polygons;
      const corner = first?.[0]?.[0];
      const opposite = first?.[0]?.[3];
      if (enclave && first && corner && opposite) {
        const hole = [0.45, 0.55].map((share) => on(corner, opposite, share));
        const [p = corner, q = opposite] = hole;
        const inner: Corner[] = [p, [q[0], p[1]], q, [p[0], q[1]]];
        first.push(inner);
        polygons.push([inner]);
      }
      if (sliver)
        polygons.push([
          [
            [600, 0],
            [600 + 1e-7, 200],
            [600, 400],
          ],
        ]);
      return polygons;
    });

const countries = countriesDrawn(1e-5);

test('a camera without polygons rejects them, names the entry, and passes on every other shape', () => {
  const polygon: [number, number][] = [
    [0, 0],
    [9, 0],
    [0, 9],
  ];
  const area = { type: 'Polygon' as const, coordinates: [polygon] };
  for (const [name, bounds] of Object.entries<NonNullable<Settings['bounds']>>({
    polygon: { polygon },
    area: { area },
  })) {
    const message = `bounds.${name}: expected the option { shapes: [polygons] } of \`zesty-kite/polygons\`, got none`;
    expect(() => new Bare({ bounds })).toThrow(message);
    expect(() => {
      new Bare().change({ bounds });
    }).toThrow(message);
    expect(() => bareCheck({ bounds })).toThrow(message);
    expect(new Bare({ bounds }, { shapes: [polygonKind] }).settings.bounds).toMatchObject({
      [name]: expect.anything(),
    });
  }
  expect(() => new Bare({}, { shapes: polygonKind as never })).toThrow(/options\.shapes: expected .*, got \{/);
  expect(new Bare({ bounds: { circle: { x: 0, y: 0, radius: 5 } } }).settings.bounds?.circle?.radius).toBe(5);
});

test('the shared borders of several polygons are no walls: the focus goes from side to side as in one rectangle', () => {
  const keys = fc.constantFrom('KeyD' as const, 'KeyA' as const, 'KeyS' as const, 'KeyW' as const);
  const crossed = (apart: number, ahead: number, aside: number): void => {
    forAll(countriesDrawn(apart), between(5, 595), between(5, 395), keys, (polygons, x, y, code) => {
      const settings: Settings = { ...areaOf(polygons), start: { x, y, span: 100 }, pan: { speed: 2 } };
      const camera = new Camera(settings, { screen });
      camera.advance(0);
      expect([camera.shown.x, camera.shown.y]).toEqual([expect.closeTo(x, 4), expect.closeTo(y, 4)]);
      camera.signal({ kind: 'key', code, down: true, time: 0 });
      for (let time = 0; time <= 6000; time += 50) camera.advance(time);
      const end = { KeyD: [600, y], KeyA: [0, y], KeyS: [x, 400], KeyW: [x, 0] }[code];
      const off = [camera.shown.x - (end[0] ?? NaN), camera.shown.y - (end[1] ?? NaN)].map(Math.abs);
      const [offAhead = NaN, offAside = NaN] = code === 'KeyD' || code === 'KeyA' ? off : off.toReversed();
      expect(offAhead).toBeLessThan(ahead);
      expect(offAside).toBeLessThan(aside);
      expect(camera.boundsExcess).toBe(0);
    });
  };
  crossed(0, 1e-4, 1e-4);
  // Outer sides are then a little aslant, and the focus slides along them.
  crossed(1e-5, 1e-3, 0.05);
});

const square = (x: number, y: number, side: number): Corner[] => [
  [x, y],
  [x + side, y],
  [x + side, y + side],
  [x, y + side],
];

test('polygons that cover the same ground are refused, naming both features, the place and what to do', () => {
  const overlapping: [string, Corner[][][]][] = [
    ['crossing', [[square(0, 0, 10)], [square(5, 5, 10)]]],
    ['one inside the other', [[square(0, 0, 10)], [square(3, 3, 2)]]],
    ['the same twice', [[square(0, 0, 10)], [square(0, 0, 10)]]],
    [
      'through corners',
      [
        [square(0, 0, 10)],
        [
          [
            [5, 0],
            [10, 5],
            [5, 10],
            [0, 5],
          ],
        ],
      ],
    ],
    [
      'half of it',
      [
        [square(0, 0, 10)],
        [
          [
            [0, 0],
            [5, 0],
            [5, 10],
            [0, 10],
          ],
        ],
      ],
    ],
  ];
  for (const [what, polygons] of overlapping) {
    let message = `taken: ${what}`;
    try {
      checkSettings(areaOf(polygons, ['North Grove', 'South Grove']));
    } catch (error) {
      if (error instanceof SettingsError) message = error.message;
    }
    expect(message).toMatch(
      /bounds\.area\.features\[[01]\]\.geometry \("\w+ Grove"\): expected polygons that do not overlap: join the two, or cut one, got an overlap with bounds\.area\.features\[[01]\]\.geometry \("\w+ Grove"\) near \(/,
    );
    expect(message).toContain('expected polygons that do not overlap: join the two, or cut one');
  }
  forAll(countries, between(-50, 550), between(-50, 350), between(20, 200), (polygons, x, y, side) => {
    fc.pre(x < 590 && y < 390 && x + side > 10 && y + side > 10);
    expect(() => checkSettings(areaOf([...polygons, [square(x, y, side)]]))).toThrow('got an overlap with');
  });
});

test('a ring over the antimeridian that covers other polygons is refused by that word; cut there, it is accepted', () => {
  const inland = square(20, -10, 20);
  const over: Corner[] = [
    [170, -20],
    [-170, -20],
    [-170, 20],
    [170, 20],
  ];
  expect(() => checkSettings(areaOf([[inland], [over]], ['Inland', 'Far Isles']))).toThrow(
    /expected polygons that do not overlap: cut "?.*Far Isles"\)? at the antimeridian \(RFC 7946, 3\.1\.9\), got an overlap/,
  );
  const parts = [square(170, -20, 10), square(-180, -20, 10)];
  checkSettings(areaOf([[inland], ...parts.map((ring) => [ring])]));
  // A map in other units may be that wide.
  checkSettings(areaOf([[over]]));
  const wide = square(-1700, -200, 3400);
  expect(() => checkSettings(areaOf([[inland], [wide]]))).toThrow('join the two, or cut one');
});

test('a spike, a start outside and a start on a border leave the focus inside; rings of no area are left out and named', () => {
  const spiked: Corner[] = [
    [0, 0],
    [100, 0],
    [100, 50],
    [180, 50],
    [100, 50],
    [100, 100],
    [0, 100],
  ];
  for (const [x, y] of [
    [170, 50],
    [50, 50],
    [0, 0],
    [-300, 40],
    [100, 50],
    [400, 400],
  ]) {
    const camera = new Camera({ ...areaOf([[spiked]]), start: { x: x ?? 0, y: y ?? 0, span: 20 } }, { screen });
    camera.advance(0);
    expect(camera.boundsExcess).toBe(0);
    camera.signal({ kind: 'key', code: 'KeyD', down: true, time: 0 });
    for (let time = 0; time < 12_000; time += 50) camera.advance(time);
    expect([camera.shown.x, camera.boundsExcess]).toEqual([expect.closeTo(100, 3), 0]);
  }
  const empty: Corner[] = [
    [10, 10],
    [20, 10],
    [10, 10],
  ];
  const settings = areaOf([[square(0, 0, 100)], [empty]]);
  expect(checkSettings(settings).bounds?.keep).toBe('focus');
  const warnings = reviewSettings(settings).map(({ path, message }) => `${path}: ${message}`);
  expect(warnings.join()).toMatch(
    /bounds\.area\.features\[1\]\.geometry\.coordinates\[0\]: its \d corners enclose no area, so the ring is ignored/,
  );
  expect(() => checkSettings(areaOf([[empty]]))).toThrow('expected a ring of at least three corners that has an area');
});
