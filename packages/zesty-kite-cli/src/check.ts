/** `zesty-kite check SETTINGS`: says what is wrong with settings, and what will feel wrong. */
import { Command, InvalidArgumentError, Option } from 'commander';
import type { Screen, Settings } from 'zesty-kite';
import { reviewSettings, type Warning } from 'zesty-kite/review';
import { Failure, inFile, printable } from './failure.ts';
import { readJson } from './files.ts';
import { print } from './print.ts';

interface CheckOptions {
  readonly screen: Screen;
  readonly json: boolean;
}

export function checkCommand(): Command {
  return new Command('check')
    .description('Check a settings file: refuse what is wrong, warn of what will feel wrong, with numbers.')
    .argument('<settings>', 'a settings file (JSON)')
    .addOption(
      new Option('--screen <width>x<height>', 'the screen to think of, in CSS pixels')
        .argParser(screenSize)
        .default({ width: 1280, height: 800 }, '1280x800'),
    )
    .option('--json', 'print one JSON object instead of lines')
    .action(async (file: string, { screen, json }: CheckOptions) => {
      const warnings = await review(file, screen);
      await print('stdout', json ? `${JSON.stringify({ warnings }, null, 2)}\n` : printable(lines(warnings)));
    });
}

/** Settings with a coast of a hundred thousand corners are a few of these. */
const MAX_SETTINGS = 64e6;

async function review(file: string, screen: Screen): Promise<Warning[]> {
  const settings = await readJson(file, MAX_SETTINGS, 'a settings file (JSON)');
  if (Array.isArray(settings)) throw new Failure(`${file}: the whole: found []; wanted an object in braces`);
  try {
    return reviewSettings(settings as Settings, screen);
  } catch (error) {
    throw inFile(file, error);
  }
}

function lines(warnings: readonly Warning[]): string {
  if (warnings.length === 0) return 'nothing to warn of\n';
  return warnings.map(({ path, message }) => `${path}: ${message}\n`).join('');
}

export function screenSize(text: string): Screen {
  const [, width, height] = /^(\d{1,5})x(\d{1,5})$/.exec(text) ?? [];
  if (Number(width) > 0 && Number(height) > 0) return { width: Number(width), height: Number(height) };
  throw new InvalidArgumentError(`found "${text}"; wanted a size such as 1280x800.`);
}
