/** Running other programs from the root of the checkout. */
import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';

/** The root of the checkout, with a slash at its end. */
export const root = fileURLToPath(new URL('../../', import.meta.url));

export function say(text) {
  console.log(`• ${text}`);
}

/** Ends this program with a plain message, no stack. */
export function stop(text) {
  console.error(text);
  process.exit(1);
}

/** Runs to the end with our own input and output; ends this program when that fails. */
export function run(command, args, env = {}) {
  const status = tryRun(command, args, env);
  if (status !== 0) stop(`\`${[command, ...args].join(' ')}\` failed (${status}).`);
}

/** The same; hands back the exit code instead. */
export function tryRun(command, args, env = {}) {
  const { status, error } = spawnSync(command, args, {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...env },
    shell: process.platform === 'win32',
  });
  if (error) console.error(error.message);
  return status ?? 1;
}
