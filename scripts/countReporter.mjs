/** Prints the ten slowest tests, keeps the time of a whole run for the figures, and closes the run with `N passed, N failed`. */
import { mkdirSync, writeFileSync } from 'node:fs';

const SHOWN = 10;
const CACHE = new URL('../.cache/', import.meta.url);

export default class CountReporter {
  #isWhole;

  constructor({ testPathPatterns, projects }) {
    this.#isWhole = testPathPatterns.patterns.length === 0 && projects.length === 5;
  }

  onRunComplete(_contexts, { numPassedTests, numFailedTests, numRuntimeErrorTestSuites, testResults, startTime }) {
    const tests = testResults.flatMap(({ testFilePath, testResults: each }) =>
      each.map(({ ancestorTitles, title, duration }) => ({
        duration: duration ?? 0,
        name: `${testFilePath.split('/').at(-1)}: ${[...ancestorTitles, title].join(' ')}`,
      })),
    );
    console.log('\nThe slowest tests:');
    for (const { duration, name } of tests.toSorted((a, b) => b.duration - a.duration).slice(0, SHOWN))
      console.log(`${(duration / 1000).toFixed(1).padStart(6)} s  ${name}`);
    if (this.#isWhole) {
      mkdirSync(CACHE, { recursive: true });
      const seconds = Math.round((Date.now() - startTime) / 1000);
      writeFileSync(new URL('tests.json', CACHE), JSON.stringify({ tests: numPassedTests, seconds }));
    }
    console.log(`\n${numPassedTests} passed, ${numFailedTests + numRuntimeErrorTestSuites} failed`);
  }
}
