/** The middle of the safe frame and its corners, in its widths and heights from the middle. */
export const FRAME_PLACES = [
  [0, 0],
  [-0.5, -0.5],
  [0.5, -0.5],
  [0.5, 0.5],
  [-0.5, 0.5],
] as const;
