/** Takes of the same hands under both versions, and lines of what the camera did. */
import { html, nothing, type TemplateResult } from 'lit-html';
import { live } from 'lit-html/directives/live.js';
import { download } from '../keep/download.ts';
import type { PanelDesk } from '../panel/panelDesk.ts';
import { checkBox } from '../rows/row.ts';
import { chart, CHART_SIZE } from './lines.ts';
import { PAST } from './compare.ts';

export function compareTab(desk: PanelDesk): TemplateResult {
  const { compare, tuning } = desk;
  const { take, isPlaying, isRecording } = compare;
  const act = (does: () => void) => () => {
    desk.attempt('', does);
  };
  return html`<div class="bar" role="group" aria-label="Take">
      <button
        type="button"
        aria-pressed=${isRecording}
        ?disabled=${!compare.canRecord}
        @click=${act(() => {
          compare.toggleRecording();
        })}
      >
        ${isRecording ? 'Stop recording' : 'Record a take'}
      </button>
      <button
        type="button"
        aria-pressed=${isPlaying}
        ?disabled=${take === null}
        @click=${act(() => {
          if (isPlaying) compare.stop();
          else compare.play();
        })}
      >
        ${isPlaying ? 'Stop' : 'Play'}
      </button>
      <button
        type="button"
        ?disabled=${take === null}
        @click=${() => {
          download(window, 'take.ndjson', take?.text ?? '');
        }}
      >
        Download
      </button>
      <label
        >${checkBox('Loop', compare.isLooped, (isOn) => {
          compare.isLooped = isOn;
          desk.redraw();
        })}
        Loop</label
      >
      ${desk.drawsBeside
        ? html`<label
            >${checkBox('Side by side', compare.isBeside, (isOn) => {
              compare.isBeside = isOn;
              desk.redraw();
            })}
            Side by side</label
          >`
        : nothing}
    </div>
    <div class="bar">
      <span>Time</span>
      <span class="slide"
        ><input
          type="range"
          aria-label="Time in the take"
          min="0"
          max=${take?.length ?? 1}
          step="1"
          ?disabled=${take === null}
          .value=${live(String(compare.time))}
          @input=${({ currentTarget }: Event) => {
            compare.seek((currentTarget as HTMLInputElement).valueAsNumber);
            desk.redraw();
          }}
      /></span>
      <span class="unit">${(compare.time / 1000).toFixed(1)} s</span>
    </div>
    <div class="body">
      ${desk.messagesOf('').map((message) => html`<p class="message bar" role="status">${message}</p>`)}
      <p class="hint bar">${hintOf(desk)}</p>
      <svg class="lines" viewBox=${CHART_SIZE} role="img" aria-label="Span, speed, pitch and grip error over time">
        ${take === null || isRecording
          ? chart(compare.past, [compare.now - PAST, compare.now], null)
          : chart(compare.lines, [0, take.length / 1000], compare.time / 1000)}
      </svg>
      <p class="bar legend">
        <span class="version-1">version 1</span>
        <span class="version-2">version 2</span>
        ${tuning.areEqual ? html`<span>The versions are equal: there is nothing to compare.</span>` : nothing}
      </p>
    </div>`;
}

function hintOf({ compare }: PanelDesk): string {
  if (!compare.canRecord) return 'This camera lives in a worker: takes are recorded there.';
  if (compare.isRecording) return 'Steer the camera as a player would, then stop.';
  if (compare.take === null) return 'Record a take: the same hands then play under both versions.';
  return 'The picture shows the version in force. The frame of the other version is drawn over it.';
}
