/** The names of buttons, by the numbers that browsers give them. */
import type { Button } from '../settings/index.ts';

/** By `button`: what a mouse and a pen press. */
export const MOUSE: readonly Button[] = ['MouseLeft', 'MouseMiddle', 'MouseRight', 'MouseBack', 'MouseForward'];
const PEN: Readonly<Record<number, Button>> = { 0: 'Pen', 2: 'PenBarrel', 5: 'PenEraser' };
/** The bit of each `button` in `buttons`. */
export const BITS = [1, 4, 2, 8, 16, 32];

/** The binding name of an event's button; null if it has none. */
export function buttonOf({ pointerType }: PointerEvent, button: number): Button | null {
  if (pointerType === 'touch') return 'Touch';
  return (pointerType === 'pen' ? PEN[button] : MOUSE[button]) ?? null;
}
