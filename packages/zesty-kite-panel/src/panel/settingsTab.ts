/** Every setting in sections, feels to begin from, the two versions, and where to keep them. */
import { feels, type FeelName } from 'zesty-kite/feels';
import { html, nothing, type TemplateResult } from 'lit-html';
import { belongs, boundsRow } from '../rows/boundsRow.ts';
import { HERE } from '../rows/here.ts';
import { checkBox, row } from '../rows/row.ts';
import { LISTED, SECTIONS, type Setting } from '../tuning/listed.ts';
import { isTree, valueAt } from '../tuning/paths.ts';
import type { PanelDesk } from './panelDesk.ts';

export function settingsTab(desk: PanelDesk): TemplateResult {
  const { search, tuning, messages } = desk;
  const refused = messages.of('');
  return html`${toolbar(desk)}
    <div class="bar">
      <input
        type="search"
        aria-label="Search the settings"
        placeholder="Search, such as “wheel” or “smooth”"
        .value=${search}
        @input=${({ currentTarget }: Event) => {
          desk.search = (currentTarget as HTMLInputElement).value;
          desk.redraw();
        }}
      />
    </div>
    ${refused.map((message) => html`<p class="message bar" role="status">${message}</p>`)}
    ${desk.ground.outline === null ? nothing : outlineBar(desk)}
    <div class="body">${SECTIONS.map((section) => sectionOf(desk, section, tuning))}</div>`;
}

function toolbar(desk: PanelDesk): TemplateResult {
  const { tuning, keeper } = desk;
  const { path, told } = keeper;
  const count = tuning.unsaved.length;
  const keep = (act: () => Promise<void>) => () => {
    act().catch((error: unknown) => {
      keeper.fail(error);
    });
  };
  return html`<div class="bar">
      <label
        >Feel
        <select
          aria-label="Feel"
          @change=${({ currentTarget }: Event) => {
            const feel = currentTarget as HTMLSelectElement;
            if (feel.value !== '')
              desk.attempt('', () => {
                tuning.lay(feels[feel.value as FeelName]);
              });
            feel.value = '';
          }}
        >
          <option value="">choose …</option>
          ${Object.keys(feels).map((name) => html`<option value=${name}>${name}</option>`)}
        </select></label
      >
      <label
        >${checkBox('No limits', desk.isFree, (isOn) => {
          desk.free(isOn);
        })}
        No limits</label
      >
    </div>
    <div class="bar" role="group" aria-label="Versions">
      ${([0, 1] as const).map(
        (slot) =>
          html`<button
            type="button"
            aria-pressed=${tuning.slot === slot}
            @click=${() => {
              if (tuning.slot !== slot)
                desk.attempt('', () => {
                  tuning.swap();
                });
            }}
          >
            Version ${slot + 1}
          </button>`,
      )}
      <button
        type="button"
        ?disabled=${tuning.areEqual}
        title="The other version becomes what this one is"
        @click=${() => {
          tuning.copyToOther();
        }}
      >
        Copy to version ${tuning.slot === 0 ? 2 : 1}
      </button>
    </div>
    <div class="bar" role="group" aria-label="Keep">
      <button type="button" ?disabled=${count === 0} @click=${keep(() => keeper.save())}>
        ${path === null ? 'Download' : `Save to ${path}`}
      </button>
      <button type="button" @click=${keep(() => keeper.copyJson())}>Copy JSON</button>
      <button type="button" @click=${keep(() => keeper.copyCode())}>Copy code</button>
      ${keeper.canChoose
        ? html`<button type="button" @click=${keep(() => keeper.choose())}>Save as …</button>`
        : nothing}
      <span role="status">${told || (count === 0 ? 'Nothing to save' : `${String(count)} unsaved`)}</span>
    </div>`;
}

function outlineBar(desk: PanelDesk): TemplateResult {
  const count = desk.ground.outline?.length ?? 0;
  return html`<div class="bar" role="group" aria-label="Outline">
    <span>Click the corners of the map in order: ${count}.</span>
    <button
      type="button"
      ?disabled=${count < 3}
      @click=${() => {
        desk.endOutline(true);
      }}
    >
      Close the outline
    </button>
    <button
      type="button"
      @click=${() => {
        desk.endOutline(false);
      }}
    >
      Cancel
    </button>
  </div>`;
}

function sectionOf(
  desk: PanelDesk,
  section: string,
  { unsaved }: PanelDesk['tuning'],
): TemplateResult | typeof nothing {
  const rows = LISTED.filter((setting) => setting.section === section && isShown(desk, setting));
  if (rows.length === 0) return nothing;
  const changed = unsaved.filter(({ path }) => path === section || path.startsWith(`${section}.`)).length;
  const warned = desk.messages.countIn(section);
  const isFound = desk.search.trim() !== '';
  const isOpen = isFound || desk.opened.has(section);
  return html`<details ?open=${isOpen}>
    <summary
      @click=${(event: Event) => {
        event.preventDefault();
        desk.openSection(section, !isOpen);
      }}
    >
      ${section} ${changed === 0 ? nothing : html`<span class="count">${changed} changed</span>`}
      ${warned === 0 ? nothing : html`<span class="warned">⚠ ${warned}</span>`}
    </summary>
    ${isOpen && section === 'start' && !isFound ? startHere(desk) : nothing}
    ${isOpen
      ? html`${section === 'bounds' ? boundsRow(desk) : nothing}${rows
          .filter(({ path }) => path !== 'bounds')
          .map((setting) => row(desk, setting))}`
      : nothing}
  </details>`;
}

/** The whole pose at once. */
function startHere(desk: PanelDesk): TemplateResult {
  return html`<div class="row" data-path="start">
    <button
      type="button"
      @click=${() => {
        desk.set('start', HERE['start']?.(desk.camera, desk.full));
      }}
    >
      Start where the camera is now
    </button>
  </div>`;
}

/** The search text, and the present values of its group. */
function isShown({ search, full }: PanelDesk, setting: Setting): boolean {
  const { path, section, text } = setting;
  const words = search.toLowerCase().trim().split(/\s+/);
  const known = `${path} ${text}`.toLowerCase();
  if (!words.every((word) => known.includes(word))) return false;
  if (!belongs(setting, full)) return false;
  const group = path.includes('.') ? path.slice(0, path.lastIndexOf('.')) : section;
  return group === path || group === 'bounds.circle' || isTree(valueAt(full, group));
}
