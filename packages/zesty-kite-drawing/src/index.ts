/** Charts as SVG and PNG, with fonts of their own: the same picture on every machine. */
import { fileURLToPath } from 'node:url';
import { parse, View, Warn } from 'vega';
import { compile, type TopLevelSpec } from 'vega-lite';

const FONT = 'DejaVu Sans';
const FONT_FILES = ['DejaVuSans.ttf', 'DejaVuSans-Bold.ttf'];
const INK = '#0b2f38';

const CONFIG = {
  background: '#fffdf8',
  font: FONT,
  padding: 16,
  axis: {
    labelColor: INK,
    titleColor: INK,
    gridColor: '#e6dfcf',
    domainColor: INK,
    tickColor: INK,
    titleFontWeight: 'normal',
    labelFontSize: 11,
    titleFontSize: 12,
  },
  legend: { labelLimit: 400, labelColor: INK, titleColor: INK, labelFontSize: 12, titleFontSize: 12 },
  title: { color: INK, fontSize: 13, fontWeight: 'bold', anchor: 'start' },
  view: { stroke: '#d9cdb4' },
  line: { strokeWidth: 2 },
} as const;

/** The specification is right, although its types do not fit. */
const silent = {
  level: () => silent,
  error: () => silent,
  warn: () => silent,
  info: () => silent,
  debug: () => silent,
};

/** Returns a chart as SVG. */
export async function svgOf(spec: TopLevelSpec): Promise<string> {
  // The fonts are known, so text is as wide as it says without a canvas.
  const { spec: compiled } = compile(spec, { config: CONFIG, logger: silent });
  return new View(parse(compiled), { renderer: 'none', logLevel: Warn }).toSVG();
}

/**
 * Returns an SVG as PNG.
 *
 * @param sharpness pixels of the PNG for each pixel of the SVG, > 0
 */
export async function pngOf(svg: string, sharpness: number): Promise<Buffer> {
  const { Resvg } = await import('@resvg/resvg-js');
  const fontFiles = FONT_FILES.map((name) => fileURLToPath(new URL(name, import.meta.url)));
  const drawn = new Resvg(svg, {
    fitTo: { mode: 'zoom', value: sharpness },
    font: { fontFiles, loadSystemFonts: false, defaultFontFamily: FONT },
  }).render();
  return drawn.asPng();
}
