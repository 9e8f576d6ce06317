/** `zesty-kite feel SESSION`: what hands did, as facts to tune by, and what those suggest. */
import { Command } from 'commander';
import { adviceOf, type Advice } from '../write/advice.ts';
import { columns, counted, percent, short } from '../write/columns.ts';
import { printable } from '../failure.ts';
import { readGround } from '../read/ground.ts';
import { fromOption, jsonOption, terrainOption, untilOption } from '../options.ts';
import { feel, LIMITS, type Feel } from '../play/feel.ts';
import { print } from '../write/print.ts';

interface FeelOptions {
  readonly terrain: readonly string[];
  readonly from?: number;
  readonly until?: number;
  readonly json: boolean;
}

export function feelCommand(): Command {
  return new Command('feel')
    .description('Print the gestures of a session as facts, with advice for tuning.')
    .argument('<session>', 'a session file (newline-delimited JSON), or - for standard input')
    .addOption(fromOption())
    .addOption(untilOption())
    .addOption(terrainOption())
    .addOption(jsonOption())
    .addHelpText(
      'after',
      `
Example: zesty-kite feel crossing.ndjson

a gesture    notches of the wheel with less than 0.4 s between them
overshoots   zooms that were reversed within a second
at a limit   share of the time in which something moved
rest         from the last signal until nothing moves
edges        visits of the pointer in a band that pans; reversed: the map came back within a second`,
    )
    .action(async (session: string, { terrain, json, ...part }: FeelOptions) => {
      const grounds = await Promise.all(terrain.map((file) => readGround(file)));
      const { facts, settings } = await feel(session, grounds, part);
      const suggestions = settings === null ? [] : adviceOf(facts, settings);
      await print(
        'stdout',
        json ? `${JSON.stringify({ ...facts, suggestions }, null, 2)}\n` : printable(table(facts, suggestions)),
      );
    });
}

function table(felt: Feel, suggestions: readonly Advice[]): string {
  const { wheel, atLimit, secondsToRest, edges } = felt;
  const rows = [
    ['time', `${felt.seconds.toFixed(1)} s, moving ${felt.movingSeconds.toFixed(1)} s`],
    [
      'wheel',
      `${counted(wheel.gestures, 'gesture')} of ${counted(Number(short(wheel.notchesPerGesture.median)), 'notch', 'notches')}, at most ${short(wheel.notchesPerGesture.most)}`,
    ],
    [
      'overshoots',
      `${String(wheel.overshoots)} ${wheel.overshoots === 1 ? 'zoom' : 'zooms'} went the other way within a second`,
    ],
    ['at a limit', LIMITS.map((limit) => `${limit} ${percent(atLimit[limit])}`).join(', ')],
    ['at an end', `nearest ${percent(felt.atNearest)}, farthest ${percent(felt.atFarthest)} of the time`],
    [
      'rest',
      `${counted(secondsToRest.count, 'time')}, after ${secondsToRest.median.toFixed(2)} s, at most ${secondsToRest.most.toFixed(2)} s`,
    ],
    ...felt.zooms.map(({ fromSpan, toSpan, share }, i) => [
      i === 0 ? 'by zoom' : '',
      `span ${short(fromSpan)} to ${short(toSpan)}: ${percent(share)}`,
    ]),
    ['edges', `${counted(edges.visits, 'visit')}, ${String(edges.reversedAtOnce)} reversed at once`],
    ...Object.entries(felt.unused).map(([ability, inputs], i) => [
      i === 0 ? 'never used' : '',
      `${ability}: ${inputs.join(', ')}`,
    ]),
  ];
  const said =
    suggestions.length === 0
      ? 'nothing to suggest\n'
      : suggestions.map(({ path, message }) => `${path}: ${message}\n`).join('');
  return `${columns(rows)}\n${said}`;
}
