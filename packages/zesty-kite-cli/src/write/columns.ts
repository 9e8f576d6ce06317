/** Tables: cells in columns, aligned. */

/** A line for each row, with a line break at its end; numbers go to the right where `right` says so. */
export function columns(rows: readonly (readonly string[])[], right: readonly number[] = []): string {
  const count = Math.max(...rows.map((row) => row.length));
  const widths = Array.from({ length: count }, (_, column) =>
    Math.max(...rows.map((row) => (row[column] ?? '').length)),
  );
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
