/** Calls of the command line that share a process. */
import { spawnSync } from 'node:child_process';

export interface Call {
  readonly args: readonly string[];
  readonly input?: string;
}

export interface Ended {
  readonly code: number | null;
  readonly out: string;
  readonly errors: string;
}

/** How each ended, one after the other, in a process with little memory. */
export function inOneProcess(calls: readonly Call[], folder: string): Ended[] {
  const call = ['--max-old-space-size=200', new URL('cases.mjs', import.meta.url).pathname];
  const input = JSON.stringify(calls);
  const { stdout, stderr } = spawnSync(process.execPath, call, {
    cwd: folder,
    input,
    encoding: 'utf8',
    maxBuffer: 1e9,
  });
  if (stderr !== '') throw new Error(stderr);
  return JSON.parse(stdout) as Ended[];
}
