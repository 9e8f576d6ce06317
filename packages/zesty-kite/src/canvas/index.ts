export { densityByZoom, type DensityRule } from './density.ts';
export { createDrawing, type Canvas, type CanvasContext, type Drawing, type DrawingOptions } from './drawing.ts';
