/** The ground as square tiles, one letter each. */
import { DEPTH, WIDTH } from './ground.mjs';

const SIZE = 16;
const KINDS = { d: 'deep', s: 'shallow', b: 'beach', g: 'grove', t: 'terrace', r: 'ridge' };

export function makeTiles(ground) {
  const rows = [];
  for (let y = 0; y < DEPTH; y += SIZE) {
    let letters = '';
    for (let x = 0; x < WIDTH; x += SIZE) letters += letterFor(meanHeight(ground, x, y));
    rows.push(letters);
  }
  return { size: SIZE, columns: WIDTH / SIZE, rows: rows.length, kinds: KINDS, tiles: rows };
}

function meanHeight(ground, x, y) {
  let sum = 0;
  for (let j = 1; j < SIZE; j += 2) for (let i = 1; i < SIZE; i += 2) sum += ground.heightAt(x + i, y + j);
  return sum / ((SIZE / 2) * (SIZE / 2));
}

function letterFor(height) {
  if (height < -3) return 'd';
  if (height < 0) return 's';
  if (height < 3) return 'b';
  if (height < 18) return 'g';
  return height < 36 ? 't' : 'r';
}
