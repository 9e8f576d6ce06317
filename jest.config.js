const BROWSERS = '<rootDir>/examples/test/environment.mjs';

/** What takes pictures apart. */
const PICTURES = 'fast-png|iobuffer|pako|pixelmatch';

const base = {
  testEnvironment: 'node',
  transformIgnorePatterns: [`/node_modules/(?!(${PICTURES})/)`],
  extensionsToTreatAsEsm: ['.ts'],
  transform: {
    [`(^.+\\.ts|/packages/zesty-kite/dist/.+\\.js|/node_modules/(${PICTURES})/.+\\.m?js)$`]: [
      '<rootDir>/scripts/transform.mjs',
      {
        jsc: { target: 'es2022', parser: { syntax: 'typescript' } },
        module: { type: 'es6' },
        sourceMaps: 'inline',
      },
    ],
  },
};

export default {
  reporters: ['default', '<rootDir>/scripts/countReporter.mjs'],
  testTimeout: 60_000,
  // The main process only waits: two cores have work for two.
  maxWorkers: '100%',
  projects: [
    {
      ...base,
      displayName: 'core',
      testMatch: ['<rootDir>/packages/zesty-kite/test/*.test.ts'],
      setupFiles: ['<rootDir>/packages/zesty-kite/test/patience.ts'],
    },
    { ...base, displayName: 'package', testMatch: ['<rootDir>/packages/zesty-kite/test/package/*.test.ts'] },
    { ...base, displayName: 'cli', testMatch: ['<rootDir>/packages/zesty-kite-cli/test/*.test.ts'] },
    {
      ...base,
      displayName: 'panel',
      testMatch: ['<rootDir>/packages/zesty-kite-panel/test/*.test.ts'],
      testEnvironment: BROWSERS,
    },
    {
      ...base,
      displayName: 'browser',
      testEnvironment: BROWSERS,
      testMatch: ['<rootDir>/examples/test/*.test.ts'],
      globalSetup: '<rootDir>/examples/test/serve.mjs',
      globalTeardown: '<rootDir>/examples/test/unserve.mjs',
    },
  ],
};
