/** A square grid in few triangles: small ones only where a large one would be wrong. */

/**
 * Returns a function that triangulates a grid of `cells` by `cells`, a power of two. A triangle is halved if a corner that it leaves
 * out is off by more than `most`. Corners are numbered by rows. A halving leads from the right angle to the middle of the longest
 * side.
 *
 * Source: Evans, Kirkpatrick and Townsend, "Right-triangulated irregular networks", Algorithmica 30, 2001.
 *
 * @param errorOf how far the corner `middle` is off if it lies on the line between the corners `left` and `right`
 * @param isFalling whether a cell is halved from its upper left corner, which is passed, to its lower right one
 * @returns three corners a triangle, counterclockwise on a screen with y downward
 */
export function triangulated(
  cells: number,
  errorOf: (middle: number, left: number, right: number) => number,
  isFalling: (corner: number) => boolean,
): (most: number) => number[] {
  const side = cells + 1;
  const last = side * side - 1;
  const errors = new Float32Array(side * side);
  const errorAt = (x: number, y: number): number =>
    x < 0 || y < 0 || x > cells || y > cells ? 0 : (errors[y * side + x] ?? 0);

  // From the smallest upward. A middle is as wrong as the worst of the middles in the triangles on both of its sides.
  const raise = (x: number, y: number, along: number, below: number): void => {
    const middle = y * side + x;
    errors[middle] = Math.max(errorOf(middle, middle - along, middle + along), below);
  };
  for (let step = 1; step < cells; step *= 2) {
    const half = step / 2;
    for (let y = 0; y <= cells; y += step)
      for (let x = (y + step) % (2 * step); x <= cells; x += 2 * step) {
        const [left, right, above, below] = [x - half, x + half, y - half, y + half];
        const inCells = (): number =>
          Math.max(errorAt(left, above), errorAt(right, above), errorAt(left, below), errorAt(right, below));
        raise(x, y, y % (2 * step) === 0 ? step : step * side, step > 1 ? inCells() : 0);
      }
    for (let y = step; y < cells; y += 2 * step)
      for (let x = step; x < cells; x += 2 * step) {
        // The longest side leads to the middle of the square around this one.
        const falls = 2 * step === cells || x % (4 * step) === y % (4 * step);
        const onSides = Math.max(
          errorAt(x - step, y),
          errorAt(x + step, y),
          errorAt(x, y - step),
          errorAt(x, y + step),
        );
        raise(x, y, falls ? step * side + step : step * side - step, onSides);
      }
  }

  return (most) => {
    const corners: number[] = [];
    /** The halves of cells, by the upper left corner of the cell. */
    const halves = new Map<number, [number, number, number]>();
    const add = (left: number, right: number, apex: number): void => {
      const isHalf = Math.abs(left - apex) === 1 || Math.abs(right - apex) === 1;
      if (!isHalf && (errors[(left + right) / 2] ?? 0) > most) {
        add(apex, left, (left + right) / 2);
        add(right, apex, (left + right) / 2);
      } else if (!isHalf) corners.push(left, right, apex);
      else {
        const cell = Math.min(left, right, apex, left + right - apex);
        const [next, below, across] = [cell + 1, cell + side, cell + side + 1];
        if (!halves.delete(cell)) halves.set(cell, [left, right, apex]);
        else if (isFalling(cell)) corners.push(cell, below, across, cell, across, next);
        else corners.push(cell, below, next, next, below, across);
      }
    };
    add(0, last, cells);
    add(last, 0, last - cells);
    for (const half of halves.values()) corners.push(...half);
    return corners;
  };
}
