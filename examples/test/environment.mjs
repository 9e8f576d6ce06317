/** The environment of tests in browsers: what drives these is loaded once for a worker, not again for each file. */
import { TestEnvironment } from 'jest-environment-node';
import { chromium } from 'playwright-core';
import puppeteer from 'puppeteer-core';

export default class BrowserEnvironment extends TestEnvironment {
  constructor(...args) {
    super(...args);
    this.global.drivers = { chromium, puppeteer };
  }
}
