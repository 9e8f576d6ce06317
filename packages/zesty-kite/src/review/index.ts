export { reviewSettings, type Warning } from './review.ts';
