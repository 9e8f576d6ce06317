/** The signals of following. */
import type { Cause } from '../motion/index.ts';
import { maybeNumber, number, oneOf, coordinate, type SignalsOf } from '../signals/index.ts';

/** How following ended. */
export interface Parting {
  /** Steering or a call interrupted it, another took its place, the target was lost, or the program ended it. */
  readonly outcome: 'interrupted' | 'replaced' | 'lost' | 'ended';
  /** The row of the table of what ends what that interrupted it. */
  readonly by: Cause | null;
}

const FARTHEST = 1e12;
export const SHAPES = ['box', 'circle'] as const;
/** A player's pan shifts the target on the screen, or ends following. */
export const PANS = ['offset', 'end'] as const;

export const FOLLOW_SIGNALS = {
  follow: {
    id: number(0),
    x: coordinate(FARTHEST),
    y: coordinate(FARTHEST),
    halfLife: number(0, 60),
    lead: number(-60, 60),
    /** The zone: shares of the safe frame's width and height; of a circle, its width as a share of the height. */
    zoneWidth: number(0, 1),
    zoneHeight: number(0, 1),
    zone: oneOf(SHAPES),
    onPan: oneOf(PANS),
    /** The heading to turn to, degrees. */
    heading: maybeNumber(-1e6, 1e6),
    /** The height of the target; on the ground when left out. */
    height: maybeNumber(-FARTHEST, FARTHEST),
  },
  /** The position of the target in the present frame. */
  followed: {
    id: number(0),
    x: coordinate(FARTHEST),
    y: coordinate(FARTHEST),
    /** Seconds since the sample before. */
    after: number(0, 1e9),
    /** How much later than the signal the sample is, seconds. */
    ahead: number(0, 1e9),
    heading: maybeNumber(-1e6, 1e6),
    height: maybeNumber(-FARTHEST, FARTHEST),
  },
  unfollow: {
    id: number(0),
    lost: { clean: (value: unknown): boolean => value === true, schema: { type: 'boolean' } },
  },
};

export type FollowingSignal = SignalsOf<typeof FOLLOW_SIGNALS>;
export type FollowSignal = Extract<FollowingSignal, { readonly kind: 'follow' }>;
export type SampleSignal = Extract<FollowingSignal, { readonly kind: 'followed' }>;

/** A request to follow at another height; on the ground when there is none. */
export function atHeight(request: FollowSignal, height: number | undefined): FollowSignal {
  const { height: before, ...onGround } = request;
  if (before === height) return request;
  return height === undefined ? onGround : { ...onGround, height };
}
