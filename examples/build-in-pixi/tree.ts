/** A lemon tree, drawn once for a texture. */

/** Pixels for each world unit. */
export const TREE_UNIT = 16;
/** How far down the picture its foot is, as a share of the height. */
export const TREE_FOOT = 0.94;

const WIDE = 6 * TREE_UNIT;
const HIGH = 9 * TREE_UNIT;

export function treePicture(): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  canvas.width = WIDE;
  canvas.height = HIGH;
  const context = canvas.getContext('2d');
  if (context === null) throw new Error('This page needs a 2D canvas.');
  const disc = (x: number, y: number, radius: number, colour: string): void => {
    context.fillStyle = colour;
    context.beginPath();
    context.arc(x * TREE_UNIT, y * TREE_UNIT, radius * TREE_UNIT, 0, 7);
    context.fill();
  };
  context.fillStyle = '#00000030';
  context.beginPath();
  context.ellipse(3 * TREE_UNIT, HIGH * TREE_FOOT, 2 * TREE_UNIT, 0.5 * TREE_UNIT, 0, 0, 7);
  context.fill();
  context.fillStyle = '#6b4a2b';
  context.fillRect(2.65 * TREE_UNIT, 5 * TREE_UNIT, 0.7 * TREE_UNIT, 3.4 * TREE_UNIT);
  disc(3, 3.6, 2.6, '#2f6b3a');
  disc(2.4, 2.9, 1.7, '#4d8f47');
  for (const [x, y] of [
    [1.6, 4.4],
    [3.4, 5],
    [4.5, 3.4],
    [2.7, 2],
  ] as const)
    disc(x, y, 0.42, '#f6d743');
  return canvas;
}
