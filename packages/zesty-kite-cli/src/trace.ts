/** One CSV row for each frame (RFC 4180). */
import { once } from 'node:events';
import { createWriteStream } from 'node:fs';
import type { Camera } from 'zesty-kite';

export interface Trace {
  readonly row: (camera: Camera, micros: number) => void;
  /** Waits until what has been written is on its way. */
  flush(): Promise<void>;
  close(): Promise<void>;
}

const COLUMNS =
  'seconds,x,y,focus_height,span,heading,pitch,field_of_view,goal_x,goal_y,goal_span,held_x,held_y,held_height,grip_x,grip_y,grip_error_px,settled';

export function openTrace(file: string): Trace {
  const stream = createWriteStream(file);
  let failure: Error | null = null;
  let text = `${COLUMNS}\r\n`;
  stream.on('error', (error: Error) => {
    failure = error;
  });
  const flush = async (): Promise<void> => {
    if (failure !== null) throw failure;
    const ready = text === '' || stream.write(text);
    text = '';
    if (!ready) await once(stream, 'drain');
  };
  return {
    row: (camera, micros) => {
      text += `${cells(camera, micros).join(',')}\r\n`;
    },
    flush,
    close: async () => {
      await flush();
      stream.end();
      await once(stream, 'close');
      if (failure !== null) throw failure;
    },
  };
}

/** No cell needs quotes: all are numbers, empty, or true and false. */
function cells(camera: Camera, micros: number): (number | string)[] {
  const { view, goal, grips } = camera;
  const { x, y, focusHeight, span, heading, pitch, fieldOfView } = view;
  const pose = [micros / 1e6, x, y, focusHeight, span, heading, pitch, fieldOfView, goal.x, goal.y, goal.span];
  const [grip] = grips;
  if (grip === undefined) return [...pose, '', '', '', '', '', '', String(camera.settled)];
  const error = grip.limited ? '' : grip.error;
  return [...pose, grip.x, grip.y, grip.height, grip.screenX, grip.screenY, error, String(camera.settled)];
}
