/** `zesty-kite check SETTINGS`: says what is wrong with settings, and what will feel wrong. */
import { readFile } from 'node:fs/promises';
import { Command, InvalidArgumentError } from 'commander';
import { SettingsError, type Screen, type Settings } from 'zesty-kite';
import { reviewSettings, type Warning } from 'zesty-kite/review';

interface CheckOptions {
  readonly screen: Screen;
  readonly json: boolean;
}

export function checkCommand(): Command {
  return new Command('check')
    .description('Check a settings file: refuse what is wrong, warn of what will feel wrong, with numbers.')
    .argument('<settings>', 'a settings file (JSON)')
    .option('--screen <width>x<height>', 'the screen to think of, in CSS pixels', screenSize, {
      width: 1280,
      height: 800,
    })
    .option('--json', 'print one JSON object instead of lines', false)
    .action(async (file: string, { screen, json }: CheckOptions) => {
      const warnings = await review(file, screen);
      process.stdout.write(json ? `${JSON.stringify({ warnings }, null, 2)}\n` : lines(warnings));
    });
}

async function review(file: string, screen: Screen): Promise<Warning[]> {
  try {
    return reviewSettings(JSON.parse(await readFile(file, 'utf8')) as Settings, screen);
  } catch (error) {
    if (error instanceof SettingsError) throw new Error(`${file}: ${error.message}`, { cause: error });
    const missing = (error as NodeJS.ErrnoException).code === 'ENOENT';
    const reason = error instanceof Error ? error.message : String(error);
    throw new Error(`${file}: ${missing ? 'there is no such file; wanted a settings file' : reason}`, { cause: error });
  }
}

function lines(warnings: readonly Warning[]): string {
  if (warnings.length === 0) return 'nothing to warn of\n';
  return warnings.map(({ path, message }) => `${path}: ${message}\n`).join('');
}

function screenSize(text: string): Screen {
  const [, width, height] = /^(\d{1,5})x(\d{1,5})$/.exec(text) ?? [];
  if (Number(width) > 0 && Number(height) > 0) return { width: Number(width), height: Number(height) };
  throw new InvalidArgumentError(`found "${text}"; wanted a size such as 1280x800.`);
}
