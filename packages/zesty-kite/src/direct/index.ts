export type { Ease } from './ease.ts';
export type { Arrival, Destination } from './journey.ts';
export { DIRECTED } from './movers.ts';
export { travel, type Journeying, type TravelOptions } from './travel.ts';
