/**
 * Seeded random numbers, the same in every engine: a 32-bit Weyl sequence through the finaliser of
 * MurmurHash3 (A. Appleby, public domain).
 */
export function createRandom(seed) {
  let state = seed >>> 0;
  /** 0 … 1, 1 left out. */
  const next = () => {
    state = (state + 0x9e3779b9) >>> 0;
    let z = state;
    z = Math.imul(z ^ (z >>> 16), 0x85ebca6b);
    z = Math.imul(z ^ (z >>> 13), 0xc2b2ae35);
    return ((z ^ (z >>> 16)) >>> 0) / 4294967296;
  };
  return {
    next,
    between: (low, high) => low + (high - low) * next(),
    pick: (list) => list[Math.floor(next() * list.length)],
  };
}

/** Smooth noise, -1 … 1, over a lattice of the given size; uses + − × ÷ only. */
export function createNoise(random, size) {
  const side = 64;
  const lattice = Float64Array.from({ length: side * side }, () => random.next() * 2 - 1);
  const ease = (t) => t * t * (3 - 2 * t);
  const at = (i, j) => lattice[(((j % side) + side) % side) * side + (((i % side) + side) % side)];
  return (x, y) => {
    const column = Math.floor(x / size);
    const row = Math.floor(y / size);
    const u = ease(x / size - column);
    const v = ease(y / size - row);
    const top = at(column, row) * (1 - u) + at(column + 1, row) * u;
    const bottom = at(column, row + 1) * (1 - u) + at(column + 1, row + 1) * u;
    return top * (1 - v) + bottom * v;
  };
}
