/**
 * The cost of a frame in time and in memory, measured on the built files.
 *
 *     npm run bench                          every row, with the matrix package by its side
 *     npm run bench -- --against COMMIT      every row, with that of a commit by its side, in turns in one process
 *     npm run frames [-- --write]            G12: fewer bytes a frame than a limit; and no row takes longer than it did, against
 *                                            the matrix package; --write stores the ratios
 */
import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { bytes, costs } from './costs.mjs';
import { load, withCommit } from './library.mjs';
import { matrixPackageFrames, rowsOf } from './rows.mjs';

/** G12: numbers may be boxed; objects, arrays and closures are not made. */
const MAX_BYTES = 1024;
/** A row that takes longer than this share of its stored ratio has become slower. */
const SLOWER = 1.15;
/** A busy machine may slow a row: it is measured up to so many times, in so many turns. */
const ATTEMPTS = 10;
const TURNS = 3;
/** Of so many, the middle ratio is stored. */
const WRITTEN = 3;
const RATIOS = new URL('ratios.json', import.meta.url);
const [command = '', ...args] = process.argv.slice(2);

/** Runs a command of this file in a process of its own: there the engine fits the code to one camera, as in a game. */
function alone(...given) {
  const script = fileURLToPath(import.meta.url);
  return JSON.parse(execFileSync(process.execPath, ['--expose-gc', script, ...given], { encoding: 'utf8' }));
}

const commands = {
  /** Prints what one row costs. */
  '--row': async (name) => {
    const frame = rowsOf(await load())[name]();
    for (let i = 0; i < 60_000; i++) frame();
    const [theirs, cost] = costs([matrixPackageFrames(), frame]);
    return { cost, ratio: cost / theirs, bytes: bytes(frame, 500, 41, 0.25) };
  },
  /** Prints what one row costs in two builds; null for the other if it has no such row. */
  '--pair': async (name, other) => {
    const make = rowsOf(await load(other))[name];
    try {
      const frames = [make(), rowsOf(await load())[name]()];
      for (let i = 0; i < 20_000; i++) for (const frame of frames) frame();
      return costs(frames);
    } catch {
      return null;
    }
  },
};

async function main() {
  const names = Object.keys(rowsOf(await load()));
  if (command === '--against') against(args[0], names);
  else if (command === '--check') check(names, args.includes('--write'));
  else await all(names);
}

async function all(names) {
  console.log('A frame: advance and matrices; x: look-at, projection, product and inverse by a matrix package.\n');
  for (const name of names) {
    const { cost, ratio, bytes: spent } = alone('--row', name);
    console.log(
      `${padded(name)}${cost.toFixed(0).padStart(7)} ns${ratio.toFixed(2).padStart(8)} x${spent.toFixed(0).padStart(7)} bytes`,
    );
  }
  const speed = framesReplayed(await load(), new URL('../data/lemon-strait/sessions/crossing.ndjson', import.meta.url));
  console.log(`frames replayed a second, checks and digest included: ${speed.toFixed(0)}`);
}

function against(commit, names) {
  withCommit(commit, (folder) => {
    console.log(`${padded('')}${commit.slice(0, 10).padStart(10)}      now   ratio`);
    for (const name of names) {
      const pair = alone('--pair', name, folder);
      if (pair === null) console.log(`${padded(name)}  no such row`);
      else {
        const [before, now] = pair;
        console.log(
          `${padded(name)}${before.toFixed(0).padStart(7)} ns${now.toFixed(0).padStart(6)} ns${(now / before).toFixed(2).padStart(8)}`,
        );
      }
    }
  });
}

/** Bytes and ratio of every row, each the least of a few times: when the engine gets to a function is chance, and so is a busy machine. */
function check(names, writes) {
  if (writes) {
    writeRatios(names);
    return;
  }
  const stored = JSON.parse(readFileSync(RATIOS, 'utf8'));
  const found = Object.fromEntries(names.map((name) => [name, { spent: Infinity, ratio: Infinity }]));
  const isWithin = (name) => found[name].spent < MAX_BYTES && found[name].ratio <= (stored[name] ?? 0) * SLOWER;
  // A machine may be busy for a minute: what is beyond its limit is measured again after the other rows.
  for (let turn = 0; turn < TURNS; turn++)
    for (const name of names.filter((each) => !isWithin(each))) {
      for (let i = 0; i < ATTEMPTS && !isWithin(name); i++) {
        const { bytes: spent, ratio } = alone('--row', name);
        found[name] = { spent: Math.min(found[name].spent, spent), ratio: Math.min(found[name].ratio, ratio) };
      }
      const { spent, ratio } = found[name];
      const most = ((stored[name] ?? 0) * SLOWER).toFixed(2);
      console.log(
        `${padded(name)}${spent.toFixed(0).padStart(5)} bytes a frame${ratio.toFixed(2).padStart(9)} x, at most ${most}`,
      );
    }
  const failed = names.filter((name) => !isWithin(name));
  console.log(`\n${names.length - failed.length} passed, ${failed.length} failed`);
  for (const name of failed) console.log(`more than ${MAX_BYTES} bytes, or slower than it was: ${name}`);
  process.exit(failed.length > 0 ? 1 : 0);
}

/** Stores the middle ratio of a few: the least is luck. */
function writeRatios(names) {
  const measured = names.map((name) => {
    const ratios = Array.from({ length: WRITTEN }, () => alone('--row', name).ratio);
    return [name, Number(ratios.sort((a, b) => a - b)[WRITTEN >> 1].toFixed(2))];
  });
  writeFileSync(RATIOS, `${JSON.stringify(Object.fromEntries(measured), null, 2)}\n`);
}

function framesReplayed({ Replay, SessionReader }, file, rounds = 100) {
  const reader = new SessionReader();
  const signals = reader.push(readFileSync(file, 'utf8'));
  const play = () => {
    const replay = new Replay(reader.header);
    for (const signal of signals) replay.push(signal);
    return replay.end().frames;
  };
  for (let round = 0; round < rounds; round++) play();
  const start = process.hrtime.bigint();
  let frames = 0;
  for (let round = 0; round < rounds; round++) frames += play();
  return frames / (Number(process.hrtime.bigint() - start) / 1e9);
}

function padded(text) {
  return text.padEnd(52);
}

if (command in commands) process.stdout.write(JSON.stringify(await commands[command](...args)));
else await main();
