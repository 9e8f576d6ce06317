export { createOverlay, type Overlay, type Over } from './overlay.ts';
