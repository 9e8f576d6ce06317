export { createOverlay, type Line, type Overlay, type Over } from './overlay.ts';
