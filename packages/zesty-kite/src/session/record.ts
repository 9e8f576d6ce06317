/** Recording: everything that steers the camera, as a session file. */
import type { Camera } from '../camera.ts';
import { headerLine, signalLine } from './format.ts';

export interface Recording {
  /** The session so far, as the text of a file. */
  text(): string;
  /** Ends the recording; `text` stays as it is. */
  stop(): void;
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
 * @param write called with each line as it comes, its line break included; to stream to a file
 */
export function record(camera: Camera, write: (line: string) => void = () => undefined): Recording {
  const lines: string[] = [];
  const keep = (line: string): void => {
    lines.push(line);
    write(line);
  };
  let recording = true;
  const start = camera.begin((signal) => {
    if (recording) keep(`${signalLine(signal)}\n`);
  });
  keep(`${headerLine(start)}\n`);
  return {
    text: () => lines.join(''),
    stop: () => {
      recording = false;
    },
  };
}
