/** The command line: one file a command, and what is common to all of them here. */
import { Command, CommanderError } from 'commander';
import { checkCommand } from './check.ts';
import { replayCommand } from './replay.ts';

/** Every promise was kept. */
const DONE = 0;
/** A bad call, or input that cannot be used. */
const BAD_INPUT = 2;

const program = new Command('zesty-kite')
  .description('Plays recorded camera sessions again, and checks sessions and settings.')
  .addHelpText('after', '\nExit codes: 0 done, 1 a guarantee is broken, 2 bad call or input.')
  .exitOverride()
  .configureOutput({
    outputError: (text, write) => {
      write(text);
    },
  });
program.addCommand(
  replayCommand((code) => {
    process.exitCode = code;
  }),
);
program.addCommand(checkCommand());
for (const command of program.commands) command.exitOverride().copyInheritedSettings(program);

process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  // Whoever reads may have had enough (`| head`).
  if (error.code === 'EPIPE') process.exit(DONE);
  throw error;
});

try {
  await program.parseAsync();
} catch (error) {
  if (error instanceof CommanderError) {
    process.exitCode = error.exitCode === 0 ? DONE : BAD_INPUT;
  } else {
    process.stderr.write(`zesty-kite: ${error instanceof Error ? error.message : String(error)}\n`);
    process.exitCode = BAD_INPUT;
  }
}
