/** Prints the ten slowest tests, and closes the run with a line of its own: `N passed, N failed`. */
const SHOWN = 10;

export default class CountReporter {
  onRunComplete(_contexts, { numPassedTests, numFailedTests, numRuntimeErrorTestSuites, testResults }) {
    const tests = testResults.flatMap(({ testFilePath, testResults: each }) =>
      each.map(({ fullName, duration }) => ({
        duration: duration ?? 0,
        name: `${testFilePath.split('/').at(-1)}: ${fullName}`,
      })),
    );
    console.log('\nThe slowest tests:');
    for (const { duration, name } of tests.toSorted((a, b) => b.duration - a.duration).slice(0, SHOWN))
      console.log(`${(duration / 1000).toFixed(1).padStart(6)} s  ${name}`);
    console.log(`\n${numPassedTests} passed, ${numFailedTests + numRuntimeErrorTestSuites} failed`);
  }
}
