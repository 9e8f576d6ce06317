/** `zesty-kite check SETTINGS…`: says what is wrong with settings, and what will feel wrong. */
import { Command, Option } from 'commander';
import type { Screen, Settings, Terrain } from 'zesty-kite';
import { checkCutscene, type Cutscene } from 'zesty-kite/direct';
import { reviewSettings, voidAtFlattest } from 'zesty-kite/review';
import { inFile, oneLine, printable } from '../failure.ts';
import { readGround } from '../read/ground.ts';
import { mapWarnings, readMap, type Spot } from '../read/map.ts';
import { jsonOption, screenOption, screensOf } from '../options.ts';
import { counted, short } from '../write/columns.ts';
import { print } from '../write/print.ts';
import { readSettingsFile, withPlaces, type Place, type SettingsFile } from '../read/settingsFile.ts';

interface CheckOptions {
  readonly screen?: readonly Screen[];
  readonly strict: boolean;
  readonly map?: string;
  readonly terrain?: string;
  readonly json: boolean;
}

/** A warning, and where it is. */
interface Finding extends Place {
  readonly file: string;
  readonly path: string;
  readonly message: string;
}

/** A fact that is good to know, and no warning. */
interface Note {
  readonly file: string;
  readonly message: string;
}

const WARNED = 1;

export function checkCommand(exit: (code: number) => void): Command {
  return new Command('check')
    .description('Check settings and cutscenes: errors, and warnings of settings that will feel wrong.')
    .argument('<settings...>', 'settings files or cutscenes (JSON), or - for standard input')
    .addOption(screenOption())
    .addOption(new Option('--strict', 'exit with 1 if there is a warning').default(false))
    .option('--map <file>', 'a map (GeoJSON in world units); lists points that never show')
    .option('--terrain <file>', 'the terrain: a description, or a module of the game')
    .addOption(jsonOption('one JSON object instead of lines'))
    .addHelpText('after', '\nExample: zesty-kite check settings.json --screen 1280x800 --screen 390x844 --strict')
    .action(async (files: readonly string[], { screen, strict, map, terrain, json }: CheckOptions) => {
      const spots = map === undefined ? [] : await readMap(map);
      const ground = terrain === undefined ? null : await readGround(terrain);
      const found: Finding[] = [];
      const notes: Note[] = [];
      for (const file of files) {
        const read = await readSettingsFile(file);
        if ('keyframes' in read.settings) {
          notes.push(cutscene(file, read.settings));
          continue;
        }
        found.push(...(await review(file, read, screensOf(screen), ground, spots)));
        notes.push(...voids(file, read.settings, screensOf(screen)));
      }
      const several = files.length > 1;
      await print(
        'stdout',
        json
          ? `${JSON.stringify({ warnings: named(found, several), notes: named(notes, several) }, null, 2)}\n`
          : printable(`${lines(found, several)}${noteLines(notes, several)}`),
      );
      if (strict && found.length > 0) exit(WARNED);
    });
}

async function review(
  file: string,
  read: SettingsFile,
  screens: readonly Screen[],
  terrain: Terrain | null,
  spots: readonly Spot[],
): Promise<Finding[]> {
  try {
    const found = new Map<string, Finding>();
    for (const screen of screens) {
      const warnings = [
        ...reviewSettings(read.settings, screen, terrain),
        ...mapWarnings(read.settings, screen, terrain, spots),
      ];
      for (const { path, message } of warnings) {
        // On several screens: which one it is of, unless it is of each.
        const of = screens.length > 1 ? `at ${String(screen.width)}x${String(screen.height)}: ` : '';
        found.set(`${path}: ${of}${message}`, {
          file,
          path,
          message: `${of}${message}`,
          ...(await read.placeOf(path)),
        });
      }
    }
    return [...found.values()];
  } catch (error) {
    throw inFile(file, await withPlaces(file, error, read));
  }
}

/** The facts of a cutscene. @throws Failure for one that `play` rejects */
function cutscene(file: string, found: object): Note {
  const scene = found as Cutscene;
  try {
    checkCutscene(scene);
  } catch (error) {
    throw inFile(file, error);
  }
  const { keyframes } = scene;
  const events = keyframes.flatMap(({ event }) => event ?? []);
  const told = events.length === 0 ? '' : `, events ${events.join(', ')}`;
  const message = `a cutscene of ${counted(keyframes.length, 'keyframe')}, ${short(keyframes.at(-1)?.at ?? 0)} s${told}`;
  return { file, message };
}

/** How much void beyond the bounds may show, on each screen. */
function voids(file: string, settings: Settings, screens: readonly Screen[]): Note[] {
  return screens.flatMap((screen): Note[] => {
    const most = voidAtFlattest(settings, screen);
    if (most === null) return [];
    const of = screens.length > 1 ? `at ${String(screen.width)}x${String(screen.height)}: ` : '';
    const message = `${of}at the flattest pitch, ${short(most.pitch)}°, the top ${short(100 * most.share)} % of the view may show void beyond the bounds`;
    return [{ file, message }];
  });
}

/** With the names of files only if there are several. */
function named<T extends { readonly file: string }>(list: readonly T[], several: boolean): (T | Omit<T, 'file'>)[] {
  return list.map(({ file, ...rest }) => (several ? { file, ...rest } : rest));
}

function noteLines(notes: readonly Note[], several: boolean): string {
  return notes.map(({ file, message }) => `${oneLine(`note: ${several ? `${file}: ` : ''}${message}`)}\n`).join('');
}

function lines(found: readonly Finding[], several: boolean): string {
  if (found.length === 0) return 'nothing to warn of\n';
  return found
    .map(({ file, line, column, path, message }) => {
      const place = `line ${String(line)}, column ${String(column)}`;
      return `${oneLine(`${several ? `${file}: ` : ''}${place}: ${path}: ${message}`)}\n`;
    })
    .join('');
}
