/**
 * Runs calls of the built command line one after the other in one process, each as if it were a process of its own: a table of
 * hundreds of them takes seconds. It reads a JSON list of { args, input } and prints a JSON list of { code, out, errors }.
 */
import { text } from 'node:stream/consumers';
import { Readable } from 'node:stream';
import { main } from '../bundle/main.js';

const cases = JSON.parse(await text(process.stdin));
const write = { stdout: process.stdout.write.bind(process.stdout) };
const results = [];
for (const { args, input = '' } of cases) {
  const said = { stdout: '', stderr: '' };
  for (const name of ['stdout', 'stderr'])
    process[name].write = (piece, done) => {
      said[name] += piece;
      done?.();
      return true;
    };
  Object.defineProperty(process, 'stdin', { value: Readable.from([Buffer.from(input)]), configurable: true });
  await main(args);
  results.push({ code: process.exitCode, out: said.stdout, errors: said.stderr });
}
process.exitCode = 0;
write.stdout(JSON.stringify(results));
