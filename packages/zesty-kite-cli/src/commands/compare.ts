/** `zesty-kite compare A B`: two settings, two sessions, or the same hands under two settings. */
import { basename } from 'node:path';
import { Command } from 'commander';
import type { Screen, Settings, Terrain } from 'zesty-kite';
import { completeSettings } from '../play/camera.ts';
import { columns, short } from '../write/columns.ts';
import { explain, type AtZoom, type Explained } from '../play/explain.ts';
import { Failure, inFile, printable, refusal } from '../failure.ts';
import { readGround } from '../read/ground.ts';
import { journeyOf } from '../play/journey.ts';
import { kindOf } from '../read/kind.ts';
import { overTime, overZoom } from '../play/measures.ts';
import {
  forceOption,
  refuseUnused,
  fromOption,
  jsonOption,
  screenOption,
  screensOf,
  terrainOption,
  untilOption,
} from '../options.ts';
import { Picture } from '../write/picture.ts';
import { partedOf, pixelsBetween, type Apart, type Parted } from '../play/apart.ts';
import { changesBetween, type Change } from '../play/changes.ts';
import { playFrames, type PoseAt } from '../play/poses.ts';
import { print } from '../write/print.ts';
import type { Played, PlayOptions } from '../play/sessionFile.ts';
import { readSettingsFile, withPlaces } from '../read/settingsFile.ts';
import { motionSpec } from '../write/motionSpec.ts';
import { settingsSpec } from '../write/settingsSpec.ts';

interface CompareOptions {
  readonly on?: string;
  readonly picture?: string;
  readonly screen?: readonly Screen[];
  readonly terrain: readonly string[];
  readonly from?: number;
  readonly until?: number;
  readonly json: boolean;
  readonly force: boolean;
}

/** Frames a second in which two motions are held side by side. */
const RATE = 60;

export function compareCommand(): Command {
  return new Command('compare')
    .description('Compare two settings, two sessions, or one session with two settings.')
    .argument('<a>', 'a settings file (JSON), or a session file')
    .argument('<b>', 'another of the same kind')
    .option('--on <session>', 'play this session with both settings')
    .option('--picture <file>', 'draw both to a .svg or .png file')
    .addOption(screenOption())
    .addOption(fromOption())
    .addOption(untilOption())
    .addOption(terrainOption())
    .addOption(jsonOption())
    .addOption(forceOption())
    .addHelpText(
      'after',
      '\nExample: zesty-kite compare easing.json instant.json --on crossing.ndjson --picture both.svg',
    )
    .action(async (a: string, b: string, options: CompareOptions) => {
      const kinds = await Promise.all([kindOf(a), kindOf(b)]);
      if (kinds[0] !== kinds[1])
        throw refusal(
          b,
          `${wordOf(kinds[1])} beside ${wordOf(kinds[0])}`,
          'two of a kind, or settings with --on SESSION',
        );
      if (kinds[0] === 'settings' && options.on === undefined) refuseUnused(options);
      if (options.on !== undefined && (await kindOf(options.on)) !== 'session')
        throw refusal(options.on, 'settings', 'a session');
      const picture = options.picture === undefined ? null : new Picture('--picture', options.picture, options.force);
      if (kinds[0] === 'session') {
        if (options.on !== undefined) throw new Failure('--on: expected two settings, got two sessions');
        await compareMotion(
          [
            { name: a, session: a },
            { name: b, session: b },
          ],
          options,
          picture,
        );
      } else await compareSettings(a, b, options, picture);
    });
}

function wordOf(kind: 'settings' | 'session'): string {
  return kind === 'session' ? 'a session' : 'settings';
}

async function compareSettings(a: string, b: string, options: CompareOptions, picture: Picture | null): Promise<void> {
  const [screen = { width: 1280, height: 800 }] = screensOf(options.screen);
  const files = [a, b];
  const read = await Promise.all(files.map((file) => readSettingsFile(file)));
  const explained: Explained[] = [];
  const full: object[] = [];
  for (const [i, one] of read.entries())
    try {
      full.push(completeSettings(one.settings));
      explained.push(explain(one.settings, screen));
    } catch (error) {
      throw inFile(files[i] ?? '', await withPlaces(files[i] ?? '', error, one));
    }
  const changed = changesBetween(full[0] ?? {}, full[1] ?? {});
  if (options.on !== undefined) {
    const names = files.map((file) => ({ name: file, session: options.on ?? '' }));
    await compareMotion(
      names.map((one, i) => ({ ...one, settings: read[i]?.settings })),
      options,
      picture,
      changed,
    );
    return;
  }
  const [first, second] = explained;
  if (first === undefined || second === undefined) return;
  await print(
    'stdout',
    options.json
      ? `${JSON.stringify({ changed, a: first, b: second }, null, 2)}\n`
      : printable(`${changedTable(changed)}\n${numbersTable(first, second)}`),
  );
  if (picture === null) return;
  const series = (measure: typeof overZoom): ReturnType<typeof overZoom> =>
    read.flatMap(({ settings }, i) => measure(settings, screen, labels(files)[i] ?? ''));
  await picture.draw(settingsSpec(series(overZoom), series(overTime), labels(files).join(' and ')));
}

/** The names of the two in a picture: their file names, with A and B if those are the same. */
function labels(files: readonly string[]): string[] {
  const names = files.map((file) => basename(file));
  return new Set(names).size === names.length ? names : names.map((name, i) => `${name} (${i === 0 ? 'A' : 'B'})`);
}

function changedTable(changed: readonly Change[]): string {
  if (changed.length === 0) return 'the same settings\n';
  const text = (value: unknown): string => {
    const written = JSON.stringify(value);
    return written.length > 40 ? `${written.slice(0, 39)}…` : written;
  };
  return columns([['changed', 'A', 'B'], ...changed.map(({ path, a, b }) => [path, text(a), text(b)])]);
}

/** The numbers of `explain` that differ. */
function numbersTable(a: Explained, b: Explained): string {
  const names: readonly (readonly [string, keyof AtZoom])[] = [
    ['span, units', 'span'],
    ['scale, px', 'pixelsPerUnit'],
    ['ground across, units', 'acrossUnits'],
    ['pitch, degrees', 'pitch'],
    ['field of view, degrees', 'fieldOfView'],
    ['eye, units', 'eyeHeight'],
    ['pan, units/s', 'panUnitsPerSecond'],
    ['across the map, s', 'secondsAcrossMap'],
  ];
  const cell = (value: unknown): string => (typeof value === 'number' ? short(value) : '-');
  const rows = a.zooms.flatMap((zoom, i) => {
    const other = b.zooms[i];
    return names.flatMap(([name, key]) => {
      const [before, after] = [cell(zoom[key]), cell(other?.[key])];
      return before === after ? [] : [[zoom.zoom, name, before, after]];
    });
  });
  for (const [name, before, after] of [
    ['notches end to end', a.notches, b.notches],
    ['rest after a notch, s', a.secondsToRest, b.secondsToRest],
  ] as const)
    if (before !== after) rows.push(['', name, cell(before), cell(after)]);
  if (rows.length === 0) return 'no number that differs\n';
  return columns([['at', 'what it comes to', 'A', 'B'], ...rows], [2, 3]);
}

interface Motion {
  readonly name: string;
  readonly session: string;
  readonly settings?: Settings | undefined;
}

async function compareMotion(
  motions: readonly Motion[],
  { terrain, from, until, json }: CompareOptions,
  picture: Picture | null,
  changed: readonly Change[] | null = null,
): Promise<void> {
  const grounds = await Promise.all(terrain.map((file) => readGround(file)));
  const terrains: Terrain[] = grounds;
  const playing = (motion: Motion | undefined): PlayOptions => ({
    rate: RATE,
    terrains,
    from,
    until,
    settings: motion?.settings,
  });
  const [a, b] = motions;
  const poses: PoseAt[] = [];
  const first = await playFrames(a?.session ?? '', playing(a), (pose) => poses.push(pose));
  const apart: Apart[] = [];
  let height = 0;
  let i = 0;
  const second = await playFrames(b?.session ?? '', playing(b), (pose, _, camera) => {
    height = camera?.view.height ?? height;
    const other = poses[i] ?? poses.at(-1);
    i += 1;
    if (other !== undefined) apart.push({ seconds: pose.seconds, pixels: pixelsBetween(other, pose, height) });
  });
  const parted = partedOf(apart);
  const of = ({ summary, broken }: Played): object => ({ ...summary, broken });
  await print(
    'stdout',
    json
      ? `${JSON.stringify({ ...(changed === null ? {} : { changed }), ...parted, a: of(first), b: of(second) }, null, 2)}\n`
      : printable(`${changed === null ? '' : `${changedTable(changed)}\n`}${motionTable(first, second, parted)}`),
  );
  if (picture === null) return;
  const names = labels(motions.map(({ name }) => name));
  const stops = [];
  for (const [index, motion] of motions.entries())
    for (const stop of (await journeyOf(motion.session, playing(motion))).stops)
      stops.push({ ...stop, of: names[index] ?? '' });
  const every = Math.ceil(apart.length / 1500);
  await picture.draw(
    motionSpec(
      stops,
      apart.filter((_, index) => index % every === 0),
      names.join(' and '),
    ),
  );
}

function motionTable({ summary: a }: Played, { summary: b }: Played, { parts, most, atEnd }: Parted): string {
  const rest = (value: number | null): string => (value === null ? 'held' : value.toFixed(2));
  const rows = [
    ['', 'A', 'B'],
    ['duration, s', a.duration.toFixed(2), b.duration.toFixed(2)],
    ['signals', String(a.signals), String(b.signals)],
    ['distance panned, units', a.panned.toFixed(1), b.panned.toFixed(1)],
    ['least span', a.minSpan.toFixed(2), b.minSpan.toFixed(2)],
    ['greatest span', a.maxSpan.toFixed(2), b.maxSpan.toFixed(2)],
    ['time to rest, s', rest(a.timeToRest), rest(b.timeToRest)],
    ['digest', a.digest, b.digest],
  ];
  const said =
    parts === null
      ? 'the same picture in every frame\n'
      : `they part at ${parts.toFixed(2)} s, are ${short(most.pixels)} px apart at most, at ${most.seconds.toFixed(2)} s, and ${short(atEnd)} px at the end\n`;
  return `${columns(rows, [1, 2])}\n${said}`;
}
