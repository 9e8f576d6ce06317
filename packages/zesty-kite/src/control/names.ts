/** What inputs are called that are no keys. */

/** What a pointer can press. */
export const BUTTONS = [
  'MouseLeft',
  'MouseMiddle',
  'MouseRight',
  'MouseBack',
  'MouseForward',
  'Touch',
  'Pen',
  'PenBarrel',
  'PenEraser',
] as const;

export type Button = (typeof BUTTONS)[number];

/** A wheel, away from the player and toward. */
export const WHEELS = ['WheelUp', 'WheelDown'] as const;

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
