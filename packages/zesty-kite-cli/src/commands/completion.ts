/** The words that a shell completes after `zesty-kite`, for bash, zsh and fish. */
import type { Command } from 'commander';

/** The answer to the shell: listed words only, or files as well. */
const NO_FILES = ':4';
const FILES = ':0';

/**
 * Adds the command `complete`: `zesty-kite complete bash` prints what a shell reads once, and the shell asks with
 * `zesty-kite complete -- …`.
 */
export async function addCompletion(program: Command): Promise<void> {
  const { default: complete } = await import('@bomb.sh/tab/commander');
  complete(program);
  // Without words, a file is expected: the package does not report that, and bash needs it twice.
  const { log } = console;
  let offered = 0;
  console.log = (line: unknown) => {
    const told = line === NO_FILES && offered === 0 ? FILES : String(line);
    log(told.replace(/^complete -F /m, 'complete -o default -F '));
    offered += 1;
  };
}
