export { bindingWarnings } from './bindings.ts';
export { reviewSettings, voidAtFlattest, type Void } from './review.ts';
export type { Warning } from './warning.ts';
