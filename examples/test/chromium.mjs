/** How the tests start a Chromium-family browser. */

/** @param {readonly string[]} args more arguments */
export function chromiumOptions(args = []) {
  const executablePath = process.env.ZESTY_KITE_BROWSER;
  if (!executablePath)
    throw new Error('ZESTY_KITE_BROWSER: expected the path of a browser, as `npm test` sets it, got nothing.');
  return { executablePath, args: ['--no-sandbox', '--disable-background-networking', ...args] };
}
