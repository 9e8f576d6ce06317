/** `zesty-kite chart SETTINGS|SESSION`: a picture of settings over zoom and time, or of a session on the map. */
import { basename } from 'node:path';
import { Command } from 'commander';
import type { Screen } from 'zesty-kite';
import { inFile } from '../failure.ts';
import { readGround } from '../read/ground.ts';
import { journeyOf } from '../play/journey.ts';
import { kindOf } from '../read/kind.ts';
import { overTime, overZoom } from '../play/measures.ts';
import {
  forceOption,
  refuseUnused,
  fromOption,
  screenOption,
  screensOf,
  terrainOption,
  untilOption,
} from '../options.ts';
import { short } from '../write/columns.ts';
import { Picture } from '../write/picture.ts';
import { readSettings, readSettingsFile, withPlaces } from '../read/settingsFile.ts';
import { sessionSpec } from '../write/sessionSpec.ts';
import { settingsSpec } from '../write/settingsSpec.ts';

interface ChartOptions {
  readonly to: string;
  readonly screen?: readonly Screen[];
  readonly terrain: readonly string[];
  readonly settings?: string;
  readonly from?: number;
  readonly until?: number;
  readonly force: boolean;
}

/** Frames a second: finer than anybody sees in a picture. */
const RATE = 30;

export function chartCommand(): Command {
  return new Command('chart')
    .description('Draw settings over the zoom and over time, or a session: path, views, span and speed.')
    .argument('<file>', 'a settings file (JSON), or a session file (newline-delimited JSON)')
    .requiredOption('--to <file>', 'the file to write, .svg or .png')
    .addOption(screenOption())
    .addOption(fromOption())
    .addOption(untilOption())
    .addOption(terrainOption())
    .option('--settings <file>', 'play with other settings')
    .addOption(forceOption())
    .addHelpText('after', '\nExample: zesty-kite chart crossing.ndjson --to crossing.svg')
    .action(async (file: string, { to, screen, terrain, settings, force, ...part }: ChartOptions) => {
      const kind = await kindOf(file);
      const picture = new Picture('--to', to, force);
      if (kind === 'settings') {
        refuseUnused({ terrain, settings, ...part });
        const read = await readSettingsFile(file);
        const [first = { width: 1280, height: 800 }] = screensOf(screen);
        try {
          await picture.draw(
            settingsSpec(overZoom(read.settings, first), overTime(read.settings, first), basename(file)),
            `${basename(file)} over the zoom and over time`,
          );
        } catch (error) {
          throw inFile(file, await withPlaces(file, error, read));
        }
        return;
      }
      const grounds = await Promise.all(terrain.map((one) => readGround(one)));
      const { stops, corners } = await journeyOf(file, {
        rate: RATE,
        terrains: grounds,
        settings: settings === undefined ? undefined : await readSettings(settings),
        ...part,
        progress: true,
      });
      await picture.draw(
        sessionSpec(stops, corners, basename(file)),
        `${basename(file)}, ${short(stops.at(-1)?.seconds ?? 0)} s: path, view, span and speed`,
      );
    });
}
