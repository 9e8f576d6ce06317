/** Tables: cells in columns, aligned. */
import { oneLine, printable } from '../failure.ts';

/** A line for each row, with a line break at its end; numbers go to the right where `right` says so. */
export function columns(table: readonly (readonly string[])[], right: readonly number[] = []): string {
  const rows = table.map((row) => row.map((cell) => printable(oneLine(cell))));
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

/** `1 visit`, `2 visits` */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${String(count)} ${count === 1 ? one : many}`;
}

/** Four digits that count, without trailing zeros. */
export function short(value: number): string {
  return String(Number(value.toPrecision(4)));
}

/** A share as a whole number of hundredths. */
export function percent(share: number): string {
  return `${(100 * share).toFixed(0)} %`;
}
