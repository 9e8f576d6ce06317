/** A button that takes a value from the camera as it looks now. */
import { html, type TemplateResult } from 'lit-html';

export function hereButton(label: string, press: () => void): TemplateResult {
  return html`<button type="button" class="small" aria-label=${label} @click=${press}>Here</button>`;
}
