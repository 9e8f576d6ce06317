export { follow, type Followed, type FollowOptions } from './follow.ts';
export type { Parting } from './follows.ts';
export type { Ease } from './ease.ts';
export { frame, type Framed, type FrameOptions, type Framing } from './frame.ts';
export type { Arrival, Destination } from './journey.ts';
export { DIRECTED } from './movers.ts';
export { travel, type Journeying, type TravelOptions } from './travel.ts';
export type { GeoJson, Thing } from './things.ts';
