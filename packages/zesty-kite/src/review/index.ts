export { bindingWarnings } from './bindings.ts';
export { voidAtFlattest, type Void } from './guard.ts';
export { reviewSettings, unseenPlaces } from './review.ts';
export type { Warning } from './warning.ts';
export { valueAtSpan } from '../settings/index.ts';
