/**
 * Runs calls of the built command line one after the other in one process, each as if it were a process of its own: a table of
 * hundreds of them takes seconds. Each message is { args, input }, and each answer { code, out, errors }.
 */
import { Readable } from 'node:stream';
import { main } from '../bundle/main.js';

const parent = process.send.bind(process);

async function ended({ args, input }) {
  const said = { stdout: '', stderr: '' };
  for (const name of ['stdout', 'stderr'])
    process[name].write = (piece, done) => {
      said[name] += piece;
      done?.();
      return true;
    };
  Object.defineProperty(process, 'stdin', { value: Readable.from([Buffer.from(input)]), configurable: true });
  await main(args);
  return { code: process.exitCode, out: said.stdout, errors: said.stderr };
}

let last = Promise.resolve();
process.on('message', (call) => {
  last = last.then(() => ended(call)).then(parent);
});
process.on('disconnect', () => process.exit(0));
