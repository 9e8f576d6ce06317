/** The style of a shadow root. */

/** Unlike an element, a sheet is allowed by every content security policy. */
export function sheetOf({ CSSStyleSheet }: Window & typeof globalThis, style: string): CSSStyleSheet {
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(style);
  return sheet;
}
