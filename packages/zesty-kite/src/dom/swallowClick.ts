/** Hides the click that browsers send after a drag, in the same task or the next. */
export function swallowClick(window: Window & typeof globalThis): void {
  const swallow = (event: Event): void => {
    event.stopPropagation();
    event.preventDefault();
  };
  const names = ['click', 'auxclick'] as const;
  for (const name of names) window.addEventListener(name, swallow, { capture: true });
  window.setTimeout(() => {
    for (const name of names) window.removeEventListener(name, swallow, { capture: true });
  });
}
