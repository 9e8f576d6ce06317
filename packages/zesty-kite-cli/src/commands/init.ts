/** `zesty-kite init`: a settings file to begin with, from the size of the map, the size of a tile, and a look. */
import { createInterface } from 'node:readline/promises';
import { Command, InvalidArgumentError, Option } from 'commander';
import type { Settings } from 'zesty-kite';
import { completeSettings } from '../play/camera.ts';
import { Failure, oneLine } from '../failure.ts';
import { shellWord } from '../write/shellWord.ts';
import { WholeFile } from '../write/wholeFile.ts';
import { forceOption, screenSize } from '../options.ts';
import { print } from '../write/print.ts';

interface InitOptions {
  readonly map?: string;
  readonly tile?: number;
  readonly look?: string;
  readonly to: string;
  readonly schema: string;
  readonly force: boolean;
}

/** The settings of each look of a map. */
const LOOKS: Readonly<Record<string, (span: number, tile: number) => Settings>> = {
  flat: (span) => ({ start: { span } }),
  tiles: (span, tile) => ({
    start: { span, heading: 45 },
    pitch: { degrees: 30 },
    turn: { step: 90, stops: { step: 90, offset: 45 } },
    // A tile is a whole number of pixels across: 32 to 256.
    zoom: { stops: [1, 2, 3, 4, 6, 8].map((times) => (times * 32) / (tile * Math.SQRT2)), stopUnit: 'pixels-per-unit' },
    bindings: { turnStepLeft: ['KeyQ'], turnStepRight: ['KeyE'] },
  }),
  hills: (span, tile) => ({
    start: { span },
    pitch: {
      degrees: [
        [3 * tile, 38],
        [span, 64],
      ],
    },
    lens: { fieldOfView: 38 },
    twoFingers: { turn: true },
    bindings: { turnLeft: ['KeyQ'], turnRight: ['KeyE'], tiltUp: ['KeyF'], tiltDown: ['KeyR'] },
  }),
};

/** The path of the schema in a project that has the library. */
const SCHEMA = './node_modules/zesty-kite/dist/settings.schema.json';

export function initCommand(): Command {
  return new Command('init')
    .description('Write first settings. On a terminal, missing options are asked for.')
    .addOption(new Option('--map <width>x<height>', 'the size of the map, world units').argParser(mapSize))
    .addOption(
      new Option('--tile <units>', 'the side of a tile, or of the usual thing on the map, world units').argParser(
        tileSize,
      ),
    )
    .addOption(
      new Option('--look <look>', 'straight down, two-to-one tiles, or hills in perspective').choices(
        Object.keys(LOOKS),
      ),
    )
    .addOption(new Option('--to <file>', 'the file to write; - prints it').default('settings.json'))
    .addOption(new Option('--schema <path>', 'the path of the JSON Schema, for editors').default(SCHEMA))
    .addOption(forceOption())
    .addHelpText('after', '\nExample: zesty-kite init --map 1024x768 --tile 16 --look tiles')
    .action(async ({ to, schema, force, ...given }: InitOptions) => {
      const file = to === '-' ? null : new WholeFile(to, force);
      const { map, tile, look } = await asked(given);
      const [width = 0, height = 0] = map.split('x').map(Number);
      const settings = settingsFor(width, height, tile, look, schema);
      completeSettings(settings);
      const text = `${JSON.stringify(settings, null, 2)}\n`;
      if (file === null) {
        await print('stdout', text);
        return;
      }
      file.write(text);
      file.finish();
      await print(
        'stdout',
        `${oneLine(to)}: ${look}, ${map} world units\n  zesty-kite check ${shellWord(to)}\n  zesty-kite explain ${shellWord(to)}\n`,
      );
    });
}

function settingsFor(width: number, height: number, tile: number, look: string, schema: string): Settings {
  // About forty tiles from top to bottom, or all of a small map.
  const span = Math.min(height, 40 * tile);
  const settings = LOOKS[look]?.(span, tile) ?? {};
  return {
    $schema: schema,
    ...settings,
    start: { x: width / 2, y: height / 2, ...settings.start },
    zoom: { ...(settings.zoom?.stops ? {} : { minSpan: Math.min(height, 6 * tile) }), ...settings.zoom },
    bounds: { left: 0, top: 0, right: width, bottom: height, ...(look === 'flat' ? {} : { keep: 'focus' }) },
  };
}

/** On a terminal, missing options are asked for. */
async function asked({ map, tile, look }: Pick<InitOptions, 'map' | 'tile' | 'look'>): Promise<{
  map: string;
  tile: number;
  look: string;
}> {
  const missing = [map === undefined && '--map', tile === undefined && '--tile', look === undefined && '--look'].filter(
    Boolean,
  );
  if (missing.length > 0 && !(process.stdin.isTTY && process.stdout.isTTY))
    throw new Failure(
      `${missing.join(', ')}: expected a value such as --map 1024x768 --tile 16 --look flat, got nothing`,
    );
  const terminal = missing.length > 0 ? createInterface({ input: process.stdin, output: process.stdout }) : null;
  /** Until the answer will do. */
  const ask = async <T>(question: string, usual: string, read: (text: string) => T): Promise<T> => {
    for (;;) {
      const answer = (await terminal?.question(`${question} (${usual}): `)) ?? '';
      try {
        return read(answer.trim() === '' ? usual : answer.trim());
      } catch (error) {
        await print('stdout', `  ${error instanceof Error ? error.message : String(error)}\n`);
      }
    }
  };
  try {
    return {
      map: map ?? (await ask('How large is the map, in world units?', '1024x768', mapSize)),
      tile: tile ?? (await ask('How large is a tile?', '16', tileSize)),
      look:
        look ??
        (await ask('Which look: flat, tiles or hills?', 'flat', (text) => {
          if (text in LOOKS) return text;
          throw new InvalidArgumentError(`expected one of ${Object.keys(LOOKS).join(', ')}, got "${text}".`);
        })),
    };
  } finally {
    terminal?.close();
  }
}

function mapSize(text: string): string {
  const { width, height } = screenSize(text);
  return `${String(width)}x${String(height)}`;
}

function tileSize(text: string): number {
  const size = Number(text);
  if (text.trim() !== '' && size > 0 && size <= 1e6) return size;
  throw new InvalidArgumentError(`expected a size above 0, in world units, got "${text}".`);
}
