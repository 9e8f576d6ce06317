/** The shape of the bounds: taken from what shows, or drawn on the ground. */
import type { FullSettings } from 'zesty-kite';
import { html, type TemplateResult } from 'lit-html';
import type { Setting } from '../tuning/listed.ts';
import type { Desk } from './desk.ts';
import { fine, fineAt, HERE } from './here.ts';

type Shape = 'none' | 'rectangle' | 'circle' | 'outline' | 'area';

const NAMES: Readonly<Record<Shape, string>> = {
  none: 'no bounds',
  rectangle: 'a rectangle',
  circle: 'a circle',
  outline: 'an outline, drawn on the map',
  area: 'an area (GeoJSON)',
};

/** By the name of a row in this section: the shape that it belongs to. */
const OF_SHAPE: Readonly<Partial<Record<string, Shape>>> = {
  left: 'rectangle',
  top: 'rectangle',
  right: 'rectangle',
  bottom: 'rectangle',
  'circle.x': 'circle',
  'circle.y': 'circle',
  'circle.radius': 'circle',
  polygon: 'outline',
  area: 'area',
};

export function shapeOf({ bounds }: FullSettings): Shape {
  if (bounds === null) return 'none';
  if (bounds.circle !== undefined) return 'circle';
  if (bounds.polygon !== undefined) return 'outline';
  return bounds.area === undefined ? 'rectangle' : 'area';
}

/** Whether a setting of the bounds has a row now. */
export function belongs({ section, name, path }: Setting, full: FullSettings): boolean {
  if (section !== 'bounds' || path === 'bounds') return true;
  const shape = shapeOf(full);
  return shape !== 'none' && (OF_SHAPE[name] ?? shape) === shape;
}

export function boundsRow(desk: Desk): TemplateResult {
  const { full, camera } = desk;
  const shape = shapeOf(full);
  const choose = ({ currentTarget }: Event): void => {
    const next = (currentTarget as HTMLSelectElement).value as Shape;
    if (next === 'outline') desk.drawOutline();
    else desk.set('bounds', shapes[next]?.() ?? null);
  };
  const here = (name: string): unknown => HERE[`bounds.${name}`]?.(camera, full);
  const shapes: Readonly<Partial<Record<Shape, () => unknown>>> = {
    rectangle: () => ({ left: here('left'), top: here('top'), right: here('right'), bottom: here('bottom') }),
    circle: () => {
      const { x, y, span } = camera.shown;
      return { circle: { x: fineAt(x, span), y: fineAt(y, span), radius: fine(span / 2) } };
    },
  };
  const shown = (Object.keys(NAMES) as Shape[]).filter((one) => one !== 'area' || shape === 'area');
  return html`<div class="row" data-path="bounds">
    <span class="name">shape</span>
    <span class="marks"></span>
    <div class="control">
      <select aria-label="bounds, shape" @change=${choose}>
        ${shown.map((one) => html`<option value=${one} ?selected=${one === shape}>${NAMES[one]}</option>`)}
      </select>
      ${shape === 'outline'
        ? html`<button
            type="button"
            class="small"
            @click=${() => {
              desk.drawOutline();
            }}
          >
            Draw again
          </button>`
        : ''}
    </div>
    ${desk.messagesOf('bounds').map((message) => html`<p class="message" role="status">${message}</p>`)}
  </div>`;
}
