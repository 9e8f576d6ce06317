/** Recording: everything that steers the camera, as a session file. */
import { checkFunction } from '../messages/index.ts';
import { rigOf, type Camera, type Rig, type SessionStart } from '../camera/index.ts';
import type { MoverSignal } from '../motion/index.ts';
import { headerLine, signalLine } from './format.ts';
import { saveState } from './state.ts';

export interface Recording {
  /**
   * The session so far, as the text of a file.
   *
   * @throws Error for one that is handed to `write`: nothing of it is kept
   */
  text(): string;
  /** Ends the recording; `text` stays as it is. */
  stop(): void;
  /** The number of the line, from 1, at which `write` threw. Null while all is well. */
  readonly failedAtLine: number | null;
}

/**
 * Records everything that steers the camera from now on. It changes nothing: motion goes on, and held input stays held. It replaces
 * an earlier recording.
 *
 * ```ts
 * const recording = record(camera);
 * console.log(recording.text());
 * ```
 *
 * @param write receives each line with its line break, instead of keeping it, for a stream. If it throws, the recording ends, and the
 *   error is reported
 */
export function record(camera: Camera, write?: (line: string) => void): Recording {
  const rig = rigOf('record', camera);
  if (write !== undefined) checkFunction('record.write', write, 'a function, or nothing');
  const { recorder, inbox, reports } = rig;
  const lines: string[] = [];
  let count = 0;
  let failed: number | null = null;
  let isRecording = true;
  const keep = (line: string): void => {
    if (!isRecording) return;
    count += 1;
    if (write === undefined) lines.push(line);
    else {
      try {
        write(line);
      } catch (error) {
        isRecording = false;
        failed = count;
        throw error;
      }
    }
  };
  const writeSignal = (signal: MoverSignal & { readonly at: number }): void => {
    keep(`${signalLine(signal)}\n`);
  };
  recorder.begin(inbox.hasCalls, () => {
    reports.callSafely(() => {
      keep(`${headerLine(startOf(rig))}\n`);
    });
    return writeSignal;
  });
  return {
    text: () => {
      if (write !== undefined) throw new Error('text: expected a recording without `write`, got one with it');
      if (count === 0) inbox.stampCalls();
      return lines.join('');
    },
    stop: () => {
      isRecording = false;
      // Samples are copied while a camera records.
      if (recorder.write === writeSignal) recorder.write = null;
    },
    get failedAtLine() {
      return failed;
    },
  };
}

/** The header of a session. */
function startOf(rig: Rig): SessionStart {
  const { stage, dispatcher } = rig;
  const { changes, terrains, timeline } = stage;
  const { inForce } = terrains;
  const { x, y, span, heading, pitch } = timeline.kept;
  const isFresh = !dispatcher.hasReceived && timeline.kept.isAtRest;
  const at = dispatcher.lastReceived;
  const { learned } = stage;
  return {
    ...(at > 0 ? { at } : {}),
    // Those in force, defaults included: another version may have others.
    settings: changes.inForce.settings,
    screen: stage.isSized ? stage.screen : null,
    home: timeline.constraints.home,
    ...(inForce === null ? {} : { terrain: { id: inForce.id, digest: inForce.digest } }),
    ...(learned.length === 0 ? {} : { movers: learned }),
    ...(isFresh ? {} : { pose: { ...stage.inFirstCopy({ x, y }), span, heading, pitch }, state: saveState(rig) }),
  };
}
