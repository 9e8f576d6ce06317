/** Pictures: what a chart says, drawn as SVG or PNG by the ending of its file. */
import type { TopLevelSpec } from 'vega-lite';
import type * as Drawing from 'zesty-kite-drawing';
import { Failure, oneLine, printable } from '../failure.ts';
import { print } from './print.ts';
import { WholeFile } from './wholeFile.ts';

/** Pixels of a PNG for each of the picture. */
const SHARPNESS = 2;
/** Of two that are compared, and of one alone. */
export const COLOURS = ['#1b6d79', '#f26b3a'] as const;

/** The file of a picture, checked before anything is drawn. */
export class Picture {
  readonly #option: string;
  readonly #name: string;
  readonly #file: WholeFile;
  readonly #isPng: boolean;

  /** @throws Failure for a name with another ending, or a file that is there already */
  constructor(option: string, file: string, force: boolean) {
    const [, ending] = /\.(svg|png)$/.exec(file) ?? [];
    if (ending === undefined) throw new Failure(`${option}: expected a name that ends in .svg or .png, got "${file}"`);
    this.#option = option;
    this.#name = file;
    this.#isPng = ending === 'png';
    this.#file = new WholeFile(file, force);
  }

  /** @param what it shows, to print with the name of the file; printed nowhere when left out */
  async draw(spec: TopLevelSpec, what?: string): Promise<void> {
    const { svgOf, pngOf } = await loadDrawing(this.#option);
    const svg = await svgOf(spec);
    this.#file.write(this.#isPng ? await pngOf(svg, SHARPNESS) : svg);
    this.#file.finish();
    if (what === undefined) return;
    const [, width = '', height = ''] = /<svg[^>]* width="([\d.]+)" height="([\d.]+)"/.exec(svg) ?? [];
    const [wide, high] = [width, height].map((side) => Math.ceil(Number(side) * (this.#isPng ? SHARPNESS : 1)));
    await print('stdout', printable(`${oneLine(this.#name)}: ${what}, ${String(wide)} × ${String(high)} pixels\n`));
  }
}

/** The code that draws is a package of its own: it is larger than the tool, and few calls draw. */
async function loadDrawing(option: string): Promise<typeof Drawing> {
  try {
    return await import('zesty-kite-drawing');
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ERR_MODULE_NOT_FOUND') throw error;
    throw new Failure(
      `${option}: expected the package zesty-kite-drawing, got none; npm install --save-dev zesty-kite-drawing`,
      { cause: error },
    );
  }
}
