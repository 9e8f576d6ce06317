export { createPaper, type Canvas, type CanvasContext, type Paper, type PaperOptions } from './paper.ts';
