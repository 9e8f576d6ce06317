/** Tables: cells in columns, aligned. */

/** A line for each row, with a line break at its end; numbers go to the right where `right` says so. */
export function columns(rows: readonly (readonly string[])[], right: readonly number[] = []): string {
  const widths: number[] = [];
  for (const row of rows)
    row.forEach((cell, column) => {
      widths[column] = Math.max(widths[column] ?? 0, cell.length);
    });
  return rows
    .map((row) =>
      row
        .map((cell, column) => {
          const width = widths[column] ?? 0;
          return right.includes(column) ? cell.padStart(width) : cell.padEnd(width);
        })
        .join('  ')
        .trimEnd(),
    )
    .map((line) => `${line}\n`)
    .join('');
}

/** Four digits that count, without trailing zeros. */
export function short(value: number): string {
  return String(Number(value.toPrecision(4)));
}
