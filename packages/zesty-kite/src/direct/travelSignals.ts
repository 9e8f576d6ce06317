/** The signals of journeys. */
import { maybe, maybeNumber, number, oneOf, coordinate, span, type SignalsOf } from '../signals/index.ts';
import { EASES } from './ease.ts';

export const WAYS = ['shortest', 'straight', 'cut'] as const;
const FARTHEST = 1e12;

const onGround = coordinate(FARTHEST);
const seconds = number(0, 3600);

export const TRAVEL_SIGNALS = {
  travel: {
    id: number(0),
    x: maybe(onGround),
    y: maybe(onGround),
    height: maybeNumber(-FARTHEST, FARTHEST),
    span,
    heading: maybeNumber(-1e6, 1e6),
    pitch: maybeNumber(0, 90),
    way: oneOf(WAYS),
    speed: number(1e-3, 1e3),
    minSeconds: seconds,
    maxSeconds: seconds,
    ease: oneOf(EASES),
  },
  travelTarget: { id: number(0), x: onGround, y: onGround },
  travelEnd: { id: number(0) },
};
export type TravellingSignal = SignalsOf<typeof TRAVEL_SIGNALS>;
export type TravelSignal = Extract<TravellingSignal, { readonly kind: 'travel' }>;
