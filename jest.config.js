import { availableParallelism } from 'node:os';

/** Tests run in plain Node.js: files that a worker runs share the modules that they import. */
const base = {
  runner: 'jest-light-runner',
  setupFiles: ['<rootDir>/scripts/testing/typescript.mjs'],
};

export default {
  reporters: ['default', '<rootDir>/scripts/countReporter.mjs'],
  // Those in browsers also wait: two cores have work for three.
  maxWorkers: Math.ceil(1.5 * availableParallelism()),
  projects: [
    {
      ...base,
      displayName: 'core',
      testMatch: ['<rootDir>/packages/zesty-kite/test/*.test.ts'],
      setupFiles: [...base.setupFiles, '<rootDir>/packages/zesty-kite/test/patience.ts'],
    },
    { ...base, displayName: 'package', testMatch: ['<rootDir>/packages/zesty-kite/test/package/*.test.ts'] },
    { ...base, displayName: 'cli', testMatch: ['<rootDir>/packages/zesty-kite-cli/test/*.test.ts'] },
    { ...base, displayName: 'panel', testMatch: ['<rootDir>/packages/zesty-kite-panel/test/*.test.ts'] },
    {
      ...base,
      displayName: 'browser',
      testMatch: ['<rootDir>/examples/test/*.test.ts'],
      globalSetup: '<rootDir>/examples/test/serve.mjs',
      globalTeardown: '<rootDir>/examples/test/unserve.mjs',
    },
  ],
};
