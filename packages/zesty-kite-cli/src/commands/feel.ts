/** `zesty-kite feel SESSION`: what hands did, as facts to tune by, and what those suggest. */
import { Command } from 'commander';
import { inSpans, type Camera, type FullSettings, type SpanSettings, type StampedSignal } from 'zesty-kite';
import { when } from 'zesty-kite/events';
import { columns, counted, short } from '../write/columns.ts';
import { printable } from '../failure.ts';
import { readGround } from '../read/ground.ts';
import { fromOption, jsonOption, terrainOption, untilOption } from '../options.ts';
import { playFrames } from '../play/poses.ts';
import { print } from '../write/print.ts';

interface FeelOptions {
  readonly terrain: readonly string[];
  readonly from?: number;
  readonly until?: number;
  readonly json: boolean;
}

/** Frames a second: fine enough for shares of time. */
const RATE = 60;
/** Notches with less time between them are one gesture, seconds. */
const GESTURE_GAP = 0.4;
/** A zoom that is reversed within this time overshot, seconds. */
const BACK_AT_ONCE = 1;
/** Into so many parts of equal factors the range of the zoom is split. */
const ZOOMS = 5;

const LIMITS = ['bounds', 'zoom', 'turn', 'tilt'] as const;

export interface Feel {
  readonly seconds: number;
  /** Seconds in which something moved. */
  readonly movingSeconds: number;
  readonly wheel: {
    readonly gestures: number;
    readonly notchesPerGesture: { readonly median: number; readonly most: number };
    /** Zooms that went the other way within a second. */
    readonly overshoots: number;
  };
  /** Share of the moving time at each limit. */
  readonly atLimit: Readonly<Record<(typeof LIMITS)[number], number>>;
  /** Share of all time at the nearest and at the farthest zoom. */
  readonly atNearest: number;
  readonly atFarthest: number;
  /** From the last signal before it until nothing moved. */
  readonly secondsToRest: { readonly count: number; readonly median: number; readonly most: number };
  /** Share of all time at each part of the range of the zoom. */
  readonly zooms: readonly { readonly fromSpan: number; readonly toSpan: number; readonly share: number }[];
  readonly edges: { readonly visits: number; readonly reversedAtOnce: number };
  /** Abilities of whose inputs none was used, and those inputs. */
  readonly unused: Readonly<Record<string, readonly string[]>>;
  readonly suggestions: readonly { readonly path: string; readonly message: string }[];
}

export function feelCommand(): Command {
  return new Command('feel')
    .description('Print the gestures of a session as facts, with advice for tuning.')
    .argument('<session>', 'a session file (newline-delimited JSON), or - for standard input')
    .addOption(fromOption())
    .addOption(untilOption())
    .addOption(terrainOption())
    .addOption(jsonOption())
    .addHelpText(
      'after',
      `
Example: zesty-kite feel crossing.ndjson

a gesture    notches of the wheel with less than 0.4 s between them
overshoots   zooms that were reversed within a second
at a limit   share of the time in which something moved
rest         from the last signal until nothing moves
edges        visits of the pointer in a band that pans; reversed: the map came back within a second`,
    )
    .action(async (session: string, { terrain, json, ...part }: FeelOptions) => {
      const grounds = await Promise.all(terrain.map((file) => readGround(file)));
      const felt = await feel(session, grounds, part);
      await print('stdout', json ? `${JSON.stringify(felt, null, 2)}\n` : printable(table(felt)));
    });
}

/** Numbers as they come, and what lies in their middle. */
class Sample {
  readonly values: number[] = [];

  get median(): number {
    const sorted = [...this.values].sort((a, b) => a - b);
    const half = sorted.length >> 1;
    return sorted.length === 0 ? 0 : ((sorted[half] ?? 0) + (sorted[(sorted.length - 1) >> 1] ?? 0)) / 2;
  }

  get most(): number {
    return this.values.reduce((most, value) => Math.max(most, value), 0);
  }
}

async function feel(
  session: string,
  terrains: NonNullable<Parameters<typeof playFrames>[1]['terrains']>,
  part: { readonly from?: number; readonly until?: number },
): Promise<Feel> {
  const wheel = new Wheel();
  const edges = new Edges();
  const used = new Set<string>();
  const rests = new Sample();
  const atLimit = { bounds: 0, zoom: 0, turn: 0, tilt: 0 };
  const met = new Set<(typeof LIMITS)[number]>();
  const zooms = new Float64Array(ZOOMS);
  let [frames, moving, nearest, farthest, lastSignal] = [0, 0, 0, 0, 0];
  let range = { min: 1, max: 1 };
  const last: { settings: Readonly<SpanSettings> | null } = { settings: null };
  let zoom = 0;
  let end = 0;
  const { summary } = await playFrames(
    session,
    {
      rate: RATE,
      terrains,
      ...part,
      progress: true,
      begin: (camera) => {
        when(camera, 'limit', ({ limit, reached }) => {
          if (reached) met.add(limit);
          else met.delete(limit);
        });
        when(camera, 'edge', ({ sides }) => {
          edges.isInside = sides.length > 0;
        });
        when(camera, 'rest', ({ time }) => rests.values.push(time / 1000 - lastSignal));
      },
      signal: (signal) => {
        lastSignal = signal.at / 1e6;
        wheel.hear(signal);
        for (const input of inputsOf(signal)) used.add(input);
      },
    },
    (pose, _, camera) => {
      frames += 1;
      if (camera !== null) {
        range = camera.spanRange;
        last.settings = inSpans(camera.settings, camera.view.height);
        moving += 1;
        for (const limit of met) atLimit[limit] += 1;
        edges.frame(camera, pose.seconds);
      }
      const octaves = Math.log2(range.max / range.min);
      zoom = octaves > 0 ? Math.log2(pose.span / range.min) / octaves : 0;
      const at = Math.min(ZOOMS - 1, Math.max(0, Math.floor(zoom * ZOOMS)));
      zooms[at] = (zooms[at] ?? 0) + 1;
      if (pose.span <= range.min * 1.001) nearest += 1;
      if (pose.span >= range.max * 0.999) farthest += 1;
      end = pose.seconds;
    },
  );
  wheel.end();
  const share = (count: number, of = frames): number => (of === 0 ? 0 : count / of);
  const facts = {
    seconds: summary.duration || end,
    movingSeconds: moving / RATE,
    wheel: {
      gestures: wheel.gestures.values.length,
      notchesPerGesture: { median: wheel.gestures.median, most: wheel.gestures.most },
      overshoots: wheel.overshoots,
    },
    atLimit: {
      bounds: share(atLimit.bounds, moving),
      zoom: share(atLimit.zoom, moving),
      turn: share(atLimit.turn, moving),
      tilt: share(atLimit.tilt, moving),
    },
    atNearest: share(nearest),
    atFarthest: share(farthest),
    secondsToRest: { count: rests.values.length, median: rests.median, most: rests.most },
    zooms: Array.from(zooms, (count, i) => ({
      fromSpan: range.min * (range.max / range.min) ** (i / ZOOMS),
      toSpan: range.min * (range.max / range.min) ** ((i + 1) / ZOOMS),
      share: share(count),
    })),
    edges: { visits: edges.visits, reversedAtOnce: edges.reversed },
    unused: last.settings === null ? {} : unusedOf(last.settings, used),
  };
  return { ...facts, suggestions: last.settings === null ? [] : suggestionsOf(facts, last.settings) };
}

/** Gestures of the wheel, and those that were taken back. */
class Wheel {
  readonly gestures = new Sample();
  overshoots = 0;
  #notches = 0;
  #last = -Infinity;
  #way = 0;

  hear(signal: StampedSignal): void {
    if (signal.kind !== 'wheel' || signal.notches === 0) return;
    const seconds = signal.at / 1e6;
    const way = Math.sign(signal.notches);
    if (way !== this.#way && this.#way !== 0 && seconds - this.#last < BACK_AT_ONCE) this.overshoots += 1;
    if (seconds - this.#last >= GESTURE_GAP || way !== this.#way) this.end();
    this.#notches += Math.abs(signal.notches);
    this.#last = seconds;
    this.#way = way;
  }

  end(): void {
    if (this.#notches > 0) this.gestures.values.push(this.#notches);
    this.#notches = 0;
  }
}

/** Visits of the pointer in the bands that pan, and those after which the map came back at once. */
class Edges {
  visits = 0;
  reversed = 0;
  /** The pointer pans at a side now. */
  isInside = false;
  #inside = false;
  #from = { x: 0, y: 0 };
  #last: {
    readonly seconds: number;
    readonly movedX: number;
    readonly movedY: number;
    readonly x: number;
    readonly y: number;
  } | null = null;

  frame({ view }: Camera, seconds: number): void {
    const { isInside } = this;
    const { x, y } = view;
    const last = this.#last;
    if (last !== null && seconds - last.seconds < BACK_AT_ONCE) {
      const back = (x - last.x) * last.movedX + (y - last.y) * last.movedY;
      if (back < -0.3 * (last.movedX ** 2 + last.movedY ** 2)) {
        this.reversed += 1;
        this.#last = null;
      }
    }
    if (isInside && !this.#inside) this.#from = { x, y };
    if (!isInside && this.#inside) {
      const [movedX, movedY] = [x - this.#from.x, y - this.#from.y];
      if (Math.hypot(movedX, movedY) > view.span / 1000) {
        this.visits += 1;
        this.#last = { seconds, movedX, movedY, x, y };
      }
    }
    this.#inside = isInside;
  }
}

/** The input that a signal shows to be used, as bindings name it. */
function inputsOf(signal: StampedSignal): string[] {
  if (signal.kind === 'key' && signal.down) return [signal.code];
  if (signal.kind === 'wheel') return [signal.notches > 0 ? 'WheelUp' : 'WheelDown'];
  if (signal.kind === 'press') return [signal.input];
  if (signal.kind === 'pad') return ['Pad'];
  return [];
}

function unusedOf({ bindings }: Readonly<FullSettings>, used: ReadonlySet<string>): Record<string, readonly string[]> {
  const wasUsed = (input: string): boolean => {
    const last = input.split('+').at(-1) ?? input;
    if (last.startsWith('Pad')) return used.has('Pad');
    return ['', 'Left', 'Right'].some((side) => used.has(`${last}${side}`));
  };
  // Of a pad that nobody held, nothing is said.
  const isSaid = (input: string): boolean => used.has('Pad') || !input.includes('Pad');
  return Object.fromEntries(
    Object.entries(bindings as Readonly<Record<string, readonly string[]>>)
      .map(([ability, inputs]): [string, readonly string[]] => [ability, inputs.filter(isSaid)])
      .filter(([, inputs]) => inputs.length > 0 && !inputs.some(wasUsed)),
  );
}

/** From so many gestures on they say something. */
const ENOUGH = 5;

function suggestionsOf(
  { wheel, atLimit, atNearest, atFarthest, secondsToRest, zooms, edges }: Omit<Feel, 'suggestions'>,
  settings: Readonly<SpanSettings>,
): { path: string; message: string }[] {
  const said: { path: string; message: string }[] = [];
  const say = (path: string, message: string): void => {
    said.push({ path, message });
  };
  const { median } = wheel.notchesPerGesture;
  const { notch, stops } = settings.zoom;
  if (wheel.gestures >= ENOUGH && median >= 5 && stops === null)
    say(
      'zoom.notch',
      `a gesture takes ${counted(Number(short(median)), 'notch', 'notches')}; ${short(notch ** (median / 3))} in place of ${short(notch)} would take three`,
    );
  if (wheel.gestures >= ENOUGH && wheel.overshoots / wheel.gestures > 0.2)
    say(
      stops === null ? 'zoom.notch' : 'zoom.stops',
      `${String(wheel.overshoots)} of ${String(wheel.gestures)} zooms were taken back within a second; a smaller step, or a shorter zoom.halfLife than ${short(settings.zoom.halfLife)} s, would go less far`,
    );
  if (atNearest > 0.25)
    say('zoom.minSpan', `${percent(atNearest)} of the time it was at the nearest zoom; players want to come nearer`);
  if (atFarthest > 0.25)
    say('zoom.maxSpan', `${percent(atFarthest)} of the time it was at the farthest zoom; players want to see more`);
  if (atLimit.bounds > 0.3)
    say(
      'bounds.margin',
      `${percent(atLimit.bounds)} of the moving time the bounds held it back; a margin of ${short(settings.bounds?.margin ?? 0)} may be too little`,
    );
  if (atLimit.tilt > 0.3) say('pitch.min', `${percent(atLimit.tilt)} of the moving time the pitch was at an end`);
  if (secondsToRest.count >= ENOUGH && secondsToRest.median > 2)
    say(
      'pan.stopHalfLife',
      `it takes ${short(secondsToRest.median)} s to come to rest; shorter half-lives of pan, zoom and glide would end sooner`,
    );
  if (edges.visits >= ENOUGH && edges.reversedAtOnce / edges.visits > 0.25)
    say(
      'edge.dwell',
      `${String(edges.reversedAtOnce)} of ${counted(edges.visits, 'pan')} at the edge ${edges.visits === 1 ? 'was' : 'were'} taken back within a second; more than ${short(settings.edge?.dwell ?? 0)} s, or narrower bands, would begin fewer by mistake`,
    );
  const most = zooms.reduce((best, one) => (one.share > best.share ? one : best), { fromSpan: 0, toSpan: 0, share: 0 });
  const { span = NaN } = settings.start;
  if (most.share > 0.6 && !(span >= most.fromSpan && span <= most.toSpan))
    say(
      'start.span',
      `${percent(most.share)} of the time the span was from ${short(most.fromSpan)} to ${short(most.toSpan)}; it begins at ${short(span)}`,
    );
  return said;
}

function percent(share: number): string {
  return `${(100 * share).toFixed(0)} %`;
}

function table(felt: Feel): string {
  const { wheel, atLimit, secondsToRest, edges } = felt;
  const rows = [
    ['time', `${felt.seconds.toFixed(1)} s, moving ${felt.movingSeconds.toFixed(1)} s`],
    [
      'wheel',
      `${counted(wheel.gestures, 'gesture')} of ${counted(Number(short(wheel.notchesPerGesture.median)), 'notch', 'notches')}, at most ${short(wheel.notchesPerGesture.most)}`,
    ],
    [
      'overshoots',
      `${String(wheel.overshoots)} ${wheel.overshoots === 1 ? 'zoom' : 'zooms'} went the other way within a second`,
    ],
    ['at a limit', LIMITS.map((limit) => `${limit} ${percent(atLimit[limit])}`).join(', ')],
    ['at an end', `nearest ${percent(felt.atNearest)}, farthest ${percent(felt.atFarthest)} of the time`],
    [
      'rest',
      `${counted(secondsToRest.count, 'time')}, after ${secondsToRest.median.toFixed(2)} s, at most ${secondsToRest.most.toFixed(2)} s`,
    ],
    ...felt.zooms.map(({ fromSpan, toSpan, share }, i) => [
      i === 0 ? 'by zoom' : '',
      `span ${short(fromSpan)} to ${short(toSpan)}: ${percent(share)}`,
    ]),
    ['edges', `${counted(edges.visits, 'visit')}, ${String(edges.reversedAtOnce)} reversed at once`],
    ...Object.entries(felt.unused).map(([ability, inputs], i) => [
      i === 0 ? 'never used' : '',
      `${ability}: ${inputs.join(', ')}`,
    ]),
  ];
  const said =
    felt.suggestions.length === 0
      ? 'nothing to suggest\n'
      : felt.suggestions.map(({ path, message }) => `${path}: ${message}\n`).join('');
  return `${columns(rows)}\n${said}`;
}
