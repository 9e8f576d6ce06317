/** The state of a camera that moves: kept motion, hands and times. A recording begins with it, so it stops nothing. */
import type { Rig, SavedState } from '../camera/index.ts';
import { Digest } from '../math/index.ts';
import { SpanQuestion } from '../motion/index.ts';
import { plainOf, restore, type Plain, type PlainObject } from './plain.ts';

/** Returns the state of a camera, with its digest. */
export function saveState(rig: Rig): SavedState {
  const { kept } = rig.stage.timeline;
  const saved = plainOf({
    ...momentOf(rig),
    question: kept.question,
    parts: partsOf(rig),
    movers: Object.fromEntries(kept.moving.map(({ mover, state }) => [mover.name, state])),
    hands: rig.dispatcher.hands,
  });
  return { digest: digestOf(saved), ...(saved as PlainObject) };
}

/**
 * Brings a camera that has just been made into a saved state.
 *
 * @throws RangeError for a state that was changed by hand, or saved by another version
 */
export function restoreState(rig: Rig, { digest, ...fields }: SavedState): void {
  const { stage, inbox, dispatcher } = rig;
  const { timeline } = stage;
  const { kept } = timeline;
  const saved = fields as PlainObject;
  const expected = digestOf(saved);
  if (digest !== expected)
    throw new RangeError(
      `state.digest: expected "${expected}", got ${JSON.stringify(digest)}. Do not edit the state of a recording`,
    );
  const { question = null } = saved;
  kept.question = question === null ? null : new SpanQuestion(kept);
  if (kept.question !== null) restore(kept.question, question, 'state.question');
  restore(partsOf(rig), saved.parts, 'state.parts');
  restore(dispatcher.hands, saved.hands, 'state.hands');
  for (const { mover, state } of kept.moving) {
    const { [mover.name]: found } = saved.movers as Partial<PlainObject>;
    // A camera may have learned less by then.
    if (found === undefined) continue;
    restore(state, found, `state.movers.${mover.name}`);
    mover.restore?.(state);
  }
  const moment = momentOf(rig);
  restore(moment, saved, 'state');
  Object.assign(timeline, moment.timeline);
  Object.assign(dispatcher, moment.dispatcher, { hasReceived: true });
  Object.assign(kept, moment.kept);
  // A recording has no signal that was no news.
  for (const name of [...moment.significant, 'hover', ...dispatcher.hands.levers.pressed.keys()])
    inbox.filter.significant.add(name);
}

/** The parts of kept motion, by name. */
function partsOf({ stage }: Rig): Record<string, object> {
  const { focus, zoom, turn, tilt, lens, level, insets, pan, hold, first, second, offset } = stage.timeline.kept;
  return { focus, zoom, turn, tilt, lens, level, insets, pan, hold, first, second, offset };
}

/** Single values that are saved, by their place. */
function momentOf({ stage, dispatcher, inbox }: Rig) {
  const { steps, past, isSolved, kept } = stage.timeline;
  const { isMoved, isPinned } = kept;
  const { ignoredAt, dwells, early } = dispatcher;
  return {
    timeline: { steps, past, isSolved },
    kept: { isMoved, isPinned },
    dispatcher: { ignoredAt, dwells, early },
    significant: [...inbox.filter.significant],
  };
}

/** Returns the digest of plain data, as their text in JSON. */
function digestOf(plain: Plain | undefined): string {
  const text = JSON.stringify(plain);
  const digest = new Digest();
  for (let i = 0; i < text.length; i++) digest.add(text.charCodeAt(i));
  return digest.toString();
}
