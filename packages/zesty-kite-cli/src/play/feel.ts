/** The facts of a session to tune by: measured while it is played. */
import { inSpans, type FullSettings, type SpanSettings, type StampedSignal } from 'zesty-kite';
import { when } from 'zesty-kite/events';
import { Edges, Sample, Wheel } from './gestures.ts';
import { playFrames } from './poses.ts';

/** Frames a second: fine enough for shares of time. */
const RATE = 60;
/** Into so many parts of equal factors the range of the zoom is split. */
const ZOOMS = 5;

export const LIMITS = ['bounds', 'zoom', 'turn', 'tilt'] as const;

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
}

export interface Felt {
  readonly facts: Feel;
  /** In force at the end; null if nothing has moved. */
  readonly settings: Readonly<SpanSettings> | null;
}

export async function feel(
  session: string,
  terrains: NonNullable<Parameters<typeof playFrames>[1]['terrains']>,
  part: { readonly from?: number; readonly until?: number },
): Promise<Felt> {
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
  return { facts, settings: last.settings };
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
