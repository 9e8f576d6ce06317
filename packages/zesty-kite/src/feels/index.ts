export { crisp, feels, floating, heavy, instant, supple, type FeelName } from './feels.ts';
