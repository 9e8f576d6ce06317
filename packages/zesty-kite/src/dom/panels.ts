/** Panels over the map: what the player does there is the page's. */

export interface PanelOptions {
  /**
   * Panels inside the element or over it: a selector, or a function that says so of an element. Wheel, presses, fingers,
   * text selection and edges are the page's own there.
   */
  readonly panels?: string | ((target: Element) => boolean);
}

/** Whether an element is a panel, or in one. */
export type IsPanel = (target: EventTarget | null | undefined) => boolean;

export function panelsOf(
  window: Window & typeof globalThis,
  { panels }: PanelOptions,
  report: (error: unknown) => void,
): IsPanel {
  return (target) => {
    if (panels === undefined || !(target instanceof window.Element)) return false;
    try {
      return typeof panels === 'string' ? target.closest(panels) !== null : panels(target);
    } catch (error) {
      report(error);
      return false;
    }
  };
}
