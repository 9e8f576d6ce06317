/** The look of the dialog. A game sets the variables on the dialog or above it. */
export const DIALOG_STYLE = `
:host {
  --back: var(--dialog-background, #12343b);
  --text: var(--dialog-text, #f4efe2);
  --faint: var(--dialog-faint, #b9c7c4);
  --line: var(--dialog-line, #2f5961);
  --field: var(--dialog-field, #0b2429);
  --accent: var(--dialog-accent, #f6d743);
  --warn: var(--dialog-warning, #ffb38a);
  font: var(--dialog-font, 15px/1.4 ui-sans-serif, system-ui, 'DejaVu Sans', sans-serif);
  color: var(--text);
  color-scheme: var(--dialog-scheme, dark);
}
* { box-sizing: border-box; }
section {
  width: min(var(--dialog-width, 520px), 94vw);
  max-height: 88vh;
  display: flex;
  flex-direction: column;
  background: var(--back);
  border: 1px solid var(--line);
  border-radius: var(--dialog-radius, 10px);
}
header, footer { padding: 10px 16px; }
h2 { margin: 0; font-size: 1.2em; }
footer { display: flex; justify-content: space-between; border-top: 1px solid var(--line); }
.rows { overflow: auto; border-top: 1px solid var(--line); }
.row { display: grid; grid-template-columns: 1fr minmax(150px, auto) auto; gap: 2px 10px; padding: 8px 16px; align-items: center; }
.row + .row { border-top: 1px solid var(--line); }
.row p { grid-column: 1 / -1; margin: 0; color: var(--faint); font-size: 0.87em; }
.row p.conflict { color: var(--warn); }
.control { display: flex; flex-wrap: wrap; gap: 6px; align-items: center; justify-content: flex-end; }
input[type='range'] { accent-color: var(--accent); width: 150px; }
input[type='checkbox'] { accent-color: var(--accent); width: 20px; height: 20px; }
output { min-width: 3em; text-align: right; }
button, select, input { font: inherit; color: inherit; }
button, select, input[type='number'] { background: var(--field); border: 1px solid var(--line); border-radius: 5px; padding: 3px 9px; min-height: 32px; }
button { cursor: pointer; }
button:disabled { opacity: 0.45; cursor: default; }
button[aria-pressed='true'] { border-color: var(--accent); color: var(--accent); }
:is(button, input, select):focus-visible { outline: 2px solid var(--accent); outline-offset: 2px; }
@media (max-width: 420px) { .row { grid-template-columns: 1fr auto; } .control { grid-column: 1 / -1; grid-row: 2; justify-content: flex-start; } }
`;
