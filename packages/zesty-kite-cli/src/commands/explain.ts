/** `zesty-kite explain SETTINGS`: what the numbers mean to whoever plays. */
import { Command, InvalidArgumentError, Option } from 'commander';
import type { Screen } from 'zesty-kite';
import { explain, type AtZoom, type Explained, type NamedZoom } from '../play/explain.ts';
import { columns, counted, short } from '../write/columns.ts';
import { inFile, printable } from '../failure.ts';
import { jsonOption, screenOption, screensOf } from '../options.ts';
import { print } from '../write/print.ts';
import { readSettingsFile, withPlaces } from '../read/settingsFile.ts';

interface ExplainOptions {
  readonly screen?: readonly Screen[];
  readonly tile?: number;
  readonly at: readonly NamedZoom[];
  readonly json: boolean;
}

export function explainCommand(): Command {
  return new Command('explain')
    .description('Print the numbers of settings at the nearest zoom, the start, the farthest zoom, and each --at.')
    .argument('<settings>', 'a settings file (JSON), or - for standard input')
    .addOption(screenOption())
    .option('--tile <units>', 'the side of a tile, to count them', tileSize)
    .addOption(
      new Option(
        '--at <span>',
        'a zoom to add: a span in world units, 2px for pixels per unit, 40up for an eye height; may be repeated',
      )
        .argParser((text: string, zooms: readonly NamedZoom[]) => [...zooms, zoomOf(text)])
        .default([], 'none'),
    )
    .addOption(jsonOption('one JSON object instead of a table; a list for several screens'))
    .addHelpText(
      'after',
      `
Example: zesty-kite explain settings.json --screen 390x844 --at 200

span            world units from the top to the bottom of the safe frame, through the focus
scale           CSS pixels per world unit at the focus: frame height / span
ground          world units from side to side through the focus, and from bottom to top
eye             its height over the focus: span · sin(pitch) / (2 · tan(field of view / 2)), in the safe frame's share of the screen
pan             the full speed of a held key; and in screen widths per second
tiles           visible tiles of the side --tile
across the map  the width of the bounds / pan
depth           near and far plane
void            the share of the view that may show ground beyond the bounds at the flattest pitch
float32         half of the gap between 32-bit floats at the farthest coordinate of the settings, in CSS pixels`,
    )
    .action(async (file: string, { screen, tile, at, json }: ExplainOptions) => {
      const read = await readSettingsFile(file);
      let all: readonly Explained[];
      try {
        all = screensOf(screen).map((one) => explain(read.settings, one, at, tile));
      } catch (error) {
        throw inFile(file, await withPlaces(file, error, read));
      }
      const [first] = all;
      await print(
        'stdout',
        json
          ? `${JSON.stringify(all.length === 1 ? first : all, null, 2)}\n`
          : printable(all.map((one) => explainedTable(one, all.length > 1)).join('\n')),
      );
    });
}

/** The table and the screen: above it if there are several, else below. */
function explainedTable(
  { screen, zooms, notches, secondsToRest, voidAtFlattest: most }: Explained,
  several: boolean,
): string {
  const size = `${String(screen.width)}x${String(screen.height)}`;
  const each = (text: (zoom: AtZoom) => string): string[] => zooms.map(text);
  const tiles = zooms.some(({ tilesShown }) => tilesShown !== null)
    ? [['tiles', ...each(({ tilesShown }) => (tilesShown === null ? '∞' : String(tilesShown)))]]
    : [];
  const rows = [
    [several ? size : '', ...each(({ zoom }) => zoom)],
    ['span', ...each(({ span }) => `${short(span)} units`)],
    ['scale', ...each(({ pixelsPerUnit }) => `${short(pixelsPerUnit)} px`)],
    [
      'ground',
      ...each(({ acrossUnits, downUnits }) => `${short(acrossUnits)} × ${downUnits === null ? '∞' : short(downUnits)}`),
    ],
    ...tiles,
    ['pitch', ...each(({ pitch }) => `${short(pitch)}°`)],
    ['field of view', ...each(({ fieldOfView }) => (fieldOfView === 0 ? 'orthographic' : `${short(fieldOfView)}°`))],
    ['eye', ...each(({ eyeHeight }) => (eyeHeight === null ? '-' : `${short(eyeHeight)} up`))],
    ['pan', ...each(({ panUnitsPerSecond }) => `${short(panUnitsPerSecond)} units/s`)],
    ['', ...each(({ panWidthsPerSecond }) => `${short(panWidthsPerSecond)} widths/s`)],
    [
      'across the map',
      ...each(({ secondsAcrossMap }) => (secondsAcrossMap === null ? '-' : `${short(secondsAcrossMap)} s`)),
    ],
    ['depth', ...each(({ near, far }) => `${short(near)} … ${short(far)}`)],
    ['float32', ...each(({ floatPixels: pixels }) => `${short(pixels)} px`)],
  ];
  return `${columns(rows)}\n${counted(notches, 'notch', 'notches')} from the nearest to the farthest\n${short(secondsToRest)} s from a notch to rest\n${most === null ? '' : `void in the top ${short(100 * most.share)} % of the view at the flattest pitch, ${short(most.pitch)}°\n`}${several ? '' : `on a screen of ${size} CSS pixels\n`}`;
}

function tileSize(text: string): number {
  const size = Number(text);
  if (text.trim() !== '' && size > 0 && Number.isFinite(size)) return size;
  throw new InvalidArgumentError(`expected a size above 0, in world units, got "${text}".`);
}

function zoomOf(text: string): NamedZoom {
  const [, digits = '', unit = ''] = /^(.*?)(px|up)?$/.exec(text) ?? [];
  const amount = Number(digits);
  if (digits.trim() !== '' && amount > 0 && Number.isFinite(amount))
    return {
      zoom: text,
      span: unit === 'px' ? { pixelsPerUnit: amount } : unit === 'up' ? { eyeHeight: amount } : amount,
    };
  throw new InvalidArgumentError(`expected a span above 0 in world units, or one such as 2px or 40up, got "${text}".`);
}
