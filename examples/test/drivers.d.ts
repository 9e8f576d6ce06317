import type { BrowserType } from 'playwright-core';
import type { PuppeteerNode } from 'puppeteer-core';

declare global {
  /** What drives browsers, as the environment of these tests loads it. */
  const drivers: { readonly chromium: BrowserType; readonly puppeteer: PuppeteerNode };
}
