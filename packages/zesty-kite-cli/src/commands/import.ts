/** `zesty-kite import FILE`: a camera path of another program as a cutscene. */
import { Command, InvalidArgumentError, Option } from 'commander';
import type { Cutscene, Keyframe } from 'zesty-kite/direct';
import { Failure, reasonOf } from '../failure.ts';
import { readWhole, WholeFile } from '../read/files.ts';
import { lensesOf, type LensAt } from '../write/gltf.ts';
import { forceOption } from '../options.ts';
import { print } from '../write/print.ts';

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
    .description('Make a cutscene of a camera path: a CSV file, or a glTF 2.0 camera.')
    .argument(
      '<path>',
      'a .csv with columns seconds, x, y, span and, if it turns and tilts, heading, pitch; or a .gltf',
    )
    .addOption(new Option('--height <units>', 'of the ground that a glTF camera looks at').argParser(units).default(0))
    .addOption(
      new Option('--tolerance <share>', 'how far it may go from the path, as a share of the span')
        .argParser(share)
        .default(0.001),
    )
    .addOption(new Option('--to <file>', 'where to; - prints it').default('-'))
    .addOption(forceOption())
    .addHelpText('after', '\nExample: zesty-kite import flight.gltf --to flight.json')
    .action(async (file: string, { height, tolerance, to, force }: ImportOptions) => {
      const text = new TextDecoder().decode(await readWhole(file, MAX_PATH, 'a camera path (.csv or .gltf)'));
      let scene: Cutscene;
      try {
        const path = text.trimStart().startsWith('{')
          ? (await lensesOf(text)).map((lens) => poseOf(lens, height))
          : await posesOfCsv(text);
        scene = { keyframes: thinned(path, tolerance) };
      } catch (error) {
        if (error instanceof Failure) throw new Failure(`${file}: ${error.message}`, { cause: error });
        throw new Failure(`${file}: ${reasonOf(error)}; wanted a camera path, CSV or glTF 2.0`, { cause: error });
      }
      const out = `${JSON.stringify(scene, null, 2)}\n`;
      if (to === '-') {
        await print('stdout', out);
        return;
      }
      const whole = new WholeFile(to, [file], force);
      whole.write(out);
      whole.finish();
    });
}

async function posesOfCsv(text: string): Promise<Pose[]> {
  const { parse } = await import('csv-parse/sync');
  const rows = parse(text, { bom: true, columns: true, skip_empty_lines: true, trim: true }) as Readonly<
    Record<string, string>
  >[];
  const names = Object.keys(rows[0] ?? {});
  const missing = ['seconds', 'x', 'y', 'span'].filter((name) => !names.includes(name));
  if (missing.length > 0)
    throw new Failure(
      `line 1: found no column ${missing.join(', ')}; wanted seconds, x, y, span and, if it turns and tilts, heading, pitch`,
    );
  let last = -Infinity;
  return rows.map((row, i) => {
    const number = (name: string): number => {
      const cell = row[name] ?? '';
      const value = Number(cell);
      if (cell === '' || !Number.isFinite(value))
        throw new Failure(`line ${String(i + 2)}: ${name}: found "${cell}"; wanted a number`);
      return value;
    };
    const [at, span] = [number('seconds'), number('span')];
    if (!(at > last))
      throw new Failure(`line ${String(i + 2)}: seconds: found ${String(at)}; wanted more than ${String(last)}`);
    if (!(span > 0))
      throw new Failure(`line ${String(i + 2)}: span: found ${String(span)}; wanted world units above 0`);
    last = at;
    const pose: Pose = { at, x: number('x'), y: number('y'), span };
    return {
      ...pose,
      ...(names.includes('heading') ? { heading: number('heading') } : {}),
      ...(names.includes('pitch') ? { pitch: number('pitch') } : {}),
    };
  });
}

/** Where a camera looks on the ground, and how much of it it shows. */
function poseOf({ seconds, eye, turn, yfov, high }: LensAt, ground: number): Pose {
  const [a, b, c, w] = turn;
  // The columns of its rotation: right, and away from where it looks.
  const rightUp = 2 * (a * b + w * c);
  const back = [2 * (a * c + w * b), 2 * (b * c - w * a), 1 - 2 * (a * a + b * b)] as const;
  if (Math.abs(rightUp) > LEVEL)
    throw new Failure(`at ${seconds.toFixed(2)} s: found a picture that leans; wanted a level one`);
  const up = eye[1] - ground;
  if (!(back[1] > 0.01 && up > 0))
    throw new Failure(
      `at ${seconds.toFixed(2)} s: found a camera that does not look down at the ground; wanted one that does, or another --height`,
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

/** As few keyframes as say the same: what lies between two is on the straight way, to the tolerance. */
function thinned(path: readonly Pose[], tolerance: number): Keyframe[] {
  const [first] = path;
  if (first === undefined) throw new Failure('found no pose; wanted at least one');
  const begin = first.at;
  const whole = unwound(path);
  const kept: Pose[] = [];
  for (let from = 0; from < whole.length; ) {
    const start = whole[from];
    if (start === undefined) break;
    kept.push(start);
    let to = from + 1;
    while (to + 1 < whole.length && isStraight(whole, from, to + 1, tolerance)) to += 1;
    from = to;
  }
  return kept.map(({ at, ...pose }) => ({ at: at - begin, ...pose, ease: 'none' as const }));
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

function isStraight(path: readonly Pose[], from: number, to: number, tolerance: number): boolean {
  const [a, b] = [path[from], path[to]];
  if (a === undefined || b === undefined) return false;
  // A zoom goes evenly in octaves, and a degree moves the edge of the picture by about a hundredth of the span.
  const flat = (pose: Pose): number[] => [
    pose.x / a.span,
    pose.y / a.span,
    Math.log2(pose.span),
    (pose.heading ?? 0) / 100,
    (pose.pitch ?? 0) / 100,
  ];
  const [start, end] = [flat(a), flat(b)];
  return path.slice(from + 1, to).every((pose) => {
    const share = (pose.at - a.at) / (b.at - a.at);
    return flat(pose).every((value, i) => {
      const [s = 0, e = 0] = [start[i], end[i]];
      return Math.abs(value - (s + (e - s) * share)) <= tolerance;
    });
  });
}

function units(text: string): number {
  const value = Number(text);
  if (text.trim() !== '' && Number.isFinite(value)) return value;
  throw new InvalidArgumentError(`found "${text}"; wanted a height in world units.`);
}

function share(text: string): number {
  const value = Number(text);
  if (text.trim() !== '' && value >= 0 && value <= 1) return value;
  throw new InvalidArgumentError(`found "${text}"; wanted a share from 0 to 1, such as 0.001.`);
}
