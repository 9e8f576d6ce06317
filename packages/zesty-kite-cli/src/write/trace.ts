/** One CSV row for each frame (RFC 4180). */
import type { Camera } from 'zesty-kite';
import { WholeFile } from './wholeFile.ts';

export interface Trace {
  readonly row: (camera: Camera, micros: number) => void;
  /** All frames are there: the file takes its place. */
  finish(): void;
}

const COLUMNS =
  'seconds,x,y,focus_height,span,heading,pitch,field_of_view,goal_x,goal_y,goal_span,held_x,held_y,held_height,grip_x,grip_y,grip_error_px,settled';
/** Characters that are kept before they are written. */
const MAX_KEPT = 1 << 16;

export function openTrace(file: string, force: boolean): Trace {
  const whole = new WholeFile(file, force);
  let text = `${COLUMNS}\r\n`;
  const flush = (): void => {
    whole.write(text);
    text = '';
  };
  return {
    row: (camera, micros) => {
      text += `${cells(camera, micros).join(',')}\r\n`;
      if (text.length > MAX_KEPT) flush();
    },
    finish: () => {
      flush();
      whole.finish();
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
