/** `zesty-kite import FILE`: a camera path of another program as a cutscene. */
import { Command, InvalidArgumentError, Option } from 'commander';
import { checkCutscene, KEYFRAME_SCHEMA, type Cutscene, type Keyframe } from 'zesty-kite/direct';
import { Failure, reasonOf } from '../failure.ts';
import { parsedJson, readWhole } from '../read/files.ts';
import { lensesOf, type Gltf, type LensAt } from '../read/gltf.ts';
import { forceOption } from '../options.ts';
import { print } from '../write/print.ts';
import { WholeFile } from '../write/wholeFile.ts';

interface ImportOptions {
  readonly height: number;
  readonly tolerance: number;
  readonly to: string;
  readonly force: boolean;
}

interface Pose {
  readonly at: number;
  readonly x: number;
  readonly y: number;
  readonly span: number;
  readonly heading?: number;
  readonly pitch?: number;
}

const MAX_PATH = 256e6;
const DEGREES = 180 / Math.PI;
/** How far from level the picture may lean. */
const LEVEL = 1e-3;

export function importCommand(): Command {
  return new Command('import')
    .description('Make a cutscene from a camera path: a CSV file, or a glTF 2.0 camera.')
    .argument(
      '<path>',
      'a .csv with columns seconds, x, y, span and, if it turns and tilts, heading, pitch; or a .gltf',
    )
    .addOption(
      new Option('--height <units>', 'the height of the ground of a glTF camera, world units')
        .argParser(units)
        .default(0),
    )
    .addOption(
      new Option('--tolerance <share>', 'the greatest distance from the path, as a share of the span')
        .argParser(share)
        .default(0.001),
    )
    .addOption(new Option('--to <file>', 'the file to write; - prints it').default('-'))
    .addOption(forceOption())
    .addHelpText('after', '\nExample: zesty-kite import flight.gltf --to flight.json')
    .action(async (file: string, { height, tolerance, to, force }: ImportOptions) => {
      const text = new TextDecoder().decode(await readWhole(file, MAX_PATH, 'a camera path (.csv or .gltf)'));
      let scene: Cutscene;
      try {
        scene = { keyframes: thinned(await pathOf(file, text, height), tolerance) };
        checkCutscene(scene);
      } catch (error) {
        if (error instanceof Failure && error.message.startsWith(`${file}: `)) throw error;
        if (error instanceof Failure) throw new Failure(`${file}: ${error.message}`, { cause: error });
        throw new Failure(
          `${file}: expected a camera path (CSV or glTF 2.0), got one that cannot be read: ${reasonOf(error)}`,
          {
            cause: error,
          },
        );
      }
      const out = `${JSON.stringify(scene, null, 2)}\n`;
      if (to === '-') {
        await print('stdout', out);
        return;
      }
      const whole = new WholeFile(to, force);
      whole.write(out);
      whole.finish();
    });
}

async function pathOf(file: string, text: string, height: number): Promise<Pose[]> {
  if (!text.trimStart().startsWith('{')) return posesOfCsv(text);
  const gltf = parsedJson(file, text, 'a glTF 2.0 file, or CSV') as Gltf;
  return (await lensesOf(gltf)).map((lens) => checkedPose(poseOf(lens, height)));
}

const { at: AT, x, y, heading, pitch } = KEYFRAME_SCHEMA.properties;
const span = { ...AT, minimum: 1e-6, maximum: 1e12 };
/** The least and the greatest of each number of a keyframe. */
const RANGES: Readonly<Record<string, typeof AT>> = { at: AT, x, y, span, heading, pitch };

/** The allowed values of a number of a keyframe; null if it is allowed. */
function faultOf(name: string, value: number): string | null {
  const { minimum, maximum } = RANGES[name] ?? AT;
  if (value >= minimum && value <= maximum) return null;
  return `expected a number from ${String(minimum)} to ${String(maximum)}, got ${String(value)}`;
}

function checkedPose(pose: Pose): Pose {
  for (const [name, value] of Object.entries(pose) as [string, number][]) {
    const fault = name === 'at' && value >= 0 ? null : faultOf(name, value);
    if (fault !== null) throw new Failure(`at ${pose.at.toFixed(2)} s: ${name}: ${fault}`);
  }
  return pose;
}

const COLUMNS = ['seconds', 'x', 'y', 'span', 'heading', 'pitch'] as const;
type Column = (typeof COLUMNS)[number];

async function posesOfCsv(text: string): Promise<Pose[]> {
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
    const pose: Partial<Record<keyof Pose, number>> = {};
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
    if (i > 0 && at - Number(rows[0]?.[columnOf('seconds')]) > AT.maximum)
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

/** The ground in the middle of a camera, and the span. */
function poseOf({ seconds, eye, turn, yfov, high }: LensAt, ground: number): Pose {
  const [a, b, c, w] = turn;
  // The columns of its rotation: right, and backward.
  const rightUp = 2 * (a * b + w * c);
  const back = [2 * (a * c + w * b), 2 * (b * c - w * a), 1 - 2 * (a * a + b * b)] as const;
  if (Math.abs(rightUp) > LEVEL)
    throw new Failure(`at ${seconds.toFixed(2)} s: expected a level camera, got one with roll`);
  const up = eye[1] - ground;
  if (!(back[1] > 0.01 && up > 0))
    throw new Failure(
      `at ${seconds.toFixed(2)} s: expected a camera that looks down at the ground, got one that does not; set --height`,
    );
  const distance = up / back[1];
  const pitch = Math.asin(Math.min(1, back[1])) * DEGREES;
  // The right of the screen is (cos heading, sin heading) on the ground.
  const right = [1 - 2 * (b * b + c * c), 2 * (a * c - w * b)] as const;
  return {
    at: seconds,
    x: eye[0] - back[0] * distance,
    y: eye[2] - back[2] * distance,
    span: high ?? 2 * Math.tan((yfov ?? 1) / 2) * distance,
    heading: Math.atan2(right[1], right[0]) * DEGREES,
    pitch,
  };
}

/** As few keyframes as say the same: what lies between two is on the straight way, to the tolerance. One pass. */
function thinned(path: readonly Pose[], tolerance: number): Keyframe[] {
  const [first] = path;
  if (first === undefined) throw new Failure('expected at least one pose, got none');
  const whole = unwound(path);
  const kept: Pose[] = [];
  for (let from = 0; from < whole.length; ) {
    const start = whole[from];
    if (start === undefined) break;
    kept.push(start);
    from = endOfStraight(whole, from, start, tolerance);
  }
  return kept.map(({ at, ...pose }) => ({ at: at - first.at, ...pose, ease: 'none' as const }));
}

/** Headings without jumps of a whole turn. */
function unwound(path: readonly Pose[]): Pose[] {
  let last: number | null = null;
  return path.map((pose) => {
    if (pose.heading === undefined) return pose;
    const heading: number = last === null ? pose.heading : pose.heading - 360 * Math.round((pose.heading - last) / 360);
    last = heading;
    return { ...pose, heading };
  });
}

/** A zoom goes evenly in octaves, and a degree moves the edge of the picture by about a hundredth of the span. */
const CHANNELS: readonly ((pose: Pose, span: number) => number)[] = [
  (pose, span) => pose.x / span,
  (pose, span) => pose.y / span,
  (pose) => Math.log2(pose.span),
  (pose) => (pose.heading ?? 0) / 100,
  (pose) => (pose.pitch ?? 0) / 100,
];

/**
 * The farthest pose up to which all between lie on the straight way, to the tolerance. Each pose lets the slope of that way be
 * between two numbers, channel by channel: of all poses so far the narrowest are kept.
 */
function endOfStraight(path: readonly Pose[], from: number, start: Pose, tolerance: number): number {
  const begins = CHANNELS.map((channel) => channel(start, start.span));
  const least = CHANNELS.map(() => -Infinity);
  const most = CHANNELS.map(() => Infinity);
  let to = from + 1;
  for (; to < path.length; to++) {
    const pose = path[to] ?? start;
    const seconds = pose.at - start.at;
    const rises = CHANNELS.map((channel, i) => channel(pose, start.span) - (begins[i] ?? 0));
    const isStraight = rises.every((rise, i) => rise / seconds >= (least[i] ?? 0) && rise / seconds <= (most[i] ?? 0));
    if (!isStraight) break;
    rises.forEach((rise, i) => {
      least[i] = Math.max(least[i] ?? 0, (rise - tolerance) / seconds);
      most[i] = Math.min(most[i] ?? 0, (rise + tolerance) / seconds);
    });
  }
  return Math.max(to - 1, from + 1);
}

function units(text: string): number {
  const value = Number(text);
  if (text.trim() !== '' && Number.isFinite(value)) return value;
  throw new InvalidArgumentError(`expected a height in world units, got "${text}".`);
}

function share(text: string): number {
  const value = Number(text);
  if (text.trim() !== '' && value >= 0 && value <= 1) return value;
  throw new InvalidArgumentError(`expected a share from 0 to 1, such as 0.001, got "${text}".`);
}
