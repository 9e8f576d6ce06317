/** Pictures: what a chart says, drawn as SVG or PNG by the ending of its file. */
import { createRequire } from 'node:module';
import type { TopLevelSpec } from 'vega-lite';
import { Failure, oneLine, printable } from '../failure.ts';
import { print } from './print.ts';
import { WholeFile } from './wholeFile.ts';

/** Pixels of a PNG for each of the picture. */
const SHARPNESS = 2;
const FONT = 'DejaVu Sans';
const INK = '#0b2f38';

/** Of two that are compared, and of one alone. */
export const COLOURS = ['#1b6d79', '#f26b3a'] as const;

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

/** The file of a picture, checked before anything is drawn. */
export class Picture {
  readonly #name: string;
  readonly #file: WholeFile;
  readonly #isPng: boolean;

  /** @throws Failure for a name with another ending, or a file that is there already */
  constructor(option: string, file: string, force: boolean) {
    const [, ending] = /\.(svg|png)$/.exec(file) ?? [];
    if (ending === undefined) throw new Failure(`${option}: expected a name that ends in .svg or .png, got "${file}"`);
    this.#name = file;
    this.#isPng = ending === 'png';
    this.#file = new WholeFile(file, force);
  }

  /** @param what it shows, to print with the name of the file; printed nowhere when left out */
  async draw(spec: TopLevelSpec, what?: string): Promise<void> {
    const [{ compile }, { parse, View, Warn }] = await Promise.all([import('vega-lite'), import('vega')]);
    // The fonts are known, so text is as wide as it says without a canvas.
    const { spec: compiled } = compile(spec, { config: CONFIG, logger: silent });
    const svg = await new View(parse(compiled), { renderer: 'none', logLevel: Warn }).toSVG();
    this.#file.write(this.#isPng ? await pngOf(svg) : svg);
    this.#file.finish();
    if (what === undefined) return;
    const [, width = '', height = ''] = /<svg[^>]* width="([\d.]+)" height="([\d.]+)"/.exec(svg) ?? [];
    const [wide, high] = [width, height].map((side) => Math.ceil(Number(side) * (this.#isPng ? SHARPNESS : 1)));
    await print('stdout', printable(`${oneLine(this.#name)}: ${what}, ${String(wide)} × ${String(high)} pixels\n`));
  }
}

/** The specification is right, although its types do not fit. */
const silent = {
  level: () => silent,
  error: () => silent,
  warn: () => silent,
  info: () => silent,
  debug: () => silent,
};

async function pngOf(svg: string): Promise<Buffer> {
  const { Resvg } = await import('@resvg/resvg-js');
  const fontFiles = ['DejaVuSans.ttf', 'DejaVuSans-Bold.ttf'].map((name) =>
    createRequire(import.meta.url).resolve(`dejavu-fonts-ttf/ttf/${name}`),
  );
  const drawn = new Resvg(svg, {
    fitTo: { mode: 'zoom', value: SHARPNESS },
    font: { fontFiles, loadSystemFonts: false, defaultFontFamily: FONT },
  }).render();
  return drawn.asPng();
}
