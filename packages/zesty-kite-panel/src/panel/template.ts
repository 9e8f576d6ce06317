/** The panel as it is drawn: folded to a button, or open with one of its tabs. */
import { html, nothing, type TemplateResult } from 'lit-html';
import { compareTab } from '../compare/compareTab.ts';
import { cutsceneTab } from '../cutscene/cutsceneTab.ts';
import { BY_PATH } from '../tuning/listed.ts';
import { takesText } from './events.ts';
import type { PanelDesk } from './panelDesk.ts';
import { settingsTab } from './settingsTab.ts';

const TABS = { Settings: settingsTab, Compare: compareTab, Cutscene: cutsceneTab } as const;
export type Tab = keyof typeof TABS;

/** The parts of the panel around its tabs. */
export interface Frame extends PanelDesk {
  readonly isOpen: boolean;
  readonly tab: Tab;
  /** The path of the setting that was pointed at last; empty before. */
  readonly focused: string;
  toggle(): void;
  show(tab: Tab): void;
  /** A setting is pointed at. */
  focus(path: string): void;
  /** Goes back by a step, or forward. */
  go(steps: 1 | -1): void;
}

export function panelTemplate(panel: Frame): TemplateResult {
  const { ground, isOpen } = panel;
  const over = ground.isEmpty ? nothing : html`<svg class="over" aria-hidden="true">${ground.draw()}</svg>`;
  return html`${over}${isOpen
    ? opened(panel)
    : html`<button
        type="button"
        class="fold"
        aria-expanded="false"
        @click=${() => {
          panel.toggle();
        }}
      >
        Camera
      </button>`}`;
}

function opened(panel: Frame): TemplateResult {
  const { tab } = panel;
  const point = (event: Event): void => {
    const path = pathOf(event);
    if (path !== '') panel.focus(path);
  };
  return html`<section
    class="panel"
    aria-label="Camera settings"
    @pointerover=${point}
    @focusin=${point}
    @keydown=${(event: KeyboardEvent) => {
      onUndo(panel, event);
    }}
  >
    <header>
      <div role="tablist" aria-label="Parts of the panel">
        ${(Object.keys(TABS) as Tab[]).map((name) => tabButton(panel, name))}
      </div>
      ${stepButton(panel, -1, 'Undo', '↶', 'Control Z')}${stepButton(panel, 1, 'Redo', '↷', 'Control Shift Z')}
      <button
        type="button"
        aria-expanded="true"
        aria-label="Fold the panel"
        @click=${() => {
          panel.toggle();
        }}
      >
        –
      </button>
    </header>
    <div class="tab" role="tabpanel" aria-label=${tab}>${TABS[tab](panel)}</div>
    ${tab === 'Settings' ? about(panel) : nothing}
  </section>`;
}

/** The description of the setting that was pointed at last. */
function about({ focused }: Frame): TemplateResult {
  const text = BY_PATH.get(focused)?.text ?? 'Point at a setting to read about it.';
  return html`<footer tabindex="0" aria-label="About the setting"><b>${focused}</b> ${text}</footer>`;
}

function tabButton(panel: Frame, name: Tab): TemplateResult {
  return html`<button
    type="button"
    role="tab"
    aria-selected=${name === panel.tab}
    @click=${() => {
      panel.show(name);
    }}
  >
    ${name}
  </button>`;
}

function stepButton(panel: Frame, steps: 1 | -1, name: string, sign: string, keys: string): TemplateResult {
  return html`<button
    type="button"
    aria-label=${name}
    title=${`${name}: ${keys}`}
    ?disabled=${!panel.tuning.canGo(steps)}
    @click=${() => {
      panel.go(steps);
    }}
  >
    ${sign}
  </button>`;
}

/** The setting whose row an event is in; empty for none. */
function pathOf(event: Event): string {
  const row = event.composedPath().find((node) => node instanceof HTMLElement && node.dataset['path'] !== undefined);
  return (row as HTMLElement | undefined)?.dataset['path'] ?? '';
}

function onUndo(panel: Frame, event: KeyboardEvent): void {
  if (event.code !== 'KeyZ' || !(event.ctrlKey || event.metaKey) || takesText(event)) return;
  event.preventDefault();
  panel.go(event.shiftKey ? 1 : -1);
}
