export { listen } from './listen.ts';
