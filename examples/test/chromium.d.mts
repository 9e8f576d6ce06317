import type { LaunchOptions } from 'playwright-core';

/** How the tests start a Chromium-family browser. */
export function chromiumOptions(args?: readonly string[]): LaunchOptions;
