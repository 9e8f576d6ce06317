/** Hands a text to the user as a file. */
export function download(window: Window & typeof globalThis, name: string, text: string): void {
  const { document, URL, Blob } = window;
  const address = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
  const link = document.createElement('a');
  Object.assign(link, { href: address, download: name });
  link.click();
  // Browsers read the address after the click.
  window.setTimeout(() => {
    URL.revokeObjectURL(address);
  }, 1000);
}
