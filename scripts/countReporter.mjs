/** Closes the run with a line of its own: `N passed, N failed`. */
export default class CountReporter {
  onRunComplete(_contexts, { numPassedTests, numFailedTests, numRuntimeErrorTestSuites }) {
    console.log(`\n${numPassedTests} passed, ${numFailedTests + numRuntimeErrorTestSuites} failed`);
  }
}
