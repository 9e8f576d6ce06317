export { bindingWarnings } from './bindings.ts';
export { reviewSettings } from './review.ts';
export type { Warning } from './warning.ts';
