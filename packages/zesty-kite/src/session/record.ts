/** Recording: everything that steers the camera, as a session file. */
import { checkFunction } from '../messages/index.ts';
import { rigOf, type Camera } from '../camera/index.ts';
import { headerLine, signalLine } from './format.ts';

export interface Recording {
  /**
   * The session so far, as the text of a file.
   *
   * @throws Error for one that is handed to `write`: nothing of it is kept
   */
  text(): string;
  /** Ends the recording; `text` stays as it is. */
  stop(): void;
  /** Where it ended because `write` threw: the number of the line, from 1, that it was given last. Null while all is well. */
  readonly failedAtLine: number | null;
}

/**
 * Begins a new session from what is shown and writes it down. Everything held is let go, everything
 * moving stops, so that the file says all there is to know. It replaces a recording under way.
 *
 * ```ts
 * const recording = record(camera);
 * save(recording.text());
 * ```
 *
 * @param write called with each line as it comes, its line break included, instead of keeping it: to stream to a
 *   file. If it throws, the recording ends there, the camera's `report` is told, and the camera goes on
 */
export function record(camera: Camera, write?: (line: string) => void): Recording {
  const rig = rigOf('record', camera);
  if (write !== undefined) checkFunction('record.write', write, 'a function, or nothing');
  const lines: string[] = [];
  let count = 0;
  let failed: number | null = null;
  let recording = true;
  const keep = (line: string): void => {
    count += 1;
    if (write === undefined) lines.push(line);
    else {
      try {
        write(line);
      } catch (error) {
        recording = false;
        failed = count;
        throw error;
      }
    }
  };
  const start = rig.begin((signal) => {
    if (recording) keep(`${signalLine(signal)}\n`);
  });
  rig.reports.attempt(() => {
    keep(`${headerLine(start)}\n`);
  });
  return {
    text: () => {
      if (write === undefined) return lines.join('');
      throw new Error('text: this recording is handed to `write` line by line, and nothing of it is kept');
    },
    stop: () => {
      recording = false;
    },
    get failedAtLine() {
      return failed;
    },
  };
}
