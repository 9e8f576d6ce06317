/** `zesty-kite replay SESSION…`: plays sessions and says what they came to. */
import { Command, InvalidArgumentError, Option } from 'commander';
import type { Settings } from 'zesty-kite';
import { Failure } from '../failure.ts';
import { readGround } from '../read/ground.ts';
import { willRead } from '../read/inputs.ts';
import { playMany } from '../play/many.ts';
import { forceOption, frameRate, fromOption, jsonOption, rateOption, terrainOption, untilOption } from '../options.ts';
import { complain, print } from '../write/print.ts';
import { rowTable, table, type Row } from '../write/report.ts';
import { nameOf, playSession, sessionsIn, type Played, type PlayOptions } from '../play/sessionFile.ts';
import { readSettings } from '../read/settingsFile.ts';
import { openTrace } from '../write/trace.ts';

interface ReplayOptions {
  readonly rate: number;
  readonly rates: readonly number[];
  readonly json: boolean;
  readonly trace?: string;
  readonly force: boolean;
  readonly terrain: readonly string[];
  readonly settings?: string;
  readonly expect?: string;
  readonly from?: number;
  readonly until?: number;
}

const BROKEN = 1;
const BAD_INPUT = 2;

export function replayCommand(exit: (code: number) => void): Command {
  return new Command('replay')
    .description('Play sessions, print their facts, and check the guarantees.')
    .argument('<session...>', 'session files (newline-delimited JSON), folders of them, or - for standard input')
    .addOption(rateOption())
    .addOption(
      new Option('--rates <hertz,…>', 'play at each of these rates, and check that they agree (G5)')
        .argParser(frameRates)
        .default([], 'none'),
    )
    .addOption(jsonOption('one JSON object per session, one per line'))
    .addOption(terrainOption())
    .option('--settings <file>', 'play with other settings')
    .addOption(fromOption())
    .addOption(untilOption())
    .option('--expect <digest>', 'exit with 1 if the motion has another digest')
    .option('--trace <file>', 'write a CSV row for each frame with motion')
    .addOption(forceOption())
    .addHelpText('after', '\nExample: zesty-kite replay crossing.ndjson --rates 30,60,144 --expect c3d0b8a1f0e2d495')
    .action(async (paths: readonly string[], options: ReplayOptions) => {
      const sessions = sessionsIn(paths);
      const [session = '-'] = sessions;
      const settings = options.settings === undefined ? undefined : await readSettings(options.settings);
      if (sessions.length > 1 || session !== paths[0]) await replayMany(sessions, options, settings, exit);
      else await replayOne(session, options, settings, exit);
    });
}

async function replayOne(
  session: string,
  options: ReplayOptions,
  settings: Settings | undefined,
  exit: (code: number) => void,
): Promise<void> {
  const rates = options.rates.length > 0 ? options.rates : [options.rate];
  if (rates.length > 1 && session === '-')
    throw new Failure('--rates: expected a file, got standard input; several rates read the session several times');
  const [rate = 60, ...others] = rates;
  const { summary, broken: kept, unfinishedLine } = await play(session, { ...options, rate }, settings);
  const broken = [...kept];
  const agreeing: number[] = [];
  for (const other of others) {
    const { digest } = (await play(session, { ...options, rate: other, trace: undefined }, settings)).summary;
    if (digest === summary.digest) agreeing.push(other);
    else
      broken.push(
        `G5: at ${String(rate)} and ${String(other)} Hz it moves otherwise, ${summary.digest} and ${digest}; the same is promised`,
      );
  }
  const unexpected = options.expect !== undefined && options.expect !== summary.digest;
  if (unfinishedLine !== null)
    await complain(
      `${nameOf(session)}: line ${String(unfinishedLine)} is unfinished, the recording was cut off there; what stands before it was played`,
    );
  await print(
    'stdout',
    options.json
      ? `${JSON.stringify({ ...summary, rate, rates, unfinishedLine, broken }, null, 2)}\n`
      : table(summary, rate) + (agreeing.length === 0 ? '' : `the same at      ${agreeing.join(', ')} Hz\n`),
  );
  for (const promise of broken) await complain(`broken: ${promise}`);
  if (unexpected) await complain(`digest: expected ${options.expect || 'a digest'}, got ${summary.digest}`);
  if (broken.length > 0 || unexpected) exit(BROKEN);
}

async function play(
  session: string,
  { trace: file, ...options }: Omit<ReplayOptions, 'trace'> & { readonly trace?: string | undefined },
  settings: Settings | undefined,
): Promise<Played> {
  const grounds = await Promise.all(options.terrain.map((name) => readGround(name)));
  willRead(session);
  const trace = file === undefined ? null : openTrace(file, options.force);
  const playing: PlayOptions = {
    rate: options.rate,
    terrains: grounds,
    settings,
    from: options.from,
    until: options.until,
    progress: true,
    ...(trace === null ? {} : { frame: trace.row }),
  };
  const played = await playSession(session, playing);
  trace?.finish();
  return played;
}

/** A row each. The row of a session that cannot be played has the error; the others go on. */
async function replayMany(
  sessions: readonly string[],
  { rate, terrain, from, until, json, ...options }: ReplayOptions,
  settings: Settings | undefined,
  exit: (code: number) => void,
): Promise<void> {
  const one = ['trace', 'expect'].find((name) => options[name as 'trace' | 'expect'] !== undefined);
  if (one !== undefined || options.rates.length > 0)
    throw new Failure(`--${one ?? 'rates'}: expected one session, got ${String(sessions.length)}`);
  if (sessions.includes('-')) throw new Failure('-: expected files, got standard input among several sessions');
  // The ground is tried once, so that what is wrong with it is not said of every session.
  await Promise.all(terrain.map((file) => readGround(file)));
  const tasks = sessions.map((session) => ({ session, rate, terrain, settings, from, until }));
  const rows: Row[] = [];
  let code = 0;
  for await (const row of playMany(tasks)) {
    const { session, summary, broken, unfinishedLine, error } = row;
    if (json)
      await print(
        'stdout',
        `${JSON.stringify(summary === null ? { session, error } : { session, ...summary, rate, unfinishedLine, broken })}\n`,
      );
    else rows.push(row);
    if (error !== null) {
      code = BAD_INPUT;
      await complain(error);
    } else if (broken.length > 0) code = Math.max(code, BROKEN);
  }
  if (!json) await print('stdout', rowTable(rows));
  if (code !== 0) exit(code);
}

function frameRates(text: string): readonly number[] {
  const rates = text.split(',').map((one) => frameRate(one));
  if (rates.length < 2) throw new InvalidArgumentError(`expected several, such as 30,60,144, got "${text}".`);
  return rates;
}
