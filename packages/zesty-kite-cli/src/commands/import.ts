/** `zesty-kite import FILE`: a camera path of another program as a cutscene. */
import { Command, InvalidArgumentError, Option } from 'commander';
import { checkCutscene, type Cutscene } from 'zesty-kite/direct';
import { Failure, reasonOf } from '../failure.ts';
import { readWhole } from '../read/files.ts';
import { pathOf } from '../read/path.ts';
import { forceOption } from '../options.ts';
import { thinned } from '../write/keyframes.ts';
import { print } from '../write/print.ts';
import { WholeFile } from '../write/wholeFile.ts';

interface ImportOptions {
  readonly height: number;
  readonly tolerance: number;
  readonly to: string;
  readonly force: boolean;
}

const MAX_PATH = 256e6;

export function importCommand(): Command {
  return new Command('import')
    .description('Make a cutscene from a camera path: a CSV file, or a glTF 2.0 camera.')
    .argument(
      '<path>',
      'a .csv with columns seconds, x, y, span and, if it turns and tilts, heading, pitch; or a .gltf',
    )
    .addOption(
      new Option('--height <units>', 'the height of the ground of a glTF camera, world units')
        .argParser(units)
        .default(0),
    )
    .addOption(
      new Option('--tolerance <share>', 'the greatest distance from the path, as a share of the span')
        .argParser(share)
        .default(0.001),
    )
    .addOption(new Option('--to <file>', 'the file to write; - prints it').default('-'))
    .addOption(forceOption())
    .addHelpText('after', '\nExample: zesty-kite import flight.gltf --to flight.json')
    .action(async (file: string, { height, tolerance, to, force }: ImportOptions) => {
      const text = new TextDecoder().decode(await readWhole(file, MAX_PATH, 'a camera path (.csv or .gltf)'));
      let scene: Cutscene;
      try {
        scene = { keyframes: thinned(await pathOf(file, text, height), tolerance) };
        checkCutscene(scene);
      } catch (error) {
        if (error instanceof Failure && error.message.startsWith(`${file}: `)) throw error;
        if (error instanceof Failure) throw new Failure(`${file}: ${error.message}`, { cause: error });
        throw new Failure(
          `${file}: expected a camera path (CSV or glTF 2.0), got one that cannot be read: ${reasonOf(error)}`,
          {
            cause: error,
          },
        );
      }
      const out = `${JSON.stringify(scene, null, 2)}\n`;
      if (to === '-') {
        await print('stdout', out);
        return;
      }
      const whole = new WholeFile(to, force);
      whole.write(out);
      whole.finish();
    });
}

function units(text: string): number {
  const value = Number(text);
  if (text.trim() !== '' && Number.isFinite(value)) return value;
  throw new InvalidArgumentError(`expected a height in world units, got "${text}".`);
}

function share(text: string): number {
  const value = Number(text);
  if (text.trim() !== '' && value >= 0 && value <= 1) return value;
  throw new InvalidArgumentError(`expected a share from 0 to 1, such as 0.001, got "${text}".`);
}
