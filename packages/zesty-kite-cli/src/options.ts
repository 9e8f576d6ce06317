/** Options that several commands have. */
import { InvalidArgumentError, Option } from 'commander';
import type { Screen } from 'zesty-kite';
import { refusal } from './failure.ts';

export function rateOption(): Option {
  return new Option('--rate <hertz>', 'frames per second; the motion does not depend on it')
    .argParser(frameRate)
    .default(60);
}

export function terrainOption(): Option {
  return new Option(
    '--terrain <file>',
    'a terrain of the session: a description, or a module of the game; may be repeated',
  )
    .argParser((file: string, files: readonly string[]) => [...files, file])
    .default([], 'flat ground');
}

export function screenOption(): Option {
  return new Option('--screen <width>x<height>', 'the size of the screen, CSS pixels; may be repeated')
    .argParser((text: string, screens: readonly Screen[] | undefined) => [...(screens ?? []), screenSize(text)])
    .default(undefined, '1280x800');
}

/** The screens that were named, or the usual one. */
export function screensOf(named: readonly Screen[] | undefined): readonly Screen[] {
  return named ?? [{ width: 1280, height: 800 }];
}

export function fromOption(): Option {
  return new Option('--from <seconds>', 'begin at this time, seconds').argParser(seconds);
}

export function untilOption(): Option {
  return new Option('--until <seconds>', 'end at this time, seconds').argParser(seconds);
}

export function jsonOption(what = 'one JSON object instead of a table'): Option {
  return new Option('--json', `print ${what}`).default(false);
}

export function forceOption(): Option {
  return new Option('--force', 'overwrite existing files').default(false);
}

export function frameRate(text: string): number {
  const rate = Number(text);
  if (text.trim() !== '' && rate >= 1 && rate <= 10_000) return rate;
  throw new InvalidArgumentError(`expected 1 to 10000 frames a second, got "${text}".`);
}

export function screenSize(text: string): Screen {
  const [, width, height] = /^(\d{1,5})x(\d{1,5})$/.exec(text) ?? [];
  if (Number(width) > 0 && Number(height) > 0) return { width: Number(width), height: Number(height) };
  throw new InvalidArgumentError(`expected a size such as 1280x800, got "${text}".`);
}

function seconds(text: string): number {
  const value = Number(text);
  if (text.trim() !== '' && value >= 0 && value <= 1e9) return value;
  throw new InvalidArgumentError(`expected seconds since the session began, such as 12.5, got "${text}".`);
}

/** Options of a session, with settings alone: nothing would come of them. @throws Failure */
export function refuseUnused(options: {
  readonly terrain: readonly string[];
  readonly settings?: string | undefined;
  readonly from?: number | undefined;
  readonly until?: number | undefined;
}): void {
  const { terrain, settings, from, until } = options;
  const given = { terrain: terrain[0], settings, from, until };
  for (const [name, value] of Object.entries(given))
    if (value !== undefined) throw refusal(`--${name}`, `${JSON.stringify(value)} with settings`, 'it with a session');
}
