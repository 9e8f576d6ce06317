/** The mesh of the hills. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { triangulated } from '../over-the-hills/triangles.ts';

test('triangles cover a grid once, meet at whole sides, and are off by at most the asked error a halving', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(2, 4, 8, 16),
      fc.integer(),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (cells, seed, most) => {
        const side = cells + 1;
        const heights = Array.from({ length: side * side }, (_, i) => {
          const wave = Math.sin(seed + i * 78.233) * 43758.5453;
          return i % side > cells / 2 ? wave - Math.floor(wave) : 0;
        });
        const heightOf = (corner: number): number => heights[corner] ?? NaN;
        const corners = triangulated(
          cells,
          (middle, one, other) => Math.abs(heightOf(middle) - (heightOf(one) + heightOf(other)) / 2),
          (corner) => heightOf(corner) > 0.5,
        )(most);
        const at = (corner: number): { x: number; y: number } => ({ x: corner % side, y: Math.floor(corner / side) });
        const sides = new Map<string, number>();
        let [area, worst, least] = [0, 0, Infinity];
        for (let i = 0; i < corners.length; i += 3) {
          const triangle = corners.slice(i, i + 3);
          const [a, b, c] = triangle.map(at) as [ReturnType<typeof at>, ReturnType<typeof at>, ReturnType<typeof at>];
          const twice = (c.x - a.x) * (b.y - a.y) - (b.x - a.x) * (c.y - a.y);
          least = Math.min(least, twice);
          area += twice / 2;
          triangle.forEach((from, k) => {
            const key = [from, triangle[(k + 1) % 3] ?? from].sort((one, other) => one - other).join(' ');
            sides.set(key, (sides.get(key) ?? 0) + 1);
          });
          // Each corner inside or on the triangle, against the plane of the triangle.
          const [ha, hb, hc] = triangle.map(heightOf) as [number, number, number];
          for (let corner = 0; corner < heights.length; corner++) {
            const p = at(corner);
            const onB = ((c.x - a.x) * (p.y - a.y) - (p.x - a.x) * (c.y - a.y)) / twice;
            const onC = ((p.x - a.x) * (b.y - a.y) - (b.x - a.x) * (p.y - a.y)) / twice;
            if (onB < 0 || onC < 0 || onB + onC > 1) continue;
            worst = Math.max(worst, Math.abs(heightOf(corner) - ha - onB * (hb - ha) - onC * (hc - ha)));
          }
        }
        expect(least).toBeGreaterThan(0);
        expect(area).toBe(cells * cells);
        // Two triangles on each side, one along the edge.
        for (const [key, count] of sides) {
          const [one, other] = key.split(' ').map((corner) => at(Number(corner))) as [
            ReturnType<typeof at>,
            ReturnType<typeof at>,
          ];
          const isEdge = [0, cells].some(
            (line) => (one.x === line && other.x === line) || (one.y === line && other.y === line),
          );
          expect(count).toBe(isEdge ? 1 : 2);
        }
        // Each halving that is left out adds its own.
        expect(worst).toBeLessThanOrEqual(most * 2 * Math.log2(cells) + 1e-9);
        if (most === 0) expect(worst).toBeLessThan(1e-9);
      },
    ),
  );
});
