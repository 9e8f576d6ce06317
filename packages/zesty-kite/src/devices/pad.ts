/** A pad, as the Gamepad API's standard mapping has it. */
import { clamp, exp2, log2, norm } from '../math/index.ts';
import { device } from './device.ts';
import { list, number } from './fields.ts';

/** The buttons of a pad, in the order of the Gamepad API's standard mapping. */
export const PAD_BUTTONS = [
  'PadFaceBottom',
  'PadFaceRight',
  'PadFaceLeft',
  'PadFaceTop',
  'PadLeftShoulder',
  'PadRightShoulder',
  'PadLeftTrigger',
  'PadRightTrigger',
  'PadSelect',
  'PadStart',
  'PadLeftStick',
  'PadRightStick',
  'PadUp',
  'PadDown',
  'PadLeft',
  'PadRight',
  'PadCentre',
] as const;

/** Its sticks, in the same order; their axes come in pairs, right and down. As inputs they go on with Up, Down, Left or Right. */
export const PAD_STICKS = ['PadLeftStick', 'PadRightStick'] as const;

const WAYS = ['Up', 'Down', 'Left', 'Right'] as const;
const MAX_AXES = 4;

export const pad = device({
  kind: 'pad',
  fields: {
    /** Its `index`. */
    id: number(),
    /** -1 … 1 in the order of the standard mapping: left stick right and down, right stick right and down; empty once it is gone. */
    axes: list(MAX_AXES, -1),
    /** 0 … 1 in the same order. */
    buttons: list(PAD_BUTTONS.length, 0),
  },
  inputs: [...PAD_BUTTONS, ...PAD_STICKS.flatMap((stick) => WAYS.map((way) => `${stick}${way}` as const))],
  /** A stick's dead zone is round, and what is beyond it begins at nothing; so does a trigger's. */
  strengths: ({ axes, buttons }, { pad: { deadZone, curve } }) => {
    const strengths = new Map<string, number>();
    const press = (input: string, strength: number): void => {
      if (strength > 0) strengths.set(input, strength);
    };
    const beyond = (pressed: number): number => {
      const share = clamp((pressed - deadZone) / (1 - deadZone), 0, 1);
      return share === 0 ? 0 : exp2(curve * log2(share));
    };
    PAD_STICKS.forEach((stick, i) => {
      const x = axes[2 * i] ?? 0;
      const y = axes[2 * i + 1] ?? 0;
      const length = norm(x, y);
      const share = length > 0 ? beyond(length) / length : 0;
      press(`${stick}Left`, -x * share);
      press(`${stick}Right`, x * share);
      press(`${stick}Up`, -y * share);
      press(`${stick}Down`, y * share);
    });
    PAD_BUTTONS.forEach((button, i) => {
      press(button, beyond(buttons[i] ?? 0));
    });
    return strengths;
  },
});
