/** A camera path in CSV (RFC 4180): seconds, x, y, span and, if it turns and tilts, heading and pitch. */
import { Failure } from '../failure.ts';
import { faultOf, LONGEST, type PathPose } from './pathPose.ts';

const COLUMNS = ['seconds', 'x', 'y', 'span', 'heading', 'pitch'] as const;
type Column = (typeof COLUMNS)[number];

export async function posesOfCsv(text: string): Promise<PathPose[]> {
  const { parse } = await import('csv-parse/sync');
  const options = { bom: true, skip_empty_lines: true, trim: true } as const;
  const table = parse(text, options) as readonly (readonly string[])[];
  const [names = [], ...rows] = table;
  const columnOf = (name: Column): number => names.indexOf(name);
  const missing = COLUMNS.slice(0, 4).filter((name) => columnOf(name) < 0);
  if (missing.length > 0)
    throw new Failure(
      `line 1: expected seconds, x, y, span and, if it turns and tilts, heading, pitch, got no column ${missing.join(', ')}`,
    );
  const there = COLUMNS.filter((name) => columnOf(name) >= 0);
  let last = -Infinity;
  return rows.map((row, i) => {
    const refuse = (name: Column, fault: string): never => {
      throw new Failure(`${cellOf(text, i + 1, columnOf(name))}: ${name}: ${fault}`);
    };
    const pose: Partial<Record<keyof PathPose, number>> = {};
    for (const name of there) {
      const cell = row[columnOf(name)] ?? '';
      const value = Number(cell);
      if (cell === '' || !Number.isFinite(value)) refuse(name, `expected a number, got "${cell.slice(0, 60)}"`);
      const fault = name === 'seconds' ? null : faultOf(name, value);
      if (fault !== null) refuse(name, fault);
      pose[name === 'seconds' ? 'at' : name] = value;
    }
    const { at = NaN, x = NaN, y = NaN, span = NaN, ...angles } = pose;
    if (!(at > last)) refuse('seconds', `expected more than ${String(last)}, got ${String(at)}`);
    if (i > 0 && at - Number(rows[0]?.[columnOf('seconds')]) > LONGEST)
      refuse('seconds', `expected at most a day after the first, got ${String(at)}`);
    last = at;
    return { at, x, y, span, ...angles };
  });
}

/** The place of a cell, found for rejected cells only. Blank lines count, and a row may span several lines. */
function cellOf(text: string, row: number, column: number): string {
  let line = 1;
  let from = 0;
  let rows = -1;
  let cell = 0;
  let cellAt = 0;
  let lineAt = 0;
  let isQuoted = false;
  for (let i = 0; i <= text.length; i++) {
    const letter = text[i] ?? '\n';
    if (letter === '"') isQuoted = !isQuoted;
    const ends = !isQuoted && (letter === ',' || letter === '\n');
    if (ends) {
      const isBlank = text.slice(from, i).trim() === '';
      if (letter === ',' || !isBlank) {
        if (from === cellAt && cell === 0) rows += 1;
        if (rows === row && cell === column)
          return `line ${String(line)}, column ${String(cellAt - lineAt + 1 + leading(text, cellAt))}`;
        cell = letter === ',' ? cell + 1 : 0;
      } else cell = 0;
      cellAt = i + 1;
      if (letter === '\n') from = i + 1;
    }
    if (letter === '\n') {
      line += 1;
      lineAt = i + 1;
    }
  }
  return `row ${String(row + 1)}`;
}

function leading(text: string, at: number): number {
  let count = 0;
  while (text[at + count] === ' ') count += 1;
  return count;
}
