/** `zesty-kite export SESSION`: the motion for other programs, as CSV, as NDJSON, or as a glTF camera. */
import { Command, Option } from 'commander';
import { Failure, oneLine, printable } from '../failure.ts';
import { GltfMotion } from '../write/gltf.ts';
import { readGround } from '../read/ground.ts';
import { willRead } from '../read/inputs.ts';
import { forceOption, fromOption, rateOption, terrainOption, untilOption } from '../options.ts';
import { COLUMNS, playFrames, type PoseAt } from '../play/poses.ts';
import { counted, short } from '../write/columns.ts';
import { print } from '../write/print.ts';
import { readSettings } from '../read/settingsFile.ts';
import { WholeFile } from '../write/wholeFile.ts';

interface ExportOptions {
  readonly rate: number;
  readonly to: string;
  readonly terrain: readonly string[];
  readonly settings?: string;
  readonly from?: number;
  readonly until?: number;
  readonly force: boolean;
}

/** Characters that are kept before they are written. */
const MAX_KEPT = 1 << 16;

export function exportCommand(): Command {
  return new Command('export')
    .description('Write the motion of a session: a pose for each frame, or a glTF 2.0 camera.')
    .argument('<session>', 'a session file (newline-delimited JSON), or - for standard input')
    .addOption(new Option('--to <file>', 'the file to write, .csv, .ndjson or .gltf; - prints CSV').default('-'))
    .addOption(rateOption())
    .addOption(fromOption())
    .addOption(untilOption())
    .addOption(terrainOption())
    .option('--settings <file>', 'play with other settings')
    .addOption(forceOption())
    .addHelpText(
      'after',
      `
Example: zesty-kite export crossing.ndjson --rate 30 --to crossing.gltf

seconds, x, y    time since the session began; the focus, world units
focusHeight      its height; span: world units from the top to the bottom of the safe frame
heading, pitch   degrees clockwise; degrees below the horizon
fieldOfView      degrees, of the whole height of the screen; 0 for an orthographic lens
eyeX … eyeHeight the eye, world units
glTF             y is up, world (x, y) is (x, z); the lens moves by KHR_animation_pointer`,
    )
    .action(async (session: string, options: ExportOptions) => {
      const { to, rate, from, until, force } = options;
      const kind = /\.(csv|ndjson|gltf)$/.exec(to)?.[1] ?? (to === '-' ? 'csv' : null);
      if (kind === null) throw new Failure(`--to: expected a name that ends in .csv, .ndjson or .gltf, got "${to}"`);
      const grounds = await Promise.all(options.terrain.map((file) => readGround(file)));
      const settings = options.settings === undefined ? undefined : await readSettings(options.settings);
      willRead(session);
      const file = to === '-' ? null : new WholeFile(to, force);
      const playing = { rate, from, until, settings, terrains: grounds, progress: true };
      let text = kind === 'csv' ? `${COLUMNS.join(',')}\r\n` : '';
      const pieces: string[] = [];
      const motion = new GltfMotion();
      const put = (pose: PoseAt): void => {
        text +=
          kind === 'csv' ? `${COLUMNS.map((name) => String(pose[name])).join(',')}\r\n` : `${JSON.stringify(pose)}\n`;
        if (text.length < MAX_KEPT) return;
        if (file === null) pieces.push(text);
        else file.write(text);
        text = '';
      };
      let seconds = 0;
      let count = 0;
      await playFrames(session, playing, (pose, _, camera) => {
        seconds = pose.seconds;
        count += 1;
        if (kind === 'gltf') motion.add(pose, camera);
        else put(pose);
      });
      if (kind === 'gltf') text = await motion.text();
      if (file === null) for (const piece of [...pieces, text]) await print('stdout', piece);
      else {
        file.write(text);
        file.finish();
        await print('stdout', printable(`${oneLine(to)}: ${counted(count, 'pose')}, ${short(seconds)} s\n`));
      }
    });
}
