/** How the tests start a Chromium-family browser. */

/** The browser takes the last list of these alone: those of the driver that may matter, and pages of an address bar that nobody sees. */
const WITHOUT = [
  'AvoidCorsURLLoaderRestartOnRedirect',
  'AvoidUnnecessaryBeforeUnloadCheckSync',
  'DestroyProfileOnBrowserClose',
  'HttpsFirstBalancedModeAutoEnable',
  'HttpsUpgrades',
  'LensOverlay',
  'MediaRouter',
  'NetworkTimeServiceQuerying',
  'OptimizationHints',
  'PaintHolding',
  'ThirdPartyStoragePartitioning',
  'WebUIOmniboxAimPopup',
  'WebUIOmniboxPopup',
];

/** @param {readonly string[]} args more arguments */
export function chromiumOptions(args = []) {
  const executablePath = process.env.ZESTY_KITE_BROWSER;
  if (!executablePath)
    throw new Error('ZESTY_KITE_BROWSER: expected the path of a browser, as `npm test` sets it, got nothing.');
  const always = ['--no-sandbox', '--disable-background-networking', `--disable-features=${WITHOUT.join(',')}`];
  return { executablePath, args: [...always, ...args] };
}
