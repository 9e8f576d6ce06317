export type { By, CameraEvents, EventName } from './events.ts';
export { when } from './when.ts';
