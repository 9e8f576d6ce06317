/** No name that is longer has a typing error. */
const LONGEST = 64;

/**
 * The name that is fewest edits away from `name`: insertions, deletions, replacements and swaps of
 * neighbours (optimal string alignment), letter case aside. Null when even the best would replace
 * more than half of it.
 */
export function nearest(name: string, known: readonly string[]): string | null {
  if (name.length > LONGEST) return null;
  let best: string | null = null;
  let min = Math.ceil(name.length / 2) + 1;
  for (const candidate of known) {
    // As many edits as the lengths differ by are needed at least.
    if (Math.abs(candidate.length - name.length) >= min) continue;
    const edits = distance(name.toLowerCase(), candidate.toLowerCase());
    if (edits < min) {
      min = edits;
      best = candidate;
    }
  }
  return best;
}

function distance(a: string, b: string): number {
  const width = b.length + 1;
  const table = Array.from({ length: (a.length + 1) * width }, (_, cell) =>
    cell < width ? cell : cell % width === 0 ? cell / width : 0,
  );
  const at = (i: number, j: number): number => table[i * width + j] ?? Infinity;
  for (let i = 1; i <= a.length; i++) {
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1] ? 0 : 1;
      const swapped = i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1];
      table[i * width + j] = Math.min(
        at(i - 1, j) + 1,
        at(i, j - 1) + 1,
        at(i - 1, j - 1) + same,
        swapped ? at(i - 2, j - 2) + 1 : Infinity,
      );
    }
  }
  return at(a.length, b.length);
}
