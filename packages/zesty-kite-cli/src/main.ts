/** The command line: one file a command, and what is common to all of them here. */
import { readFileSync } from 'node:fs';
import { Command, CommanderError } from 'commander';
import { linesOf } from './failure.ts';
import { PACKAGE } from './packageFolder.ts';
import { forgetInputs } from './read/inputs.ts';
import { complain, print, Unread } from './write/print.ts';
import { abandonParts } from './write/parts.ts';

/** Every promise was kept. */
const DONE = 0;
/** A bad call, or input that cannot be used. */
const BAD_INPUT = 2;

const { version } = JSON.parse(readFileSync(new URL('package.json', PACKAGE), 'utf8')) as { version: string };

/** Every command, in the order of the help. */
const COMMANDS: Readonly<Record<string, () => Promise<Command>>> = {
  replay: async () => (await import('./commands/replay.ts')).replayCommand(exit),
  check: async () => (await import('./commands/check.ts')).checkCommand(exit),
  explain: async () => (await import('./commands/explain.ts')).explainCommand(),
  compare: async () => (await import('./commands/compare.ts')).compareCommand(),
  chart: async () => (await import('./commands/chart.ts')).chartCommand(),
  feel: async () => (await import('./commands/feel.ts')).feelCommand(),
  export: async () => (await import('./commands/export.ts')).exportCommand(),
  import: async () => (await import('./commands/import.ts')).importCommand(),
  init: async () => (await import('./commands/init.ts')).initCommand(),
  schema: async () => (await import('./commands/schema.ts')).schemaCommand(),
  start: async () => (await import('./commands/start.ts')).startCommand(version),
  terrain: async () => (await import('./commands/terrain.ts')).terrainCommand(),
};

function exit(code: number): void {
  process.exitCode = code;
}

/**
 * Runs a call, and sets the exit code of the process.
 *
 * @param args without the program's own name
 */
export async function main(args: readonly string[]): Promise<void> {
  process.exitCode = DONE;
  forgetInputs();
  // The texts of commander are kept: help is printed like all output, and a bad call becomes one line.
  const said = { out: '', errors: '' };
  const program = await createProgram(args, said);
  try {
    if (args[0] === 'complete') await (await import('./commands/completion.ts')).addCompletion(program);
    await program.parseAsync(args, { from: 'user' });
  } catch (error) {
    if (!(error instanceof CommanderError)) await end(error);
    else if (error.exitCode !== 0) await fail([callLine(program, args, error, said.errors)]);
  } finally {
    abandonParts();
  }
  try {
    if (said.out !== '') await print('stdout', said.out);
  } catch (error) {
    await end(error);
  }
}

/** A closed pipe is no failure. */
async function end(error: unknown): Promise<void> {
  if (!(error instanceof Unread)) await fail(linesOf(error));
}

/** A call loads its own command; help, completion and a wrong name load all. */
async function createProgram(args: readonly string[], said: { out: string; errors: string }): Promise<Command> {
  const say = (text: string): void => {
    said.errors += text;
  };
  const program = new Command('zesty-kite')
    .version(version, '--version', 'print the version of the tool')
    .description('Checks camera settings, and replays, compares and draws recorded sessions.')
    .addHelpText(
      'after',
      `
zesty-kite complete bash|zsh|fish prints shell completion: source <(zesty-kite complete bash)

Exit codes: 0 done, 1 a broken guarantee or a failed check, 2 a wrong call or wrong input.`,
    )
    .exitOverride()
    .configureOutput({
      writeOut: (text) => {
        said.out += text;
      },
      writeErr: say,
      outputError: say,
    });
  const named = args.find((word) => !word.startsWith('-')) ?? '';
  const own = Object.entries(COMMANDS).filter(([name]) => name === named);
  for (const [, load] of own.length > 0 ? own : Object.entries(COMMANDS)) program.addCommand(await load());
  for (const command of program.commands) command.exitOverride().copyInheritedSettings(program);
  return program;
}

// A signal that ends the program leaves no part of a file.
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const)
  process.once(signal, () => {
    abandonParts();
    process.kill(process.pid, signal);
  });
// Exit code 1 says that a guarantee is broken, and nothing else.
process.on('uncaughtException', (error) => {
  abandonParts();
  void fail(linesOf(error)).then(() => process.exit(BAD_INPUT));
});

async function fail(lines: readonly string[]): Promise<void> {
  process.exitCode = BAD_INPUT;
  try {
    for (const line of lines) await complain(line);
  } catch {
    // There is nowhere left to say it.
  }
}

/** A bad call in one line, with what to do. */
function callLine(program: Command, args: readonly string[], { code, message }: CommanderError, said: string): string {
  const names = Object.keys(COMMANDS).join(', ');
  if (code === 'commander.help') return `expected a command (${names}) or --help, got none`;
  const command = program.commands.find((one) => args.includes(one.name()));
  const text = (said === '' ? message : said)
    .replace(/^error: /, '')
    .trim()
    .replaceAll(/\s*\n\s*/g, ' ')
    .replace(/^option '(?:-\w, )?(--[\w-]+)[^']*' argument missing$/, '$1: expected a value, got none')
    .replace(/^option '(?:-\w, )?(--[\w-]+)[^']*' argument '.*' is invalid\. (?=expected)/s, '$1: ');
  const cure =
    code === 'commander.unknownCommand'
      ? `use one of ${names}`
      : `see zesty-kite ${command ? `${command.name()} ` : ''}--help`;
  return text.includes('expected') ? text : `${text.replace(/\.$/, '')}; ${cure}`;
}
