/** A time line of keyframes. */
import type { Keyframe } from 'zesty-kite/direct';
import { html, nothing, type TemplateResult } from 'lit-html';
import { live } from 'lit-html/directives/live.js';
import { download } from '../keep/download.ts';
import type { PanelDesk } from '../panel/panelDesk.ts';
import { numberInput } from '../rows/number.ts';

const EASES = ['in-out', 'in', 'out', 'none', 'smooth'] as const;
/** The time line shows at least so many seconds. */
const SHORTEST = 4;

export function cutsceneTab(desk: PanelDesk): TemplateResult {
  const { flight } = desk;
  const { keyframes, chosen, isPlaying } = flight;
  const act = (does: () => void) => () => {
    desk.attempt('', does);
  };
  const none = keyframes.length === 0;
  return html`<div class="bar" role="group" aria-label="Keyframes">
      <button
        type="button"
        @click=${act(() => {
          flight.add();
        })}
      >
        Keyframe here
      </button>
      <button
        type="button"
        ?disabled=${chosen < 0}
        @click=${act(() => {
          flight.take();
        })}
      >
        Move it here
      </button>
      <button
        type="button"
        ?disabled=${chosen < 0}
        @click=${act(() => {
          flight.remove(chosen);
        })}
      >
        Remove
      </button>
    </div>
    <div class="bar" role="group" aria-label="Scene">
      <button
        type="button"
        aria-pressed=${isPlaying}
        ?disabled=${none}
        @click=${act(() => {
          if (isPlaying) flight.pause();
          else flight.play();
        })}
      >
        ${isPlaying ? 'Pause' : 'Play'}
      </button>
      <button
        type="button"
        ?disabled=${none}
        @click=${act(() => {
          flight.end();
        })}
      >
        Fly on
      </button>
      <button
        type="button"
        ?disabled=${none}
        @click=${() => {
          download(window, 'cutscene.json', flight.json);
        }}
      >
        Download
      </button>
      <span>${flight.time.toFixed(1)} of ${flight.length.toFixed(1)} s</span>
    </div>
    ${timeLine(desk)}
    <div class="body">
      ${desk.messagesOf('').map((message) => html`<p class="message bar" role="status">${message}</p>`)}
      ${none ? html`<p class="hint bar">Fly somewhere, take a keyframe, fly on, take the next.</p>` : nothing}
      ${keyframes.map((keyframe, i) => keyframeRow(desk, keyframe, i))}
    </div>`;
}

function timeLine(desk: PanelDesk): TemplateResult {
  const { flight } = desk;
  const { keyframes, chosen, length, time } = flight;
  const end = Math.max(SHORTEST, length * 1.15);
  const timeAt = (event: PointerEvent): number => {
    const box = (event.currentTarget as Element).getBoundingClientRect();
    return Math.min(1, Math.max(0, (event.clientX - box.left) / box.width)) * end;
  };
  const grab = (event: PointerEvent): void => {
    const bar = event.currentTarget as HTMLElement;
    bar.setPointerCapture(event.pointerId);
    const mark = (event.target as HTMLElement).dataset['keyframe'];
    bar.dataset['grabbed'] = mark ?? 'time';
    if (mark !== undefined) flight.chosen = Number(mark);
    drag(event);
  };
  const drag = (event: PointerEvent): void => {
    const { grabbed } = (event.currentTarget as HTMLElement).dataset;
    if (grabbed === undefined || grabbed === '') return;
    desk.attempt('', () => {
      if (grabbed === 'time') flight.seek(Math.min(length, timeAt(event)));
      else if (event.type !== 'pointerdown') flight.change(Number(grabbed), { at: timeAt(event) });
    });
  };
  const release = (event: PointerEvent): void => {
    (event.currentTarget as HTMLElement).dataset['grabbed'] = '';
  };
  const share = (at: number): string => `left: ${String((100 * at) / end)}%`;
  return html`<div class="time" @pointerdown=${grab} @pointermove=${drag} @pointerup=${release}>
      <i class="now" style=${share(time)}></i>
      ${keyframes.map(
        ({ at }, i) =>
          html`<i
            class=${i === chosen ? 'mark chosen' : 'mark'}
            data-keyframe=${i}
            style=${share(at)}
            title=${`${String(at)} s`}
          ></i>`,
      )}
    </div>
    <div class="bar">
      <span class="slide"
        ><input
          type="range"
          aria-label="Time in the scene"
          min="0"
          max=${Math.max(0.1, length)}
          step="0.05"
          ?disabled=${keyframes.length === 0}
          .value=${live(String(time))}
          @input=${({ currentTarget }: Event) => {
            desk.attempt('', () => {
              flight.seek((currentTarget as HTMLInputElement).valueAsNumber);
            });
          }}
      /></span>
    </div>`;
}

function keyframeRow(
  desk: PanelDesk,
  { at, x, y, span, ease = 'in-out', event = '' }: Keyframe,
  index: number,
): TemplateResult {
  const { flight } = desk;
  const label = `Keyframe ${String(index + 1)}`;
  const change = (part: Partial<Keyframe>): void => {
    desk.attempt('', () => {
      flight.change(index, part);
    });
  };
  return html`<div class="row">
    <button
      type="button"
      aria-pressed=${index === flight.chosen}
      @click=${() => {
        flight.chosen = index;
        desk.attempt('', () => {
          flight.seek(at);
        });
      }}
    >
      ${label}
    </button>
    <span class="marks hint"
      >${String(x)}, ${String(y)}, span ${typeof span === 'number' ? span : JSON.stringify(span)}</span
    >
    <div class="control">
      ${numberInput({
        label: `${label}, time`,
        value: at,
        unit: 's',
        allowed: [0, 86_400],
        useful: null,
        set: (next) => {
          change({ at: next });
        },
      })}
      <select
        aria-label=${`${label}, ease`}
        @change=${({ currentTarget }: Event) => {
          change({ ease: (currentTarget as HTMLSelectElement).value as (typeof EASES)[number] });
        }}
      >
        ${EASES.map((one) => html`<option value=${one} ?selected=${one === ease}>${one}</option>`)}
      </select>
      <input
        type="text"
        class="event"
        placeholder="event"
        aria-label=${`${label}, event`}
        .value=${event}
        @change=${({ currentTarget }: Event) => {
          const { value } = currentTarget as HTMLInputElement;
          change({ event: value === '' ? undefined : value });
        }}
      />
    </div>
  </div>`;
}
