/** The signals of cutscenes. */
import { trueOrAbsent, maybe, maybeNumber, number, oneOf, coordinate, text } from '../signals/index.ts';
import type { Field, OptionalField, SignalsOf } from '../signals/index.ts';
import type { Point } from '../view/index.ts';
import { checkedKeyframes, KEYFRAME_SCHEMA, type Keyframe } from './keyframes.ts';
import { checkedPoint } from './samples.ts';

const CUES = ['pause', 'forward', 'backward', 'skip', 'end', 'seek', 'rate'] as const;
/** Seconds that pass in the scene in a second. */
export const RATES = { min: 0.01, max: 100 } as const;

/** The place of a target. */
export interface TargetSpot extends Point {
  readonly target: string;
}

const worldUnits = { type: 'number', minimum: -1e12, maximum: 1e12 };
const targets: OptionalField<readonly TargetSpot[]> = maybe({
  clean: (value, path) => {
    const list: readonly unknown[] = Array.isArray(value) ? value : [];
    return list.map((spot, i) => {
      const { x, y } = checkedPoint(`signal.${path}[${String(i)}]`, spot);
      return { target: String((spot as Partial<TargetSpot>).target), x, y };
    });
  },
  schema: {
    type: 'array',
    items: {
      type: 'object',
      properties: { target: { type: 'string' }, x: worldUnits, y: worldUnits },
      required: ['target', 'x', 'y'],
    },
  },
});

const keyframes: Field<readonly Keyframe[]> = {
  clean: (value, path) => checkedKeyframes(`signal.${path}`, value),
  schema: { type: 'array', minItems: 1, items: KEYFRAME_SCHEMA },
};

export const PLAY_SIGNALS = {
  play: { id: number(0), keyframes, rate: maybeNumber(RATES.min, RATES.max), loop: trueOrAbsent(), targets },
  playTarget: { id: number(0), target: text('the name of a target'), x: coordinate(1e12), y: coordinate(1e12) },
  cue: { id: number(0), cue: oneOf(CUES), value: maybeNumber(0, 86_400) },
};
export type CueName = (typeof CUES)[number];
export type PlayingSignal<K extends keyof typeof PLAY_SIGNALS = keyof typeof PLAY_SIGNALS> = SignalsOf<
  Pick<typeof PLAY_SIGNALS, K>
>;
