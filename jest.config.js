const swc = {
  transform: {
    '^.+\\.m?[tj]s$': [
      '@swc/jest',
      { jsc: { target: 'es2022', parser: { syntax: 'typescript', decorators: true } }, module: { type: 'commonjs' } },
    ],
  },
  moduleNameMapper: {
    '^(\\.{1,2}/.*)\\.js$': '$1',
    '^@inky-shoal/core$': '<rootDir>/packages/core/src/index.ts',
    '^@inky-shoal/core/(.*)$': '<rootDir>/packages/core/src/$1/index.ts',
    '^@inky-shoal/demo$': '<rootDir>/demo/src/index.ts',
    // A package that can only be imported, where tests require.
    '^@neaps/tide-predictor$': '<rootDir>/node_modules/@neaps/tide-predictor/dist/index.js',
  },
  testEnvironment: 'node',
  transformIgnorePatterns: ['node_modules/(?!quick-lru|d3-array|internmap|@neaps)'],
  // Tests run in a context where each look for a global is slow: handed in, arithmetic is several times as fast.
  sandboxInjectedGlobals: ['Math', 'Number'],
};

const angular = { tsconfig: '<rootDir>/apps/web/tsconfig.spec.json', stringifyContentPathRegex: '\\.html$' };

/** @type {import('jest').Config} */
export default {
  // A program started by a test takes its time on a busy machine. How fast things are is the bench's to say.
  testTimeout: 60_000,
  // Processes of their own also on two cores: side by side, and what a failed test left running ends with them.
  maxWorkers: 2,
  testSequencer: '<rootDir>/scripts/lib/longest-first.cjs',
  projects: [
    { ...swc, displayName: 'core', testMatch: ['<rootDir>/packages/core/**/*.spec.ts', '<rootDir>/demo/**/*.spec.ts'] },
    {
      ...swc,
      displayName: 'server',
      testMatch: ['<rootDir>/apps/server/**/*.spec.ts', '<rootDir>/apps/sim/**/*.spec.ts'],
    },
    {
      displayName: 'web',
      preset: 'jest-preset-angular',
      sandboxInjectedGlobals: ['Math', 'Number'],
      testEnvironment: 'jsdom',
      testMatch: ['<rootDir>/apps/web/**/*.spec.ts'],
      setupFilesAfterEnv: ['<rootDir>/apps/web/src/testing/setup.ts'],
      transform: {
        // The core has nothing of Angular's.
        '/packages/core/.+\\.ts$': swc.transform['^.+\\.m?[tj]s$'],
        '/node_modules/.+\\.mjs$': ['<rootDir>/scripts/lib/linked-angular.mjs', angular],
        '^.+\\.(ts|mjs|js|html)$': ['jest-preset-angular', angular],
      },
      transformIgnorePatterns: ['node_modules/(?!.*\\.mjs$|uuid|astronomy-engine|d3-|internmap|quick-lru|@neaps)'],
      moduleNameMapper: {
        '^(\\.{1,2}/.*)\\.js$': '$1',
        '^@inky-shoal/core$': '<rootDir>/packages/core/src/index.ts',
        '^@inky-shoal/core/(.*)$': '<rootDir>/packages/core/src/$1/index.ts',
        '^@neaps/tide-predictor$': '<rootDir>/node_modules/@neaps/tide-predictor/dist/index.js',
      },
    },
    {
      ...swc,
      displayName: 'e2e',
      testMatch: ['<rootDir>/e2e/**/*.spec.ts'],
      moduleFileExtensions: ['ts', 'mjs', 'js', 'json', 'node'],
      setupFilesAfterEnv: ['<rootDir>/e2e/support/setup.ts'],
    },
    { ...swc, displayName: 'scripts', testMatch: ['<rootDir>/scripts/**/*.spec.ts'] },
  ],
};
