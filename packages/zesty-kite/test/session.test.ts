/** Sessions: what was recorded plays again bit for bit; broken files are refused with their line. */
import { readFileSync } from 'node:fs';
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import type { Signal, StampedSignal } from '../src/index.ts';
import { headerLine, record, Replay, signalLine } from '../src/session/index.ts';
import { conforms, playAgain, read } from './sessions.ts';
import { forAll } from './law.ts';
import { Camera } from './shapes.ts';
import { between, bitsOf, hands, settingsWith, steeringBy, wildSignals } from './steering.ts';

const anySteering = steeringBy(hands.everything, fc.boolean().chain(settingsWith));
const LEMON = new URL('../../../data/lemon-strait/sessions/', import.meta.url);

function thrown(act: () => unknown): unknown {
  try {
    act();
  } catch (error) {
    return error;
  }
  return null;
}

function refusal(text: string): string {
  try {
    read(text);
  } catch (error) {
    return (error as Error).message;
  }
  return 'taken';
}

test('G6: a session recorded with late, early and jittered frames plays again with equal bits at any rate', () => {
  const jitter = fc.array(between(1, 90), { minLength: 20, maxLength: 60 });
  forAll(anySteering, jitter, fc.integer({ min: 5, max: 300 }), ({ settings, screen, signals }, gaps, rate) => {
    const camera = new Camera(settings, { screen });
    camera.advance(123);
    const recording = record(camera);
    let time = 4000;
    signals.forEach((signal, i) => {
      // A signal may be heard long after its time, or before the frame that it belongs to.
      camera.signal({ ...signal, time: time + ((i % 5) - 2) * 9 });
      time += gaps[i % gaps.length] ?? 0;
      camera.advance(time);
    });
    camera.advance((time += 100));
    camera.signal({ kind: 'release', time });
    camera.signal({ kind: 'gap', phase: 'end', time });
    camera.advance(time + 60_000);
    recording.stop();
    const replay = playAgain(read(recording.text()), { rate });
    replay.camera.advance(1e6);
    expect(bitsOf(replay.camera)).toBe(bitsOf(camera));
  });
});

test.each(['crossing.ndjson', 'flung.ndjson'])(
  'G5: %s has one digest at 30, 60, 144, 240 and 37.7 Hz, and keeps its promises',
  (name) => {
    const session = read(readFileSync(new URL(name, LEMON), 'utf8'));
    const summaries = [30, 60, 144, 240, 37.7].map((rate) => playAgain(session, { rate }));
    expect(new Set(summaries.map(({ digest }) => digest)).size).toBe(1);
    for (const summary of summaries) {
      expect(summary.worstGripError).toBeLessThan(1e-3);
      expect(summary.worstBoundsExcess).toBeLessThan(1e-6);
      expect(summary.worstRangeExcess).toBe(0);
      expect(summary.timeToRest).toBeLessThan(2);
      expect(summary.panned).toBeGreaterThan(500);
    }
  },
);

test('the digest tells a session from one that differs by one microsecond or a billionth of a notch', () => {
  const { header, signals } = read(readFileSync(new URL('crossing.ndjson', LEMON), 'utf8'));
  const digestOf = (list: readonly StampedSignal[]): string => playAgain({ header, signals: list }).digest;
  const first = digestOf(signals);
  expect(first).toMatch(/^[0-9a-f]{16}$/);
  expect(digestOf(signals.map((signal, i) => (i === 0 ? { ...signal, at: signal.at + 1 } : signal)))).not.toBe(first);
  expect(
    digestOf(
      signals.map((signal) => (signal.kind === 'wheel' ? { ...signal, notches: signal.notches * (1 + 1e-9) } : signal)),
    ),
  ).not.toBe(first);
});

test('what is written is read back as it was, in pieces of any size', () =>
  forAll(anySteering, fc.integer({ min: 1, max: 400 }), ({ settings, screen, signals }, piece) => {
    const text = [headerLine({ settings, screen }), ...signals.map(signalLine), ''].join('\n');
    const { header, signals: back, unfinishedLine } = read(text, piece);
    expect(header.settings).toEqual(JSON.parse(JSON.stringify(settings)));
    expect(back).toEqual(JSON.parse(JSON.stringify(signals)));
    expect(unfinishedLine).toBeNull();
  }));

const HEADER = headerLine({ settings: {}, screen: null });
const KEY = '{"at":5,"kind":"key","code":"KeyA","down":true}';

test('a file cut off in the middle of a line says so, and keeps every line before', () => {
  for (let cut = 1; cut < KEY.length; cut++)
    expect(read(`${HEADER}\n${KEY}\n${KEY.slice(0, cut)}`)).toMatchObject({
      signals: [{ at: 5 }],
      unfinishedLine: 3,
    });
  expect(read(`${HEADER}\n${KEY}\n${KEY}`)).toMatchObject({ signals: [{}, {}], unfinishedLine: null });
  expect(read(`${HEADER}\r\n${KEY}\r\n\r\n`)).toMatchObject({ signals: [{}], unfinishedLine: null });
});

test('a broken line is refused with its number, what was found and what was expected', () => {
  expect(refusal('')).toMatch(/^line 1: expected the header of a session, .*, got nothing/);
  expect(refusal('hello\n')).toBe('line 1: expected one JSON object, got "hello"');
  expect(refusal('{"format":"other"}\n')).toBe('line 1: format: expected "zesty-kite session", got "other"');
  expect(refusal(HEADER.replace('"version":1', '"version":2'))).toBe(
    'line 1: version: expected 1, which this package reads, got 2',
  );
  expect(refusal(HEADER.replace('"settings":{}', '"settings":{"pan":{"sped":1}}'))).toContain(
    'pan.sped: expected a known key such as "speed", got "sped"',
  );
  expect(refusal(HEADER.replace('null', '[1,2]'))).toMatch(/line 1: screen: expected .*, got \[1,2\]/);
  expect(refusal(`${HEADER}\n${KEY}\n[]\n`)).toBe('line 3: expected one JSON object, got []');
  expect(refusal(`${HEADER}\n${KEY}\n${KEY.replace('5', '4')}\n`)).toBe(
    'line 3: at: expected whole microseconds, at least the 5 of the line above, got 4',
  );
  expect(refusal(`${HEADER}\n${KEY.replace('5', '5.5')}\n`)).toMatch(/line 2: at: expected .*, got 5\.5/);
  expect(refusal(`${HEADER}\n\n${KEY.replace('key', 'kee')}\n`)).toMatch(/line 3: kind: expected .*, got "kee"/);
  expect(refusal(`${HEADER}\n{"at":0,"kind":"change","settings":{"zoom":{"notch":0}}}\n`)).toMatch(
    /zoom\.notch: expected .*, got 0/,
  );
  expect(refusal(`${HEADER}\n{"at":0,"kind":"wheel","x":1,"y":2,"notches":null}\n`)).toBe(
    'line 2: notches: expected a number, got null',
  );
});

test('a state is refused if it was edited, or if a part of it is missing: with its path', () => {
  const camera = new Camera({}, { screen: { width: 800, height: 600 } });
  camera.advance(0);
  camera.signal({ kind: 'key', code: 'KeyD', down: true, time: 5 });
  camera.advance(100);
  const [header = ''] = record(camera).text().split('\n');
  expect(refusal(`${header}\n`)).toBe('taken');
  expect(conforms(JSON.parse(header))).toBe(true);
  const { state } = read(`${header}\n`).header;
  if (state === undefined) throw new Error('a camera that moves has a state');
  const replayOf = (changed: object) => () =>
    new Replay({ settings: {}, screen: { width: 800, height: 600 }, state: { ...state, ...changed } });
  expect(replayOf({})).not.toThrow();
  expect(replayOf({ steps: 1 })).toThrow(/^state\.digest: expected "[0-9a-f]{16}", got "[0-9a-f]{16}"/);
  const { hands: lost, digest, ...others } = state;
  const expected = /expected "([0-9a-f]{16})"/.exec(
    String(thrown(() => new Replay({ settings: {}, screen: null, state: { digest, ...others } }))),
  )?.[1];
  expect(() => new Replay({ settings: {}, screen: null, state: { digest: expected ?? '', ...others } })).toThrow(
    'state.hands.held: expected a value, got none. Replay it with the version that recorded it',
  );
  expect([lost, refusal(header.replace('"state":{"digest"', '"state":{"digests"'))]).toEqual([
    expect.anything(),
    expect.stringMatching(/^line 1: state: expected an object with a digest, got /),
  ]);
  expect(refusal(header.replace(/"at":\d+/, '"at":1.5'))).toBe('line 1: at: expected whole microseconds, got 1.5');
});

test('Replay refuses a frame rate that is none', () => {
  for (const rate of [0, -5, NaN, Infinity])
    expect(() => new Replay({ settings: {}, screen: null }, { rate })).toThrow(RangeError);
});

test('every line that is written conforms to the JSON Schema; what lacks a field, or has one of another type, does not', () => {
  const lines = ['crossing', 'flung', 'hilly', 'handed', 'directed', 'turned'].flatMap((name) =>
    readFileSync(new URL(`${name}.ndjson`, LEMON), 'utf8')
      .trim()
      .split('\n'),
  );
  for (const line of lines) expect([conforms(JSON.parse(line)), line]).toEqual([true, line]);
  const kinds = new Set<string>();
  forAll(
    fc.array(fc.oneof(wildSignals, hands.everything), { minLength: 20, maxLength: 40 }),
    fc.nat(),
    (list, which) => {
      const camera = new Camera({}, { screen: { width: 800, height: 600 }, report: () => undefined });
      camera.advance(0);
      const recording = record(camera);
      for (const signal of list) {
        try {
          camera.signal({ ...signal, time: 1 } as Signal);
        } catch {
          // A wild signal is refused.
        }
      }
      camera.advance(2);
      const [header = '', ...written] = recording.text().trim().split('\n');
      expect(conforms(JSON.parse(header))).toBe(true);
      for (const text of written) {
        const line = JSON.parse(text) as Record<string, unknown>;
        kinds.add(String(line['kind']));
        expect([conforms(line), line]).toEqual([true, line]);
        const names = Object.keys(line).filter((name) => name !== 'kind' && name !== 'at');
        const name = names[which % names.length] ?? 'kind';
        expect([conforms({ ...line, [name]: { odd: true } }), line]).toEqual([false, line]);
        expect([conforms({ ...line, odd: 1 }), line]).toEqual([false, line]);
        // What the reader refuses is no session by the schema either.
        const rest = Object.fromEntries(Object.entries(line).filter(([key]) => key !== name));
        if (refusal(`${header}\n${JSON.stringify(rest)}\n`) !== 'taken')
          expect([conforms(rest), rest]).toEqual([false, rest]);
      }
    },
  );
  expect(kinds.size).toBeGreaterThan(15);
});

test('limits that a change has moved are eased into: meanwhile a replay takes that for no broken promise', () => {
  const camera = new Camera({ start: { x: 0, y: 0, span: 300 } }, { screen: { width: 800, height: 600 } });
  const recording = record(camera);
  camera.advance(0);
  camera.advance(500);
  camera.change({ bounds: { left: 500, top: 500, right: 900, bottom: 800 }, zoom: { maxSpan: 100 } });
  const outside = camera.advance(530).span;
  expect(outside).toBeGreaterThan(150);
  expect(camera.boundsExcess).toBeGreaterThan(100);
  for (let time = 550; time < 6000; time += 16) camera.advance(time);
  expect(camera.settled).toBe(true);
  expect(camera.boundsExcess).toBe(0);
  expect(camera.shown.span).toBe(100);
  const summary = playAgain(read(recording.text()));
  expect(summary.worstRangeExcess).toBe(0);
  expect(summary.worstBoundsExcess).toBeLessThan(1e-6);
  expect(summary.maxSpan).toBe(300);
});
