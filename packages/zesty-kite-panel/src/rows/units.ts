/** Units and useful ranges that depend on other settings. */
import type { Setting } from '../tuning/listed.ts';
import type { Desk } from './desk.ts';
import { fine } from './here.ts';

const EDGE_WIDTHS = ['edge.width', 'edge.left', 'edge.top', 'edge.right', 'edge.bottom'];

/** The unit and the useful range of a number now. */
export function unitOf({ full, camera }: Desk, { path, unit, useful }: Setting): Pick<Setting, 'unit' | 'useful'> {
  if (EDGE_WIDTHS.includes(path) && full.edge?.unit === 'pixels') return { unit: 'px', useful: [0, 60] };
  if (path !== 'pan.speed' || full.pan.speedUnit !== 'world-units' || useful === null) return { unit, useful };
  const { span } = full.start;
  const screen = fine(typeof span === 'number' ? span : camera.shown.span);
  return { unit: 'world units per second', useful: [useful[0] * screen, useful[1] * screen] };
}
