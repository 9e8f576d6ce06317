/**
 * Searches for cases that break a law, on all cores, and writes what it finds into `found.json`, which every later test run tries.
 *
 *     npm run search                  an hour, 1,000 times the cases of a test run
 *     npm run search -- --minutes 5 --times 100 frame areas
 */
import { spawn } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { root, say } from './setup/run.mjs';

const TESTS = `${root}packages/zesty-kite/test/`;
const FOUND = `${TESTS}found.json`;
/** Cases of a law in a test run. */
const CASES = 32;

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    minutes: { type: 'string', default: '60' },
    times: { type: 'string', default: '1000' },
    seed: { type: 'string' },
  },
});
const until = Date.now() + Number(values.minutes) * 60_000;
const firstSeed = Number(values.seed ?? Date.now() % 1e9);
const files = readdirSync(TESTS)
  .filter((name) => name.endsWith('.test.ts') && readFileSync(TESTS + name, 'utf8').includes("from './law.ts'"))
  .map((name) => name.replace('.test.ts', ''))
  .filter((name) => positionals.length === 0 || positionals.includes(name));
const folder = mkdtempSync(join(tmpdir(), 'laws-'));
const found = JSON.parse(readFileSync(FOUND, 'utf8'));
const tried = Object.fromEntries(files.map((name) => [name, 0]));

/** A batch of a file's laws is a small share of all cases, so that each file has its turn early. */
const BATCH = Math.min(Number(values.times), 10);
const batches = [];
for (let done = 0; done < Number(values.times); done += BATCH) for (const name of files) batches.push(name);
say(
  `Searching ${files.length} files, ${BATCH} times the cases a batch, seeds from ${firstSeed}, for ${values.minutes} minutes at most …`,
);
await Promise.all(Array.from({ length: availableParallelism() }, work));
rmSync(folder, { recursive: true });
for (const [name, times] of Object.entries(tried)) console.log(`${name.padEnd(16)} ${times} times`);
console.log(`${found.length} cases in found.json`);

async function work() {
  while (batches.length > 0 && Date.now() < until) {
    const name = batches.shift();
    const number = files.length * Number(values.times) - batches.length;
    const seed = firstSeed + number;
    const results = await run(name, seed, join(folder, `${number}.json`));
    if (results.length > 0) tried[name] += BATCH;
    for (const { ancestorTitles, title, status, failureMessages } of results) {
      const test = [...ancestorTitles, title].join(' ');
      if (status === 'failed') keep(`${test} (seed ${seed})`, test, failureMessages.join('\n'));
    }
  }
}

function run(name, seed, report) {
  const options = [
    '--selectProjects',
    'core',
    '--testPathPatterns',
    `/${name}\\.test`,
    '--json',
    '--outputFile',
    report,
    '--silent',
    '-i',
  ];
  const env = { ...process.env, ZESTY_KITE_RUNS: String(CASES * BATCH), ZESTY_KITE_SEED: String(seed) };
  const child = spawn(process.execPath, ['node_modules/jest/bin/jest.js', ...options], {
    cwd: root,
    env,
    stdio: 'ignore',
  });
  const timer = globalThis.setTimeout(() => child.kill(), Math.max(until - Date.now(), 1000));
  return new Promise((done) => {
    child.on('exit', () => {
      globalThis.clearTimeout(timer);
      try {
        done(JSON.parse(readFileSync(report, 'utf8')).testResults.flatMap((file) => file.assertionResults));
      } catch {
        done([]);
      }
    });
  });
}

/** Prints a failure, and writes its case down if it is one of a law. */
function keep(name, test, message) {
  // The case as it was found: the way to a smaller one can be longer than all tests.
  const [, law, seed, path] = /Law (\d+):[^]*?\{ seed: (-?\d+), path: "(\d+)/.exec(message) ?? [];
  say(`${name}: ${message.split('\n')[0]}`);
  if (law === undefined) return;
  found.push({ test, law: Number(law), seed: Number(seed), path });
  writeFileSync(FOUND, `${JSON.stringify(found, null, 2)}\n`);
}
