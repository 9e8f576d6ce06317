/** The look of the panel, inside its shadow root. Each colour can be set from outside by its variable. */
export const STYLE = `
:host {
  --back: var(--panel-background, #12343be6);
  --text: var(--panel-text, #f4efe2);
  --faint: var(--panel-faint, #b9c7c4);
  --line: var(--panel-line, #2f5961);
  --field: var(--panel-field, #0b2429);
  --accent: var(--panel-accent, #f6d743);
  --other: var(--panel-other, #7bdff2);
  --warn: var(--panel-warning, #ffb38a);
  all: initial !important;
  position: fixed !important;
  z-index: 2147483000 !important;
  inset: 8px 8px auto auto !important;
}
:host([data-corner='top-left']) { inset: 8px auto auto 8px !important; }
.panel, .fold {
  font: 12px/1.35 ui-sans-serif, system-ui, 'DejaVu Sans', sans-serif;
  color: var(--text);
  color-scheme: dark;
}
* { box-sizing: border-box; }
.panel {
  display: flex;
  flex-direction: column;
  width: min(348px, calc(100vw - 16px));
  max-height: calc(100vh - 16px);
  background: var(--back);
  border: 1px solid var(--line);
  border-radius: 8px;
  overflow: hidden;
}
.fold { padding: 6px 12px; border-radius: 8px; background: var(--back); }
header, footer, .bar { padding: 6px 8px; border-bottom: 1px solid var(--line); }
header { display: flex; gap: 6px; align-items: center; }
header [role='tablist'] { display: flex; gap: 4px; flex: 1; }
footer { border: 0; border-top: 1px solid var(--line); color: var(--faint); height: 58px; overflow: auto; margin: 0; }
.tab { display: flex; flex-direction: column; min-height: 0; flex: 1; }
.body { overflow: auto; flex: 1; overscroll-behavior: contain; }
.bar { display: flex; flex-wrap: wrap; gap: 6px; align-items: center; }
.bar label { display: flex; gap: 4px; align-items: center; }
button, select, input { font: inherit; color: inherit; }
button, select, input[type='number'], input[type='text'], input[type='search'] {
  background: var(--field);
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 2px 6px;
  min-height: 24px;
}
button { cursor: pointer; }
button:disabled { opacity: 0.45; cursor: default; }
button[aria-pressed='true'], button[aria-selected='true'] { border-color: var(--accent); color: var(--accent); }
button:focus-visible, input:focus-visible, select:focus-visible, summary:focus-visible {
  outline: 2px solid var(--accent);
  outline-offset: 1px;
}
button.small { padding: 0 5px; min-height: 20px; }
input[type='search'] { width: 100%; }
input[type='number'] { width: 76px; text-align: right; }
.slide { position: relative; flex: 1; min-width: 60px; display: flex; }
.slide input { flex: 1; width: 100%; accent-color: var(--accent); margin: 0; }
.usual { position: absolute; left: calc(8px + var(--way) * (100% - 16px)); bottom: -5px; width: 2px; height: 6px; background: var(--faint); }
details { border-bottom: 1px solid var(--line); }
summary { padding: 6px 8px; cursor: pointer; font-weight: 600; }
summary .count { font-weight: 400; color: var(--accent); }
summary .warned { font-weight: 400; color: var(--warn); }
.row { display: grid; grid-template-columns: 1fr auto; gap: 2px 6px; padding: 4px 8px 6px; }
.row + .row { border-top: 1px solid #ffffff14; }
.name { overflow-wrap: anywhere; align-self: center; }
.marks { display: flex; gap: 4px; align-items: center; }
.unsaved { color: var(--accent); font-size: 9px; }
.control { grid-column: 1 / -1; display: flex; flex-wrap: wrap; gap: 4px 6px; align-items: center; }
.row.switch, .row.group { grid-template-columns: 1fr auto auto; }
.row.switch .control, .row.group .control { grid-column: 3; grid-row: 1; }
.control > select { flex: 1; min-width: 0; }
.line { display: flex; gap: 6px; align-items: center; width: 100%; }
.part { width: 34px; flex: none; color: var(--faint); }
.grow, .wide { flex: 1; }
select.wide { flex: 1 1 100%; }
.unit { color: var(--faint); width: 62px; }
.check { display: inline-flex; gap: 3px; align-items: center; }
.inputs { display: flex; flex-wrap: wrap; gap: 4px; }
button.waiting { border-color: var(--accent); }
.message { grid-column: 1 / -1; margin: 2px 0 0; color: var(--warn); overflow-wrap: anywhere; }
.hint { margin: 0; color: var(--faint); width: 100%; }
svg.curve { width: 100%; background: var(--field); border-radius: 4px; touch-action: none; cursor: crosshair; }
svg.curve path, svg.lines path { fill: none; stroke: var(--accent); stroke-width: 2; }
svg.curve .now { stroke: var(--faint); stroke-width: 1; stroke-dasharray: 3 3; }
svg.curve circle { fill: var(--back); stroke: var(--accent); stroke-width: 2; }
svg.lines { width: 100%; background: var(--field); }
svg.lines path { stroke-width: 1.5; }
svg.lines path.version-2 { stroke: var(--other); stroke-dasharray: 4 2; }
svg.lines path.now { stroke: var(--faint); stroke-width: 1; }
.legend .version-1 { color: var(--accent); }
.legend .version-2 { color: var(--other); }
.time { position: relative; height: 30px; margin: 6px 12px; background: var(--field); touch-action: none; cursor: pointer; }
.time .mark { position: absolute; top: 8px; width: 14px; height: 14px; margin-left: -7px; transform: rotate(45deg); background: var(--faint); }
.time .chosen { background: var(--accent); }
.time .now { position: absolute; top: 0; bottom: 0; width: 2px; margin-left: -1px; background: var(--text); }
input.event { width: 90px; }
svg text { fill: var(--faint); font-size: 9px; }
.over { position: fixed; inset: 0; width: 100vw; height: 100vh; pointer-events: none; z-index: -1; }
.over .outline { fill: #f6d74322; stroke: var(--accent); stroke-width: 2; }
.over .other { fill: none; stroke: var(--other); stroke-width: 2; stroke-dasharray: 8 5; }
.over .unseen { fill: #d6402b88; }
@media (max-width: 480px) {
  .panel { max-height: 55vh; }
  .tab { display: block; overflow: auto; }
  .body { overflow: visible; }
  footer { height: 40px; }
}
`;
