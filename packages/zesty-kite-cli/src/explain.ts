/** `zesty-kite explain SETTINGS`: what the numbers mean to whoever plays. */
import { Command, InvalidArgumentError, Option } from 'commander';
import { Camera, type Screen, type Settings } from 'zesty-kite';
import { screenSize } from './check.ts';
import { Failure, inFile, printable } from './failure.ts';
import { readJson } from './files.ts';
import { print } from './print.ts';

interface ExplainOptions {
  readonly screen: Screen;
  readonly at: readonly number[];
  readonly json: boolean;
}

/** What holds at one zoom. Lengths are world units. */
export interface AtZoom {
  /** `nearest`, `start`, `farthest`, or the span that was asked for. */
  readonly zoom: string;
  readonly span: number;
  /** CSS pixels per world unit at the focus. */
  readonly pixelsPerUnit: number;
  /** Ground from side to side through the focus, and from the bottom to the top of the screen; null where the horizon shows. */
  readonly acrossUnits: number;
  readonly downUnits: number | null;
  readonly pitch: number;
  readonly fieldOfView: number;
  /** Of the eye over the focus; null for an orthographic lens. */
  readonly eyeHeight: number | null;
  /** A held key, once it is up to speed: measured. */
  readonly panUnitsPerSecond: number;
  readonly panWidthsPerSecond: number;
  /** Across the bounds at that speed; null without bounds. */
  readonly secondsAcrossMap: number | null;
  readonly near: number;
  readonly far: number;
}

/** What holds at all of them. */
export interface Explained {
  readonly screen: Screen;
  readonly zooms: readonly AtZoom[];
  /** From the nearest to the farthest zoom: measured. */
  readonly notches: number;
  /** From a notch until nothing moves: measured. */
  readonly secondsToRest: number;
}

/** More notches than anybody turns. */
const MOST_NOTCHES = 1000;

export function explainCommand(): Command {
  return new Command('explain')
    .description(
      'Say what settings come to: at the nearest zoom, at the start, at the farthest, and at those you name.',
    )
    .argument('<settings>', 'a settings file (JSON)')
    .addOption(
      new Option('--screen <width>x<height>', 'the screen to think of, in CSS pixels')
        .argParser(screenSize)
        .default({ width: 1280, height: 800 }, '1280x800'),
    )
    .addOption(
      new Option('--at <span>', 'a zoom to add, as a span in world units; may be repeated')
        .argParser((text: string, spans: readonly number[]) => [...spans, spanOf(text)])
        .default([], 'none'),
    )
    .option('--json', 'print one JSON object instead of a table')
    .addHelpText(
      'after',
      `
Example: zesty-kite explain settings.json --screen 390x844 --at 200

span            world units from the top to the bottom of the safe frame, through the focus
scale           CSS pixels per world unit at the focus: frame height / span
ground          world units from side to side through the focus, and from bottom to top
eye             its height over the focus: span · sin(pitch) / (2 · tan(field of view / 2)), in the safe frame's share of the screen
pan             a held key, once it is up to speed; and in widths of the screen
across the map  the width of the bounds / that
depth           near and far plane`,
    )
    .action(async (file: string, { screen, at, json }: ExplainOptions) => {
      const settings = (await readJson(file, 64e6, 'a settings file (JSON)')) as Settings;
      if (Array.isArray(settings)) throw new Failure(`${file}: the whole: found []; wanted an object in braces`);
      let explained: Explained;
      try {
        explained = explain(settings, screen, at);
      } catch (error) {
        throw inFile(file, error);
      }
      await print('stdout', json ? `${JSON.stringify(explained, null, 2)}\n` : printable(table(explained)));
    });
}

function explain(settings: Settings, screen: Screen, spans: readonly number[]): Explained {
  const camera = new Camera(settings, { screen });
  camera.advance(0);
  const start = camera.shown.span;
  const { min, max } = camera.spanRange;
  const xs = camera.outlines.bounds.flat().map(({ x }) => x);
  const wide = xs.length === 0 ? null : Math.max(...xs) - Math.min(...xs);
  const zooms = [
    { zoom: 'nearest', span: min },
    { zoom: 'start', span: start },
    { zoom: 'farthest', span: max },
    ...spans.map((span) => ({ zoom: String(span), span })),
  ].map(({ zoom, span }) => atZoom(settings, screen, wide, zoom, span));
  return {
    screen,
    zooms,
    notches: notchesBetween(settings, screen, min, max),
    secondsToRest: restAfter(settings, screen),
  };
}

function atZoom(settings: Settings, screen: Screen, wide: number | null, zoom: string, wanted: number): AtZoom {
  // Without bounds: what a wall would do is not what is asked.
  const free: Settings = { ...settings, bounds: null, edge: null, bindings: { panRight: ['KeyD'] } };
  const camera = new Camera(free, { screen });
  camera.place({ span: wanted });
  const view = camera.advance(0);
  const { span, scale, pitch, fieldOfView, width, height, look } = view;
  const depth = view.depth();
  const top = view.toLevel(look.middleX, 0, view.focusHeight, { x: 0, y: 0 });
  const bottom = view.toLevel(look.middleX, height, view.focusHeight, { x: 0, y: 0 });
  const down = top === null || bottom === null ? null : Math.hypot(top.x - bottom.x, top.y - bottom.y);
  camera.signal({ kind: 'key', code: 'KeyD', down: true, time: 0 });
  camera.advance(5000);
  const before = camera.shown;
  camera.advance(6000);
  const speed = Math.hypot(camera.shown.x - before.x, camera.shown.y - before.y);
  const eye = look.widening > 0 ? (span * look.sinPitch) / look.widening : null;
  return {
    zoom,
    span,
    pixelsPerUnit: scale,
    acrossUnits: width / scale,
    downUnits: down,
    pitch,
    fieldOfView,
    eyeHeight: eye,
    panUnitsPerSecond: speed,
    panWidthsPerSecond: (speed * scale) / width,
    secondsAcrossMap: wide === null || speed === 0 ? null : wide / speed,
    near: depth.near,
    far: depth.far,
  };
}

function notchesBetween(settings: Settings, screen: Screen, min: number, max: number): number {
  const camera = new Camera(settings, { screen });
  camera.place({ span: min });
  camera.advance(0);
  // By calls: a wheel may be inverted, or pan.
  for (let notches = 0, time = 0; notches < MOST_NOTCHES; notches++) {
    const { span } = camera.goal;
    if (span >= max * (1 - 1e-9)) return notches;
    camera.zoom({ notches: 1 });
    camera.advance((time += 3000));
    if (camera.goal.span <= span) return notches;
  }
  return MOST_NOTCHES;
}

function restAfter(settings: Settings, screen: Screen): number {
  const camera = new Camera(settings, { screen });
  camera.advance(0);
  const { span } = camera.goal;
  camera.zoom({ notches: -1 });
  // At the nearest zoom there is only farther.
  if (camera.goal.span === span) camera.zoom({ notches: 1 });
  let time = 0;
  do camera.advance((time += 10));
  while (!camera.settled && time < 60_000);
  return time / 1000;
}

function table({ zooms, notches, secondsToRest }: Explained): string {
  const rows: [string, ...string[]][] = [
    ['', ...zooms.map(({ zoom }) => zoom)],
    ['span', ...zooms.map(({ span }) => `${short(span)} units`)],
    ['scale', ...zooms.map(({ pixelsPerUnit }) => `${short(pixelsPerUnit)} px`)],
    [
      'ground',
      ...zooms.map(
        ({ acrossUnits, downUnits }) => `${short(acrossUnits)} × ${downUnits === null ? '∞' : short(downUnits)}`,
      ),
    ],
    ['pitch', ...zooms.map(({ pitch }) => `${short(pitch)}°`)],
    [
      'field of view',
      ...zooms.map(({ fieldOfView }) => (fieldOfView === 0 ? 'orthographic' : `${short(fieldOfView)}°`)),
    ],
    ['eye', ...zooms.map(({ eyeHeight }) => (eyeHeight === null ? '-' : `${short(eyeHeight)} up`))],
    ['pan', ...zooms.map(({ panUnitsPerSecond }) => `${short(panUnitsPerSecond)} units/s`)],
    ['', ...zooms.map(({ panWidthsPerSecond }) => `${short(panWidthsPerSecond)} widths/s`)],
    [
      'across the map',
      ...zooms.map(({ secondsAcrossMap }) => (secondsAcrossMap === null ? '-' : `${short(secondsAcrossMap)} s`)),
    ],
    ['depth', ...zooms.map(({ near, far }) => `${short(near)} … ${short(far)}`)],
  ];
  const widths = rows[0]?.map((_, column) => Math.max(...rows.map((row) => (row[column] ?? '').length))) ?? [];
  const lines = rows.map((row) =>
    row
      .map((cell, column) => cell.padEnd(widths[column] ?? 0))
      .join('  ')
      .trimEnd(),
  );
  const measured = [
    `${String(notches)} notches from the nearest to the farthest`,
    `${short(secondsToRest)} s from a notch to rest`,
  ];
  return `${[...lines, '', ...measured].join('\n')}\n`;
}

function short(value: number): string {
  return String(Number(value.toPrecision(4)));
}

function spanOf(text: string): number {
  const span = Number(text);
  if (text.trim() !== '' && span > 0 && Number.isFinite(span)) return span;
  throw new InvalidArgumentError(`found "${text}"; wanted a span above 0, in world units.`);
}
