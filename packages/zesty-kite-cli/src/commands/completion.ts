/** What a shell offers behind `zesty-kite`, for bash, zsh and fish. */
import type { Command } from 'commander';

/** What the shell is told where only what is listed will do, and where files will do. */
const NO_FILES = ':4';
const FILES = ':0';

/**
 * Adds the command `complete`: `zesty-kite complete bash` prints what a shell reads once, and the shell asks with
 * `zesty-kite complete -- …`.
 */
export async function addCompletion(program: Command): Promise<void> {
  const { default: complete } = await import('@bomb.sh/tab/commander');
  complete(program);
  // Where nothing is offered, a file is meant: the package never says so, and bash has to be told twice.
  const { log } = console;
  let offered = 0;
  console.log = (line: unknown) => {
    const told = line === NO_FILES && offered === 0 ? FILES : String(line);
    log(told.replace(/^complete -F /m, 'complete -o default -F '));
    offered += 1;
  };
}
